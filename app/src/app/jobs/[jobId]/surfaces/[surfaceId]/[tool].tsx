import { useLocalSearchParams } from 'expo-router';
import { ToolScreen } from '@/features/screens';

export default function SiteRoute() {
  const params = useLocalSearchParams<{
    jobId: string;
    surfaceId: string;
    tool: string;
    layer?: string;
  }>();
  return <ToolScreen key={`${params.surfaceId} ${params.layer ?? ''} ${params.tool}`} {...params} />;
}
