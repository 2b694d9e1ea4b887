import { useLocalSearchParams } from 'expo-router';
import { TakeScreen } from '@/features/screens';

export default function TakeRoute() {
  const { jobId } = useLocalSearchParams<{ jobId: string }>();
  return <TakeScreen jobId={jobId} />;
}
