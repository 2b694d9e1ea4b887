import { useLocalSearchParams } from 'expo-router';
import { SystemsScreen } from '@/features/screens';

export default function SystemsRoute() {
  const { jobId } = useLocalSearchParams<{ jobId: string }>();
  return <SystemsScreen jobId={jobId} />;
}
