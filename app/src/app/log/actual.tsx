import { useLocalSearchParams } from 'expo-router';
import { ActualScreen } from '@/features/screens';

export default function ActualRoute() {
  const { job } = useLocalSearchParams<{ job?: string }>();
  return <ActualScreen jobId={job || undefined} />;
}
