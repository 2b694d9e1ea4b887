import { useLocalSearchParams } from 'expo-router';
import { LogScreen } from '@/features/screens';

export default function LogRoute() {
  const { job, surface } = useLocalSearchParams<{ job?: string; surface?: string }>();
  return <LogScreen jobId={job} surfaceId={surface} />;
}
