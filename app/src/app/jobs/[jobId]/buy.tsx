import { useLocalSearchParams } from 'expo-router';
import { BuyScreen } from '@/features/screens';

export default function BuyRoute() {
  const { jobId } = useLocalSearchParams<{ jobId: string }>();
  return <BuyScreen jobId={jobId} />;
}
