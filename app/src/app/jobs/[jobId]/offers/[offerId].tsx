import { useLocalSearchParams } from 'expo-router';
import { OfferScreen } from '@/features/screens';

export default function OfferRoute() {
  const { jobId, offerId } = useLocalSearchParams<{ jobId: string; offerId: string }>();
  return <OfferScreen jobId={jobId} offerId={offerId} />;
}
