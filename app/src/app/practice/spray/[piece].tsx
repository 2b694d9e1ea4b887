import { useLocalSearchParams } from 'expo-router';
import { SprayScreen } from '@/features/screens';

export default function SprayRoute() {
  const { piece } = useLocalSearchParams<'/practice/spray/[piece]'>();
  return <SprayScreen key={piece} piece={piece} />;
}
