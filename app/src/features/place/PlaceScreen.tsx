import type { Job, Place, Surface } from '@fine-spray/contract';
import type { Kit } from '@fine-spray/contract/planning';
import {
  APART,
  measure as areaOf,
  showText,
  surfacesOf,
  wallsOf,
  type DerivedSurface,
  type Element,
  type PlaceMeasure,
} from '@fine-spray/core';
import Copy from 'lucide-react-native/icons/copy';
import { useMemo, useRef, useState, type ReactNode } from 'react';
import { ScrollView, View } from 'react-native';
import { whyFailed } from '@/data/api';
import { SaveLine } from '@/data/draft';
import { usePlaces } from '@/data/resources';
import { useStandIns } from '@/data/standIns';
import { surfacesOfPlace } from '@/data/takeoff';
import { JobFrame } from '@/features/frame';
import { LIES_OPEN } from '@/ui/printing';
import { Button } from '@/ui/button';
import { FieldError, TextField } from '@/ui/field';
import { LengthEntry, LengthPad } from '@/ui/length';
import { Header, Screen } from '@/ui/screen';
import { ErrorState, Skeleton } from '@/ui/states';
import { Words } from '@/ui/text';
import { useUnits } from '@/ui/units';
import { useWide } from '@/ui/wide';
import { Counting } from './Counting';
import { ElevationSizes } from './ElevationSizes';
import { Follows } from './Follows';
import { RoomState } from './RoomState';
import { LaserTool } from './LaserTool';
import { PlanDrawing } from './PlanDrawing';
import { RoomSizes } from './RoomSizes';
import { WallDrawing } from './WallDrawing';
import { usePlaceActions } from './newPlace';
import { SvgButton } from '@/features/drawing';
import { usePlaceDraft } from './usePlaceDraft';

const WAITING = <Skeleton rows={3} height={200} />;

/** A room, an elevation or loose pieces being measured, with everything that follows from it. */
export function PlaceScreen({ jobId, placeId }: { jobId: string; placeId: string }) {
  const places = usePlaces(jobId);
  const backTo = `/jobs/${jobId}` as const;
  return (
    <JobFrame jobId={jobId} title="Room" backTo={backTo} waiting={WAITING}>
      {({ job, surfaces, kit }) => {
        const row = places.data?.find(({ id }) => id === placeId);
        if (row && places.data) {
          return (
            <Measuring key={placeId} job={job} row={row} places={places.data} surfaces={surfaces} kit={kit} />
          );
        }
        return (
          <Screen title={places.data ? 'Not here' : 'Room'} backTo={backTo}>
            {places.data ? (
              <ErrorState
                title="There is no such room in this job"
                text="It may have been deleted. Go back to the job."
              />
            ) : places.isError ? (
              <ErrorState
                title="This room cannot be shown now"
                text={`${whyFailed(places.error)} What is stored is kept on the server.`}
                onRetry={() => void places.refetch()}
              />
            ) : (
              WAITING
            )}
          </Screen>
        );
      }}
    </JobFrame>
  );
}

interface MeasuringProps {
  readonly job: Job;
  readonly row: Place;
  readonly places: readonly Place[];
  readonly surfaces: readonly Surface[];
  readonly kit: Kit;
}

function Measuring({ job, row, places, surfaces, kit }: MeasuringProps) {
  const { draft, errors, change, onInvalid, ...stand } = usePlaceDraft(row, kit.coatings);
  const { copy, remove } = usePlaceActions(job, places, surfaces, kit);
  const [wall, setWall] = useState<number>();
  const wide = useWide();
  const measure = draft.measure as PlaceMeasure;
  const setMeasure = (part: object, step: string) => change({ measure: { ...draft.measure, ...part } }, step);
  const derived = useDerived(measure);
  const stored = surfacesOfPlace(surfaces, row.id);
  const standIns = useStandIns();
  const skip = (element: Element, on: boolean) =>
    setMeasure(
      { skipped: on ? [...measure.skipped, element] : measure.skipped.filter((one) => one !== element) },
      `skip ${element}`,
    );

  const walls = <Elevations name={draft.name} place={measure} stored={stored} chosen={wall} />;
  const answer = (
    <View className="gap-3">
      {derived.refused ? (
        <View className="rounded-2xl border-2 border-danger bg-sheet p-4">
          <FieldError message={derived.refused} />
        </View>
      ) : null}
      {measure.kind === 'room' && measure.plan.length >= 3 ? (
        <View className="rounded-2xl border border-rule bg-sheet p-3">
          <PlanDrawing
            room={measure}
            chosen={wall}
            onWall={(next) => setWall(next === wall ? undefined : next)}
          />
          <SvgButton label="Plan as SVG" of="plan" name={draft.name} />
        </View>
      ) : null}
      <Follows
        place={measure}
        derived={derived.surfaces}
        stored={stored}
        onSkip={skip}
        onApart={
          measure.kind === 'room'
            ? (on) => setMeasure({ apart: on ? [...APART] : undefined }, `apart ${String(on)}`)
            : undefined
        }
      />
      <RoomState surfaces={stored} />
      {derived.surfaces.length === 0 && measure.kind === 'loose' ? (
        <Words colour="ink2">Count fences, stairs or doors below: their areas stand here.</Words>
      ) : null}
      {wide ? walls : null}
    </View>
  );
  const inputs = (
    <View className="gap-5">
      <TextField
        label="Name"
        value={draft.name}
        error={errors['name']}
        onChange={(name) => change({ name })}
      />
      {measure.kind === 'room' ? (
        <RoomSizes
          room={measure}
          errors={errors}
          chosenWall={wall}
          onChange={setMeasure}
          onInvalid={onInvalid}
        />
      ) : null}
      {measure.kind === 'elevation' ? (
        <ElevationSizes elevation={measure} errors={errors} onChange={setMeasure} onInvalid={onInvalid} />
      ) : null}
      {wide ? null : walls}
      <Words size={18} weight="bold" heading={2}>
        Doors, windows, trim and more
      </Words>
      <Counting
        measure={measure}
        errors={errors}
        onChange={(features, step) => setMeasure({ features }, step)}
        onInvalid={onInvalid}
      />
      <View className="flex-row flex-wrap gap-2">
        <Button
          label="Copy this room"
          icon={Copy}
          onPress={() => void stand.flush(false).then(() => copy({ ...row, ...draft }))}
        />
        <Button
          label="Delete it"
          kind="danger"
          onPress={() =>
            void stand.flush(false).then(() => remove({ ...row, ...draft, version: stand.storedVersion() }))
          }
        />
      </View>
    </View>
  );
  return (
    <LengthEntry>
      <View className="min-h-0 flex-1">
        <Header title={draft.name || row.name} above={job.name} backTo={`/jobs/${job.id}`} />
        <SaveLine {...stand} />
        <Stage wide={wide} answer={answer} inputs={inputs} />
        <LengthPad tools={standIns ? <LaserTool /> : null} />
      </View>
    </LengthEntry>
  );
}

/** Drawing and areas above the inputs, or beside them when wide. */
function Stage({ wide, answer, inputs }: { wide: boolean; answer: ReactNode; inputs: ReactNode }) {
  if (wide) {
    return (
      <View className="min-h-0 flex-1 flex-row">
        <ScrollView tabIndex={0} className={`flex-1 ${LIES_OPEN}`} contentContainerClassName="p-4 pb-10">
          {answer}
        </ScrollView>
        <ScrollView
          tabIndex={0}
          className={`max-w-[420px] flex-1 border-l border-rule ${LIES_OPEN}`}
          contentContainerClassName="p-4 pb-10"
        >
          {inputs}
        </ScrollView>
      </View>
    );
  }
  return (
    <ScrollView
      tabIndex={0}
      className={`flex-1 ${LIES_OPEN}`}
      contentContainerClassName="mx-auto w-full max-w-[560px] gap-6 px-3 pb-10"
    >
      {answer}
      {inputs}
    </ScrollView>
  );
}

/** The surfaces of a place as it stands; the last ones that worked while it cannot be, with the reason. */
function useDerived(place: PlaceMeasure): { surfaces: readonly DerivedSurface[]; refused?: string } {
  const { system } = useUnits();
  const last = useRef<readonly DerivedSurface[]>([]);
  return useMemo(() => {
    const result = surfacesOf(place, system);
    if (!result.ok) return { surfaces: last.current, refused: result.message };
    last.current = result.value;
    return { surfaces: result.value };
  }, [place, system]);
}

/** Pixels of a metre of wall in a row of small drawings, and of the one that is looked at. */
const SMALL = 26;
const LARGE = 60;

/** The walls to scale with their openings, side by side; the one chosen in the plan larger. */
function Elevations({
  name,
  place,
  stored,
  chosen,
}: {
  name: string;
  place: PlaceMeasure;
  stored: readonly Surface[];
  chosen: number | undefined;
}) {
  const { system } = useUnits();
  const walls = useMemo(() => wallsOf(place), [place]);
  if (!walls.ok || walls.value.length === 0) return null;
  // A wall that is a surface of its own goes by what it is called.
  const called = walls.value.map((piece) => ({
    ...piece,
    name: stored.find(({ element, part }) => element === 'wall' && part === piece.name)?.name ?? piece.name,
  }));
  const one = chosen === undefined ? undefined : called[chosen];
  const shown = one ? [one] : called;
  const whole = areaOf({ shape: 'pieces', pieces: walls.value });
  const widest = Math.max(...shown.map((piece) => ('width' in piece ? piece.width : 6)));
  const scale = shown.length === 1 ? Math.min(LARGE, 330 / widest) : SMALL;
  return (
    <View className="gap-2" testID="walls-drawn">
      <Words weight="semi" colour="ink2" heading={2}>
        {`Walls to scale${whole.ok ? `, ${showText(whole.value.net, 'area', system)} together` : ''}`}
      </Words>
      <ScrollView horizontal tabIndex={0} contentContainerClassName="gap-4 items-end pb-2">
        {shown.map((piece, index) => (
          <WallDrawing key={index} piece={piece} scale={scale} />
        ))}
      </ScrollView>
      <SvgButton
        label={one ? 'This wall as SVG' : 'Walls as SVG'}
        of="walls-drawn"
        name={`${name} ${one?.name ?? 'walls'}`}
      />
    </View>
  );
}
