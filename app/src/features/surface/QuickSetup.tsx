import { surfaceFields } from '@fine-spray/contract';
import type { Kit, SetupJob, SetupSurface } from '@fine-spray/contract/planning';
import { useRouter } from 'expo-router';
import { useMemo } from 'react';
import { View } from 'react-native';
import { whyFailed } from '@/data/api';
import { sentences } from '@/data/draft';
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
  const first = useMemo(() => (kit ? firstQuick(kit) : undefined), [kit]);
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

const SOUND: Readonly<Record<string, string>> = {};

/** What is wrong with a surface, by field. */
function errorsOf(surface: SetupSurface): Readonly<Record<string, string>> {
  const fields = { ...surface, jobId: NO_JOB, placeId: null, name: 'x', room: '', position: 0 };
  const { error } = surfaceFields.safeParse(fields);
  return sentences(error?.issues ?? []);
}

function Quick({ kit, first }: { kit: Kit; first: QuickState }) {
  const router = useRouter();
  const [{ surface, job }, setQuick] = useQuickState(first);
  const setSurface = (next: SetupSurface) => setQuick({ surface: next, job });
  const setJob = (next: SetupJob) => setQuick({ surface, job: next });
  // What it begins with is sound: the schema is read with the first change.
  const errors = surface === first.surface ? SOUND : errorsOf(surface);
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
