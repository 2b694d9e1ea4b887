import { useLocalSearchParams } from 'expo-router';
import { SurfaceScreen } from '@/features/screens';

export default function SurfaceRoute() {
  const { jobId, surfaceId } = useLocalSearchParams<{ jobId: string; surfaceId: string }>();
  return <SurfaceScreen jobId={jobId} surfaceId={surfaceId} />;
}
