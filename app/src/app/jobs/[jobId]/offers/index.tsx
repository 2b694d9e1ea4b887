import { useLocalSearchParams } from 'expo-router';
import { OffersScreen } from '@/features/screens';

export default function OffersRoute() {
  const { jobId } = useLocalSearchParams<{ jobId: string }>();
  return <OffersScreen jobId={jobId} />;
}
