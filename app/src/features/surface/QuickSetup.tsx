import { surfaceFields } from '@fine-spray/contract';
import type { Kit, SetupJob, SetupSurface } from '@fine-spray/contract/planning';
import { useState } from 'react';
import { View } from 'react-native';
import { useKit } from '@/data/kit';
import { LineChoice } from '@/features/kit';
import { Header, Screen } from '@/ui/screen';
import { EmptyState, ErrorState, Skeleton } from '@/ui/states';
import { Words } from '@/ui/text';
import { newSurface } from './newSurface';
import { SurfaceEditor } from './SurfaceEditor';

const NO_JOB = '00000000-0000-7000-8000-000000000000';

/** A set-up without a job: the same card for a wall that is not written down anywhere. */
export function QuickSetup() {
  const { kit, failed, retry } = useKit();
  if (!kit) {
    return (
      <Screen title="Set-up" above="Without a job">
        {failed ? (
          <ErrorState
            title="The kit cannot be read now"
            text="The Fine Spray server does not answer."
            onRetry={retry}
          />
        ) : (
          <Skeleton rows={3} height={220} />
        )}
      </Screen>
    );
  }
  const [sprayer] = kit.sprayers;
  const first = newSurface(NO_JOB, kit.coatings, 0, '');
  if (!sprayer || !first) {
    return (
      <Screen title="Set-up" above="Without a job">
        <EmptyState title="No kit yet" text="A set-up needs a sprayer and a coating. Add them under Kit." />
      </Screen>
    );
  }
  return <Quick kit={kit} first={first} sprayerId={sprayer.id} />;
}

function Quick({ kit, first, sprayerId }: { kit: Kit; first: SetupSurface; sprayerId: string }) {
  const [surface, setSurface] = useState(first);
  const [job, setJob] = useState<SetupJob>({
    sprayerId,
    hoseIds: kit.hoses.slice(0, 1).map(({ id }) => id),
    lift: 0,
  });
  const checked = surfaceFields.safeParse({ ...surface, jobId: NO_JOB, name: 'x', room: '', position: 0 });
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
        onChange={(change) => setSurface((now) => ({ ...now, ...change }))}
        onInvalid={() => undefined}
        above={
          <View className="gap-3">
            <Words colour="ink2">Nothing here is stored. Make a job to keep surfaces.</Words>
            <LineChoice
              kit={kit}
              sprayerId={job.sprayerId}
              hoseIds={job.hoseIds}
              onChange={(change) => setJob({ ...job, ...change })}
            />
          </View>
        }
      />
    </View>
  );
}
