import { useLocalSearchParams } from 'expo-router';
import { PersonScreen } from '@/features/screens';

export default function PersonRoute() {
  const { personId } = useLocalSearchParams<'/people/[personId]'>();
  return <PersonScreen key={personId} personId={personId} />;
}
