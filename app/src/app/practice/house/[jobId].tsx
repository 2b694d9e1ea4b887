import { useLocalSearchParams } from 'expo-router';
import { HouseScreen } from '@/features/screens';

export default function HouseRoute() {
  const { jobId } = useLocalSearchParams<'/practice/house/[jobId]'>();
  return <HouseScreen key={jobId} jobId={jobId} />;
}
