import { useLocalSearchParams } from 'expo-router';
import { JobTipsScreen } from '@/features/screens';

export default function JobTipsRoute() {
  const { jobId } = useLocalSearchParams<{ jobId: string }>();
  return <JobTipsScreen jobId={jobId} />;
}
