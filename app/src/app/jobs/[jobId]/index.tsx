import { useLocalSearchParams } from 'expo-router';
import { JobScreen } from '@/features/screens';

export default function JobRoute() {
  const { jobId } = useLocalSearchParams<{ jobId: string }>();
  return <JobScreen jobId={jobId} />;
}
