import { surfaceFields } from '@fine-spray/contract';
import {
  NO_JOB,
  firstSetup,
  type FirstSetup,
  type Kit,
  type SetupJob,
  type SetupSurface,
} from '@fine-spray/contract/planning';
import { useRouter } from 'expo-router';
import { useEffect, useMemo } from 'react';
import { View } from 'react-native';
import { whyFailed } from '@/data/api';
import { sentences } from '@/data/draft';
import { useKit } from '@/data/kit';
import { usePlanKit } from '@/data/planKit';
import { useQuickState } from '@/features/site';
import { useCardAhead } from '@/features/setup';
import { Button } from '@/ui/button';
import { forgetFirstAnswer } from '@/ui/firstAnswer';
import { Header, Screen } from '@/ui/screen';
import { EmptyState, ErrorState } from '@/ui/states';
import { Words } from '@/ui/text';
import { useUnits } from '@/ui/units';
import { ABOVE, SetupComing, TITLE } from './SetupComing';
import { SurfaceEditor } from './SurfaceEditor';

/** A set-up without a job: the same card for a wall that is not written down anywhere. */
export function QuickSetup() {
  // Asked for before the log is: what begins at once holds a slow phone up at once.
  const { failed, retry } = useKit();
  if (!failed) return <WithKit />;
  return (
    <Screen title={TITLE} above={ABOVE}>
      <ErrorState title="The kit cannot be read now" text={whyFailed(failed)} onRetry={retry} />
    </Screen>
  );
}

function WithKit() {
  const { kit } = usePlanKit();
  const router = useRouter();
  const first = useMemo(() => (kit ? firstSetup(kit) : undefined), [kit]);
  if (kit && first) return <Quick kit={kit} first={first} />;
  if (!kit) return <SetupComing />;
  return (
    <Screen title={TITLE} above={ABOVE}>
      <EmptyState
        title="No kit yet"
        text="A set-up needs a sprayer and a coating: a usual kit is there in one tap, or put in your own."
      />
      <Button label="Begin" kind="primary" onPress={() => router.navigate('/begin')} />
    </Screen>
  );
}

const SOUND: Readonly<Record<string, string>> = {};

/** What is wrong with a surface, by field. */
function errorsOf(surface: SetupSurface): Readonly<Record<string, string>> {
  const fields = { ...surface, jobId: NO_JOB, placeId: null, name: 'x', room: '', position: 0 };
  const { error } = surfaceFields.safeParse(fields);
  return sentences(error?.issues ?? []);
}

/** The set-up as it was left on this device, or the first; its card is worked out before it is drawn. */
function Quick({ kit, first }: { kit: Kit; first: FirstSetup }) {
  const [quick, setQuick] = useQuickState(first);
  const { system } = useUnits();
  const ready = useCardAhead(quick.surface, quick.job, kit, system);
  return ready ? <Editor {...{ kit, first, quick, setQuick }} /> : <SetupComing />;
}

function Editor({
  kit,
  first,
  quick: { surface, job },
  setQuick,
}: {
  kit: Kit;
  first: FirstSetup;
  quick: FirstSetup;
  setQuick: (next: FirstSetup) => void;
}) {
  const router = useRouter();
  useEffect(forgetFirstAnswer, []);
  const setSurface = (next: SetupSurface) => setQuick({ surface: next, job });
  const setJob = (next: SetupJob) => setQuick({ surface, job: next });
  // What it begins with is sound: the schema is read with the first change.
  const errors = surface === first.surface ? SOUND : errorsOf(surface);
  return (
    <View className="min-h-0 flex-1">
      <Header title={TITLE} above={ABOVE} />
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
