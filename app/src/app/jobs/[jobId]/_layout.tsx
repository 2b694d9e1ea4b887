import { Slot, useGlobalSearchParams, useLocalSearchParams, usePathname } from 'expo-router';
import { View } from 'react-native';
import { JobSide } from '@/features/screens';
import { useWide } from '@/ui/wide';

/** When wide, a job's surfaces stand beside whatever of the job is shown. */
export default function JobLayout() {
  const { jobId } = useLocalSearchParams<{ jobId: string }>();
  const { surfaceId } = useGlobalSearchParams<{ surfaceId?: string }>();
  // A table of them is a list of its own.
  const path = usePathname();
  const isTable = path.endsWith('/table');
  const wide = useWide() && !isTable;
  return (
    <View className="min-h-0 flex-1 flex-row">
      {wide ? <JobSide jobId={jobId} currentId={surfaceId} onPaper={path === `/jobs/${jobId}`} /> : null}
      <View className="min-w-0 flex-1">
        <Slot />
      </View>
    </View>
  );
}
