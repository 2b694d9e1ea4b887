import { useLocalSearchParams } from 'expo-router';
import { KitRowScreen } from '@/features/screens';

export default function KitRowRoute() {
  const { rowId } = useLocalSearchParams<{ rowId: string }>();
  return <KitRowScreen resource="hoses" rowId={rowId} />;
}
