import { useLocalSearchParams } from 'expo-router';
import { DrillScreen } from '@/features/screens';

export default function DrillRoute() {
  const { skill } = useLocalSearchParams<{ skill?: string }>();
  return <DrillScreen key={skill ?? ''} {...(skill === undefined ? {} : { skill })} />;
}
