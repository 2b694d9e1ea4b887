import { useLocalSearchParams } from 'expo-router';
import { SiteScreen } from '@/features/screens';

export default function QuickSiteRoute() {
  const { tool } = useLocalSearchParams<{ tool: string }>();
  return <SiteScreen key={tool} tool={tool} />;
}
