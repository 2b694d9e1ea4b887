import { useLocalSearchParams } from 'expo-router';
import { SiteScreen } from '@/features/screens';

export default function SiteRoute() {
  const params = useLocalSearchParams<{ jobId: string; surfaceId: string; tool: string }>();
  return <SiteScreen key={`${params.surfaceId} ${params.tool}`} {...params} />;
}
