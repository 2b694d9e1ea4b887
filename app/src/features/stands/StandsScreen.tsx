import { jobFields, type Job } from '@fine-spray/contract';
import {
  hoseChoices,
  hoseOf,
  roomsOfJob,
  standsOfJob,
  type HoseChoice,
  type JobRoom,
} from '@fine-spray/contract/planning';
import { IN_HAND, counted, showText, type RoomMeasure, type Stands } from '@fine-spray/core';
import { SET_UPS } from '@fine-spray/core/sequence';
import { useEffect, useMemo, useState } from 'react';
import { View } from 'react-native';
import { useForm } from '@/data/draft';
import { useMay } from '@/data/may';
import { contentOf, usePlaces, useWrites } from '@/data/resources';
import { JobFrame, KeptTyped, type LoadedJob } from '@/features/frame';
import { Beside } from '@/ui/beside';
import { Button } from '@/ui/button';
import { CautionBox } from '@/ui/caution';
import { Choice } from '@/ui/choice';
import { FieldError, QuantityField } from '@/ui/field';
import { useOneTap } from '@/ui/oneTap';
import { Panel } from '@/ui/panel';
import { Screen } from '@/ui/screen';
import { EmptyState, Skeleton } from '@/ui/states';
import { Words } from '@/ui/text';
import { useToast } from '@/ui/toast';
import { useUnits } from '@/ui/units';
import { FloorDrawing } from './FloorDrawing';
import { ReachDrawing } from './ReachDrawing';

const TITLE = 'Where the machine stands';
const WAY = { min: 0, max: 100 } as const;

/** Where the machine of a job stands, what its hose reaches from there along the floor, and what another hose would change. */
export function StandsScreen({ jobId }: { jobId: string }) {
  return (
    <JobFrame
      jobId={jobId}
      title={TITLE}
      backTo={`/jobs/${jobId}`}
      waiting={<Skeleton rows={3} height={160} />}
    >
      {(loaded) => (
        <Screen broad title={TITLE} above={loaded.job.name} backTo={`/jobs/${jobId}`}>
          <Places {...loaded} />
        </Screen>
      )}
    </JobFrame>
  );
}

function Places({ job, surfaces, kit }: LoadedJob) {
  const { data: places } = usePlaces(job.id);
  const mayPlan = useMay('plans');
  const { system } = useUnits();
  const rooms = useMemo(() => roomsOfJob(surfaces, places ?? []), [surfaces, places]);
  if (!places) return <Skeleton rows={3} height={160} />;
  const hose = hoseOf(job, kit);
  if (rooms.length === 0)
    return (
      <EmptyState
        title="No rooms yet"
        text="Measure a room first: the hose goes from its door to its far corner."
      />
    );
  if (hose === undefined)
    return (
      <EmptyState
        title="No hose on this job"
        text="Choose its hoses under Details of the job: how far the gun reaches follows from them."
      />
    );
  const stands = standsOfJob(rooms, job.ways, hose);
  const text = (metres: number) => showText(metres, 'reach', system);
  const measured = places.flatMap(({ name, measure }) =>
    measure.kind === 'room' ? [{ name, room: measure }] : [],
  );
  return (
    <Beside
      left={
        <>
          <Answer stands={stands} hose={hose} rooms={rooms} />
          {stands?.stands.map((stand) => (
            <Panel key={stand.at} title={`At ${stand.at}`} testID="stand">
              <ReachDrawing stand={stand} hose={hose} />
            </Panel>
          ))}
          {stands ? (
            <Words size={14} colour="ink2">
              {`Thin: to the door. Broad: to the far corner of the room. Dashed: ${text(IN_HAND)} in hand. The line across: the end of ${text(hose)} of hose.`}
            </Words>
          ) : null}
        </>
      }
      right={
        <>
          {stands ? <Hoses {...{ job, surfaces, kit, rooms }} /> : null}
          {mayPlan ? <Ways key={job.version} job={job} rooms={rooms} /> : null}
          {measured.length > 0 ? <Floors rooms={measured} /> : null}
        </>
      }
    />
  );
}

function Answer({
  stands,
  hose,
  rooms,
}: {
  stands: Stands | undefined;
  hose: number;
  rooms: readonly JobRoom[];
}) {
  const { system } = useUnits();
  const text = (metres: number) => showText(metres, 'reach', system);
  if (!stands)
    return (
      <View className="gap-2 rounded-2xl border-2 border-identity bg-sheet p-4" testID="stands-answer">
        <Words size={22} weight="bold" heading={2}>
          How far are the rooms apart?
        </Words>
        <Words>
          {`With ${text(hose)} of hose the machine is taken to each room until somebody paces out the way between their doors. Say it below: from where one hose reaches most follows.`}
        </Words>
      </View>
    );
  const places = counted(stands.stands.length, 'place', 'places');
  const unmeasured = rooms.filter(({ measured }) => !measured).map(({ name }) => name);
  return (
    <View className="gap-2 rounded-2xl border-2 border-identity bg-sheet p-4" testID="stands-answer">
      <Words size={44} weight="bold" heading={2}>
        {places}
      </Words>
      <Words size={18}>
        {`With ${text(hose)} of hose: ${stands.stands.map(({ at }) => `at ${at}`).join('; ')}. Each change of place takes ${SET_UPS.move} min.`}
      </Words>
      {stands.beyond.map(({ room, short, moves }) => (
        <CautionBox
          key={room}
          what={`${room} is longer than the hose`}
          why={`Its far corner is ${text(short)} out of reach from its door, with ${text(IN_HAND)} in hand.`}
          instead={`Move the machine on in it ${moves === 1 ? 'once' : moves === 2 ? 'twice' : `${moves} times`}, or take more hose.`}
        />
      ))}
      {stands.unknown.length > 0 ? (
        <Words colour="ink2">{`No way said: ${stands.unknown.join(', ')}. The machine is taken there.`}</Words>
      ) : null}
      {unmeasured.length > 0 ? (
        <Words size={14} colour="ink2">
          {`Far corners told from what is sprayed, no plan measured: ${unmeasured.join(', ')}.`}
        </Words>
      ) : null}
    </View>
  );
}

/** What more hose costs at the pump, and what it saves on foot. */
function Hoses({ job, surfaces, kit, rooms }: LoadedJob & { rooms: readonly JobRoom[] }) {
  const { system } = useUnits();
  const [choices, setChoices] = useState<readonly HoseChoice[]>();
  useEffect(() => {
    // Some set-ups are worked out for it: after the answer is on screen.
    const timer = setTimeout(() => setChoices(hoseChoices(surfaces, job, kit, rooms, system)), 50);
    return () => clearTimeout(timer);
  }, [job, surfaces, kit, rooms, system]);
  const text = (metres: number) => showText(metres, 'reach', system);
  return (
    <Panel title="More hose, or more places" testID="hoses">
      {choices ? null : <Words colour="ink2">Working out what the pump has to give …</Words>}
      {choices?.map(({ hose, stands, pump, refused, coating }) => (
        <View key={hose} className="gap-0.5">
          <Words weight="semi">{`${text(hose)}: ${counted(stands, 'place', 'places')}`}</Words>
          <Words>
            {refused !== undefined
              ? `Not with this machine: ${refused}`
              : pump === undefined
                ? 'No set-up to tell the pressure from.'
                : `Pump at ${showText(pump, 'pressure', system)} for ${coating}, which asks for most.`}
          </Words>
        </View>
      ))}
    </Panel>
  );
}

const fromOf = (ways: Job['ways'], room: string) => ways.find((one) => one.room === room);

/** How far it is between doors, room by room: paced out along floor and stairs. */
function Ways({ job, rooms }: { job: Job; rooms: readonly JobRoom[] }) {
  const { put } = useWrites('jobs');
  const toast = useToast();
  const [first] = rooms;
  const { content, errors, failed, ready, changed, change, onInvalid, submit, kept, drop } = useForm({
    schema: jobFields.pick({ ways: true }),
    keptAs: `ways ${job.id}`,
    first: { ways: job.ways },
  });
  const store = useOneTap(() =>
    submit(async ({ ways }) => {
      const before = contentOf(job);
      const stored = await put({ id: job.id, content: { ...before, ways, version: job.version } });
      toast({
        text: 'The ways are kept; the plan of the days moves the machine by them.',
        undo: () => void put({ id: job.id, content: { ...before, version: stored.version } }),
      });
    }),
  );
  if (!first || rooms.length < 2) return null;
  const set = (room: string, part: Partial<Job['ways'][number]> | undefined) => {
    const before = fromOf(content.ways, room) ?? { room, from: first.name, way: 0 };
    const rest = content.ways.filter((one) => one.room !== room);
    change({ ways: part ? [...rest, { ...before, ...part }] : rest });
  };
  return (
    <Panel title="From door to door" testID="ways">
      <Words colour="ink2">
        Along floor and stairs, as the hose lies. Pace it out: a step is some 0.75 m.
      </Words>
      <KeptTyped kept={kept} drop={drop} />
      {rooms.slice(1).map(({ name }) => {
        const way = fromOf(content.ways, name);
        const others = rooms.filter((one) => one.name !== name);
        return (
          <View key={name} className="gap-2 border-t border-rule pt-2">
            <Words weight="semi">{name}</Words>
            <View className="flex-row flex-wrap items-end gap-2">
              <View className="min-w-[150px] flex-1">
                <Choice
                  label={`${name} from`}
                  value={way?.from ?? first.name}
                  options={others.map((one) => ({ value: one.name, label: one.name }))}
                  onChange={(from) => set(name, { from })}
                />
              </View>
              <View className="min-w-[120px] flex-1">
                <QuantityField
                  label={`Way to ${name}`}
                  kind="size"
                  value={way?.way}
                  bounds={WAY}
                  onChange={(next) => set(name, { way: next })}
                  onInvalid={(message) => onInvalid(name, message)}
                />
              </View>
              {way ? <Button label="Not known" kind="quiet" onPress={() => set(name, undefined)} /> : null}
            </View>
          </View>
        );
      })}
      {Object.values(errors)[0] ? <FieldError message={Object.values(errors)[0] ?? ''} /> : null}
      {failed ? <FieldError message={failed} /> : null}
      <Button label="Keep the ways" kind="primary" disabled={!ready || !changed} onPress={store} />
    </Panel>
  );
}

/** The hose on the floor of the rooms that are measured. */
function Floors({ rooms }: { rooms: readonly { readonly name: string; readonly room: RoomMeasure }[] }) {
  return (
    <Panel title="On the floor">
      <View className="flex-row flex-wrap gap-4">
        {rooms.map(({ name, room }) => (
          <FloorDrawing key={name} name={name} room={room} />
        ))}
      </View>
      <Words size={14} colour="ink2">
        From the door (full) to the far corner (open); where no door is placed on its wall, from the worst
        corner.
      </Words>
    </Panel>
  );
}
