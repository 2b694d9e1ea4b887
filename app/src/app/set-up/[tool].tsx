import { useLocalSearchParams } from 'expo-router';
import { ToolScreen } from '@/features/screens';

export default function QuickSiteRoute() {
  const { tool } = useLocalSearchParams<{ tool: string }>();
  return <ToolScreen key={tool} tool={tool} />;
}
