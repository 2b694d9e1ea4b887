import type { Job, Place, Surface } from '@fine-spray/contract';
import { newSurface, type Kit } from '@fine-spray/contract/planning';
import { counted, showText } from '@fine-spray/core';
import { useRouter, type Href } from 'expo-router';
import Ellipsis from 'lucide-react-native/icons/ellipsis';
import PaintRoller from 'lucide-react-native/icons/paint-roller';
import Table from 'lucide-react-native/icons/table-2';
import Target from 'lucide-react-native/icons/target';
import Cable from 'lucide-react-native/icons/cable';
import ClipboardCheck from 'lucide-react-native/icons/clipboard-check';
import FileText from 'lucide-react-native/icons/file-text';
import NotebookPen from 'lucide-react-native/icons/notebook-pen';
import Pencil from 'lucide-react-native/icons/pencil';
import Plus from 'lucide-react-native/icons/plus';
import Ruler from 'lucide-react-native/icons/ruler';
import { useMemo, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { whyFailed } from '@/data/api';
import { useMay } from '@/data/may';
import { newId } from '@/data/newId';
import { usePlaces, useWrites } from '@/data/resources';
import { useJob } from '@/data/job';
import { useOrders } from '@/features/buy';
import { PlaceRows, usePlaceActions } from '@/features/place';
import { JobFrame } from '@/features/frame';
import { LIES_OPEN, OFF_PAPER, usePrinting } from '@/ui/printing';
import { Button } from '@/ui/button';
import { Header } from '@/ui/screen';
import { Sheet } from '@/ui/sheet';
import { EmptyState, Skeleton } from '@/ui/states';
import { Words } from '@/ui/text';
import { useOneTap } from '@/ui/oneTap';
import { useToast } from '@/ui/toast';
import { useUnits } from '@/ui/units';
import { useWide } from '@/ui/wide';
import { JobDetails } from './JobDetails';
import { JobPath } from './JobPath';
import { useJobStands } from './useJobStands';
import { SurfaceList } from './SurfaceList';
import { coatingTotals, type CoatingTotal } from './totals';

/** Adds a wall in no room yet, and opens it: it does not slip into one that happens to be the last. */
function useAddSurface(job: Job, surfaces: readonly Surface[], kit: Kit) {
  const { put } = useWrites('surfaces');
  const router = useRouter();
  const toast = useToast();
  return useOneTap(async () => {
    const last = surfaces[surfaces.length - 1];
    const fields = newSurface(job.id, kit.coatings, (last?.position ?? 0) + 10, '');
    if (!fields) {
      toast({ text: 'A surface needs a coating. Add one under Kit first.' });
      return;
    }
    const id = newId();
    try {
      await put({ id, content: { ...fields, version: 0 } });
      router.navigate(`/jobs/${job.id}/surfaces/${id}`);
    } catch (error) {
      toast({ text: `Not made: ${whyFailed(error)}` });
    }
  });
}

/** What is wanted now and then. */
const RARE = [
  { label: 'Prepare', icon: ClipboardCheck, to: (id: string): Href => `/jobs/${id}/prepare` },
  { label: 'Surfaces as a table', icon: Table, to: (id: string): Href => `/jobs/${id}/table` },
  { label: 'Spray or roll', icon: PaintRoller, to: (id: string): Href => `/jobs/${id}/methods` },
  { label: 'Where the machine stands', icon: Cable, to: (id: string): Href => `/jobs/${id}/stands` },
  { label: 'Tips for the job', icon: Target, to: (id: string): Href => `/jobs/${id}/tips` },
  { label: 'Log', icon: NotebookPen, to: (id: string): Href => `/log?job=${id}` },
  { label: 'Files', icon: FileText, to: (id: string): Href => `/jobs/${id}/files` },
] as const;

function Overview({ job, surfaces, kit }: { job: Job; surfaces: readonly Surface[]; kit: Kit }) {
  const [editing, setEditing] = useState(false);
  const mayPlan = useMay('plans');
  const router = useRouter();
  const add = useAddSurface(job, surfaces, kit);
  const { orders: found, failed } = useOrders({ surfaces, job, kit });
  const totals = useMemo(() => coatingTotals(found?.orders ?? []), [found]);
  const sprayer = kit.sprayers.find(({ id }) => id === job.sprayerId);
  const stands = useJobStands(job, surfaces, kit, found);
  const [more, setMore] = useState(false);
  const { data: places = [] } = usePlaces(job.id);
  const { add: measure } = usePlaceActions(job, places, surfaces, kit);
  const hoses = job.hoseIds.map((id) => kit.hoses.find((hose) => hose.id === id)?.name ?? 'missing hose');
  return (
    <View className="gap-4 px-4 pb-4">
      <JobPath jobId={job.id} stands={stands} onMeasure={mayPlan ? () => measure('room') : undefined} />
      {found ? <Totals totals={totals} refused={found.refused} /> : null}
      {!found && !failed && surfaces.length > 0 ? <Skeleton rows={1} height={190} /> : null}
      <View className="flex-row flex-wrap items-center gap-3">
        <Words colour="ink2" size={14} className="min-w-[200px] flex-1">
          {[sprayer?.name, ...hoses].filter(Boolean).join(' · ')}
        </Words>
        <Button label="More" icon={Ellipsis} aria-expanded={more} onPress={() => setMore(true)} />
      </View>
      {more ? (
        <Sheet title="More of this job" onClose={() => setMore(false)}>
          {mayPlan ? (
            <Button
              label="Details"
              icon={Pencil}
              onPress={() => {
                setMore(false);
                setEditing(true);
              }}
            />
          ) : null}
          {RARE.map(({ label, icon, to }) => (
            <Button
              key={label}
              label={label}
              icon={icon}
              onPress={() => {
                setMore(false);
                router.navigate(to(job.id));
              }}
            />
          ))}
        </Sheet>
      ) : null}
      {job.note ? <Words>{job.note}</Words> : null}
      <Places job={job} surfaces={surfaces} places={places} onMeasure={measure} />
      {mayPlan ? <Button label="Add a single surface" icon={Plus} onPress={() => add()} /> : null}
      {surfaces.length === 0 ? (
        <EmptyState
          title="No surfaces yet"
          text="Measure a room: its walls and ceiling follow, each with sensible coats and its set-up card."
        />
      ) : null}
      {editing ? <JobDetails job={job} kit={kit} onClose={() => setEditing(false)} /> : null}
    </View>
  );
}

/** Rooms and elevations in sight before the rest is asked for. */
const FIRST_PLACES = 4;

/** What was measured of the job, and the ways to measure more. */
function Places({
  job,
  surfaces,
  places,
  onMeasure,
}: {
  job: Job;
  surfaces: readonly Surface[];
  places: readonly Place[];
  onMeasure: ReturnType<typeof usePlaceActions>['add'];
}) {
  const mayPlan = useMay('plans');
  const [all, setAll] = useState(false);
  const printing = usePrinting();
  const shown = all || printing ? places : places.slice(0, FIRST_PLACES);
  return (
    <View className="gap-2">
      {places.length > 0 ? (
        <Words weight="semi" colour="ink2" heading={2}>
          Rooms and elevations
        </Words>
      ) : null}
      <PlaceRows jobId={job.id} places={shown} surfaces={surfaces} />
      {shown.length < places.length ? (
        <Button label={`${places.length - shown.length} more`} kind="quiet" onPress={() => setAll(true)} />
      ) : null}
      {mayPlan ? (
        <>
          <Button label="Measure a room" kind="primary" icon={Ruler} onPress={() => onMeasure('room')} />
          <View className="flex-row flex-wrap gap-2">
            <Button label="An elevation" onPress={() => onMeasure('elevation')} className="flex-1" />
            <Button label="Fence, stair, pieces" onPress={() => onMeasure('loose')} className="flex-1" />
          </View>
        </>
      ) : null}
    </View>
  );
}

/** How many coatings are in sight before the rest is asked for: the list of surfaces is what one comes for. */
const FIRST = 3;

function Totals({ totals, refused }: { totals: readonly CoatingTotal[]; refused: number }) {
  const { system } = useUnits();
  const wide = useWide();
  const [all, setAll] = useState(false);
  const printing = usePrinting();
  if (totals.length === 0 && refused === 0) return null;
  const shown = all || wide || printing ? totals : totals.slice(0, FIRST);
  return (
    <View className="gap-1 rounded-2xl border border-rule bg-sheet p-4">
      <Words weight="semi" colour="ink2" heading={2}>
        Paint for the job, likely
      </Words>
      {shown.map(({ name, paint, surfaces }) => (
        <View key={name} className="flex-row items-baseline gap-3">
          <Words size={22} weight="digits-bold" className="w-20 text-right">
            {showText(paint, 'volume', system)}
          </Words>
          <Words className="min-w-0 flex-1" numberOfLines={1}>
            {`${name}, ${counted(surfaces, 'surface')}`}
          </Words>
        </View>
      ))}
      {shown.length < totals.length ? (
        <Button
          label={`${totals.length - shown.length} more coatings`}
          kind="quiet"
          onPress={() => setAll(true)}
        />
      ) : null}
      <Words size={14} colour="ink2">
        {`Includes one fill of hose and pump.${refused > 0 ? ` ${counted(refused, 'surface is', 'surfaces are')} left out: look at them.` : ''}`}
      </Words>
    </View>
  );
}

/** A job: paint by coating, line in use, and its surfaces. When wide, the list stands at the side already. */
export function JobScreen({ jobId }: { jobId: string }) {
  const wide = useWide();
  return (
    <JobFrame jobId={jobId} title="Job" backTo="/" waiting={<Skeleton rows={6} />}>
      {(loaded) => (
        <View className="min-h-0 flex-1">
          <Header title={loaded.job.name} above={loaded.job.place || 'Job'} backTo="/" />
          {wide ? (
            <ScrollView tabIndex={0} className={LIES_OPEN} contentContainerClassName="max-w-[760px]">
              <Overview {...loaded} />
            </ScrollView>
          ) : (
            <SurfaceList {...loaded} header={<Overview {...loaded} />} />
          )}
        </View>
      )}
    </JobFrame>
  );
}

/** The list at the side of a job's screens, when wide. */
export function JobSide({
  jobId,
  currentId,
  onPaper,
}: {
  jobId: string;
  currentId?: string | undefined;
  /** Whether it is printed with what stands beside it. */
  onPaper: boolean;
}) {
  const { job, surfaces, kit } = useJob(jobId);
  return (
    <View
      role="complementary"
      aria-label="Surfaces of this job"
      className={`w-[320px] border-r border-rule bg-sheet print:w-full print:border-r-0 ${onPaper ? '' : OFF_PAPER}`}
    >
      {job && surfaces && kit ? (
        <SurfaceList job={job} surfaces={surfaces} kit={kit} currentId={currentId} />
      ) : (
        <View className="p-4">
          <Skeleton rows={8} height={60} />
        </View>
      )}
    </View>
  );
}
