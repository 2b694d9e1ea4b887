import { useLocalSearchParams } from 'expo-router';
import { PrepareScreen } from '@/features/screens';

export default function PrepareRoute() {
  const { jobId } = useLocalSearchParams<{ jobId: string }>();
  return <PrepareScreen jobId={jobId} />;
}
