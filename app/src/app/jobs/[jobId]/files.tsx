import { useLocalSearchParams } from 'expo-router';
import { FilesScreen } from '@/features/screens';

export default function FilesRoute() {
  const { jobId } = useLocalSearchParams<{ jobId: string }>();
  return <FilesScreen jobId={jobId} />;
}
