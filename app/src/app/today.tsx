import { useLocalSearchParams } from 'expo-router';
import { TodayScreen } from '@/features/screens';

export default function TodayRoute() {
  const { job } = useLocalSearchParams<{ job?: string }>();
  return <TodayScreen jobId={job} />;
}
