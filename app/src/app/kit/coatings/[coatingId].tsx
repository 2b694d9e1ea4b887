import { useLocalSearchParams } from 'expo-router';
import { CoatingScreen } from '@/features/screens';

export default function CoatingRoute() {
  const { coatingId } = useLocalSearchParams<{ coatingId: string }>();
  return <CoatingScreen coatingId={coatingId} />;
}
