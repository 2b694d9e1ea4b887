import { useLocalSearchParams } from 'expo-router';
import { KitRowScreen } from '@/features/screens';

export default function KitRowRoute() {
  const { resource, rowId } = useLocalSearchParams<'/kit/[resource]/[rowId]'>();
  return <KitRowScreen key={`${resource} ${rowId}`} resource={resource} rowId={rowId} />;
}
