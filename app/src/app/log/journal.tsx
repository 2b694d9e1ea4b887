import { useLocalSearchParams } from 'expo-router';
import { JournalScreen } from '@/features/screens';

export default function JournalRoute() {
  const { job } = useLocalSearchParams<{ job?: string }>();
  return <JournalScreen jobId={job || undefined} />;
}
