import { useLocalSearchParams } from 'expo-router';
import { TableScreen } from '@/features/screens';

export default function TableRoute() {
  const { jobId } = useLocalSearchParams<{ jobId: string }>();
  return <TableScreen jobId={jobId} />;
}
