import { useLocalSearchParams } from 'expo-router';
import { DaysScreen } from '@/features/screens';

export default function DaysRoute() {
  const { jobId } = useLocalSearchParams<{ jobId: string }>();
  return <DaysScreen jobId={jobId} />;
}
