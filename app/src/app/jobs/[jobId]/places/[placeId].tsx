import { useLocalSearchParams } from 'expo-router';
import { PlaceScreen } from '@/features/screens';

export default function PlaceRoute() {
  const { jobId, placeId } = useLocalSearchParams<{ jobId: string; placeId: string }>();
  return <PlaceScreen jobId={jobId} placeId={placeId} />;
}
