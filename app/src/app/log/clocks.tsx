import { useLocalSearchParams } from 'expo-router';
import { ClocksScreen } from '@/features/screens';

export default function ClocksRoute() {
  const { job } = useLocalSearchParams<{ job?: string }>();
  return <ClocksScreen jobId={job || undefined} />;
}
