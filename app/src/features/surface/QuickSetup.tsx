import { surfaceFields } from '@fine-spray/contract';
import type { Kit, SetupJob, SetupSurface } from '@fine-spray/contract/planning';
import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { whyFailed } from '@/data/api';
import { usePlanKit } from '@/data/planKit';
import { NO_JOB, firstQuick, useQuickState, type QuickState } from '@/features/site';
import { Button } from '@/ui/button';
import { Header, Screen } from '@/ui/screen';
import { EmptyState, ErrorState, Skeleton } from '@/ui/states';
import { Words } from '@/ui/text';
import { SurfaceEditor } from './SurfaceEditor';

/** A set-up without a job: the same card for a wall that is not written down anywhere. */
export function QuickSetup() {
  const { kit, failed, retry } = usePlanKit();
  const router = useRouter();
  if (!kit) {
    return (
      <Screen title="Set-up" above="Without a job">
        {failed ? (
          <ErrorState title="The kit cannot be read now" text={whyFailed(failed)} onRetry={retry} />
        ) : (
          <Skeleton rows={3} height={220} />
        )}
      </Screen>
    );
  }
  const first = firstQuick(kit);
  if (!first) {
    return (
      <Screen title="Set-up" above="Without a job">
        <EmptyState
          title="No kit yet"
          text="A set-up needs a sprayer and a coating: a usual kit is there in one tap, or put in your own."
        />
        <Button label="Begin" kind="primary" onPress={() => router.navigate('/begin')} />
      </Screen>
    );
  }
  return <Quick kit={kit} first={first} />;
}

function Quick({ kit, first }: { kit: Kit; first: QuickState }) {
  const router = useRouter();
  const [{ surface, job }, setQuick] = useQuickState(first);
  const setSurface = (next: SetupSurface) => setQuick({ surface: next, job });
  const setJob = (next: SetupJob) => setQuick({ surface, job: next });
  const checked = surfaceFields.safeParse({
    ...surface,
    jobId: NO_JOB,
    placeId: null,
    name: 'x',
    room: '',
    position: 0,
  });
  const errors: Record<string, string> = {};
  if (!checked.success)
    for (const { path, message } of checked.error.issues) errors[path.map(String).join('.')] ??= message;
  return (
    <View className="min-h-0 flex-1">
      <Header title="Set-up" above="Without a job" />
      <SurfaceEditor
        surface={surface}
        job={job}
        kit={kit}
        errors={errors}
        onChange={(change) => setSurface({ ...surface, ...change })}
        surfaceId={null}
        under="/set-up"
        onInvalid={() => undefined}
        onLine={(change) => setJob({ ...job, ...change })}
        above={
          <View className="flex-row flex-wrap items-center justify-between gap-x-3">
            <Words colour="ink2" className="min-w-[200px] flex-1">
              Kept on this device only. Make a job to keep surfaces.
            </Words>
            <Button label="Practice" kind="quiet" onPress={() => router.navigate('/practice')} />
          </View>
        }
      />
    </View>
  );
}
