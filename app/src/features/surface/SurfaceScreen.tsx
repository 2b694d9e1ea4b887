import type { Job, Surface, SurfaceFields } from '@fine-spray/contract';
import { newName, type Kit, type SetupSurface } from '@fine-spray/contract/planning';
import { pieceKindOf } from '@fine-spray/core';
import { useRouter } from 'expo-router';
import Ruler from 'lucide-react-native/icons/ruler';
import { View } from 'react-native';
import { whyFailed } from '@/data/api';
import { SaveLine } from '@/data/draft';
import { broughtBack, contentOf, failureOf, useList, useSurfaces, useWrites } from '@/data/resources';
import { useMay } from '@/data/may';
import { usePlanKit } from '@/data/planKit';
import { Button } from '@/ui/button';
import { TextField } from '@/ui/field';
import { Header, Screen } from '@/ui/screen';
import { ErrorState, Skeleton } from '@/ui/states';
import { useToast } from '@/ui/toast';
import type { LineChange } from './MachinePart';
import { SurfaceEditor } from './SurfaceEditor';
import { useSurfaceDraft } from './useSurfaceDraft';

/** One surface of a job: its set-up card and everything the card depends on. */
export function SurfaceScreen({ jobId, surfaceId }: { jobId: string; surfaceId: string }) {
  const jobs = useList('jobs');
  const surfaces = useSurfaces(jobId);
  const { kit, failed, retry } = usePlanKit();
  const job = jobs.data?.find(({ id }) => id === jobId);
  const surface = surfaces.data?.find(({ id }) => id === surfaceId);
  if (job && surface && kit) return <Editing key={surfaceId} job={job} row={surface} kit={kit} />;
  const backTo = `/jobs/${jobId}` as const;
  const why = failed ?? failureOf(jobs, surfaces);
  if (why) {
    const again = () => [retry(), jobs.refetch(), surfaces.refetch()];
    return (
      <Screen title="Surface" backTo={backTo}>
        <ErrorState
          title="This surface cannot be shown now"
          text={`${whyFailed(why)} What you entered before is kept on the server.`}
          onRetry={() => void again()}
        />
      </Screen>
    );
  }
  if (jobs.data && surfaces.data && kit) {
    return (
      <Screen title="Not here" backTo={backTo}>
        <ErrorState
          title="There is no such surface in this job"
          text="It may have been deleted. Go back to the list."
        />
      </Screen>
    );
  }
  return (
    <Screen title="Surface" backTo={backTo}>
      <Skeleton rows={3} height={220} />
    </Screen>
  );
}

/** A name nobody has touched follows the kind of piece. */
function namedFor(draft: SurfaceFields, change: Partial<SetupSurface>): Partial<SurfaceFields> {
  const kinds = [pieceKindOf(draft), pieceKindOf({ ...draft, ...change })] as const;
  const [before, after] = kinds;
  const untouched = before !== undefined && draft.name === newName(before);
  return after !== undefined && after !== before && untouched ? { ...change, name: newName(after) } : change;
}

function Editing({ job, row, kit }: { job: Job; row: Surface; kit: Kit }) {
  const { draft, errors, change, onInvalid, ...stand } = useSurfaceDraft(row);
  const { put, remove } = useWrites('surfaces');
  const jobs = useWrites('jobs');
  const mayPlan = useMay('plans');
  const router = useRouter();
  const toast = useToast();
  const back = `/jobs/${job.id}` as const;

  /** Sprayer and hoses are the job's. */
  async function changeLine(next: LineChange) {
    const before = contentOf(job);
    try {
      const stored = await jobs.put({ id: job.id, content: { ...before, ...next, version: job.version } });
      toast({
        text: `${job.name} has another line now, on all its surfaces.`,
        undo: () => void jobs.put({ id: job.id, content: { ...before, version: stored.version } }),
      });
    } catch (error) {
      toast({ text: `Not changed: ${whyFailed(error)}` });
    }
  }

  async function deleteIt() {
    try {
      // What was typed last is stored first: one deletes what one sees.
      await stand.flush(false);
      const version = stand.storedVersion();
      await remove({ id: row.id, version });
      router.navigate(back);
      toast({
        text: `${row.name} is deleted.`,
        undo: () => void put({ id: row.id, content: broughtBack({ ...row, ...draft, version }) }),
      });
    } catch (error) {
      toast({ text: `Not deleted: ${whyFailed(error)}` });
    }
  }

  return (
    <View className="min-h-0 flex-1">
      <Header
        title={draft.name || row.name}
        above={[job.name, draft.room].filter(Boolean).join(' · ')}
        backTo={back}
      />
      <SaveLine {...stand} />
      <SurfaceEditor
        surface={draft}
        fromPlace={row.placeId !== null}
        job={job}
        kit={kit}
        errors={errors}
        surfaceId={row.id}
        under={`/jobs/${job.id}/surfaces/${row.id}`}
        onChange={(next) => change(namedFor(draft, next))}
        onLine={mayPlan ? (next) => void changeLine(next) : undefined}
        onInvalid={onInvalid}
        above={
          <View className="gap-3">
            <TextField
              label="Name"
              value={draft.name}
              error={errors['name']}
              onChange={(name) => change({ name })}
            />
            {row.placeId === null ? (
              <TextField
                label="Room or part"
                value={draft.room}
                error={errors['room']}
                onChange={(room) => change({ room })}
              />
            ) : (
              <Button
                label={`Measured in ${draft.room || 'its room'}`}
                icon={Ruler}
                className="self-start"
                onPress={() => router.navigate(`/jobs/${job.id}/places/${row.placeId}`)}
              />
            )}
          </View>
        }
        below={
          // What follows from a room would come back with it: it is left out there.
          row.placeId === null ? (
            <Button label="Delete this surface" kind="danger" onPress={() => void deleteIt()} />
          ) : null
        }
      />
    </View>
  );
}
