import { useLocalSearchParams } from 'expo-router';
import { StandsScreen } from '@/features/screens';

export default function StandsRoute() {
  const { jobId } = useLocalSearchParams<{ jobId: string }>();
  return <StandsScreen jobId={jobId} />;
}
