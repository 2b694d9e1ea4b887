import { useLocalSearchParams } from 'expo-router';
import { CaptureScreen } from '@/features/screens';

export default function CaptureRoute() {
  const { kind, job, surface, entry } = useLocalSearchParams<{
    kind: string;
    job?: string;
    surface?: string;
    entry?: string;
  }>();
  return <CaptureScreen kind={kind} jobId={job} surfaceId={surface} entryId={entry} />;
}
