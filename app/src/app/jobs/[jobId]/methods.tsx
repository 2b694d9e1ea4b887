import { useLocalSearchParams } from 'expo-router';
import { MethodsScreen } from '@/features/screens';

export default function MethodsRoute() {
  const { jobId } = useLocalSearchParams<{ jobId: string }>();
  return <MethodsScreen jobId={jobId} />;
}
