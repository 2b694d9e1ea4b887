import { useLocalSearchParams } from 'expo-router';
import { EntryScreen } from '@/features/screens';

export default function EntryRoute() {
  const { entryId } = useLocalSearchParams<{ entryId: string }>();
  return <EntryScreen key={entryId} entryId={entryId} />;
}
