import { layersOf, requestFor, type RoomToPrepare } from '@fine-spray/contract/planning';
import { OWN_CUP, type Gear } from '@fine-spray/contract';
import {
  TIP_LIFE,
  archetypeOf,
  coatingMesh,
  cupForPaint,
  of,
  protectionFor,
  readTip,
  safetyOf,
  setupCard,
  takeList,
  type DaySetup,
  type Misfit,
  type TakeLine,
  type UnitSystem,
} from '@fine-spray/core';
import { useRouter } from 'expo-router';
import SprayCan from 'lucide-react-native/icons/spray-can';
import { useMemo } from 'react';
import { Pressable, View } from 'react-native';
import { readTexts, useKept } from '@/data/kept';
import { useList } from '@/data/resources';
import { useToPrepare } from '@/features/prepare';
import { rigMisfits } from '@/features/kit';
import { JobFrame, type LoadedJob } from '@/features/frame';
import { Button } from '@/ui/button';
import { CautionBox } from '@/ui/caution';
import { Panel } from '@/ui/panel';
import { Screen } from '@/ui/screen';
import { EmptyState, Skeleton } from '@/ui/states';
import { Words } from '@/ui/text';
import { TickBox } from '@/ui/tickBox';
import { useUnits } from '@/ui/units';

/** What to load for a job before anybody drives, by room where only some are sprayed that day. */
export function TakeScreen({ jobId }: { jobId: string }) {
  return (
    <JobFrame jobId={jobId} title="Take along" backTo={`/jobs/${jobId}`} waiting={<Skeleton rows={6} />}>
      {(loaded) => <Taking {...loaded} />}
    </JobFrame>
  );
}

const NONE: readonly Gear[] = [];

/** What a day with a job takes along, what does not go together, and which set-ups there are none of. */
function neededFor(
  { job, surfaces, kit }: LoadedJob,
  gear: readonly Gear[],
  left: readonly string[],
  toPrepare: readonly RoomToPrepare[],
  system: UnitSystem,
) {
  const sprayer = kit.sprayers.find(({ id }) => id === job.sprayerId);
  if (!sprayer) return undefined;
  const hoses = job.hoseIds.flatMap((id) => kit.hoses.find((hose) => hose.id === id) ?? []);
  const owned = {
    tips: kit.tips.flatMap(({ code, family }) => {
      const tip = readTip(code, family);
      return tip.ok ? [tip.value] : [];
    }),
    gunMeshes: gear.flatMap(({ kind, mesh }) =>
      (kind === 'filter' || kind === 'gun') && mesh !== null ? [mesh] : [],
    ),
    seals: gear.flatMap(({ seal }) => (seal === null ? [] : [seal])),
    cups: gear.flatMap(({ cup }) => (cup === null || cup === OWN_CUP ? [] : [cup])),
  };
  const misfits = new Map<string, Misfit>();
  const setups: DaySetup[] = [];
  const refused: string[] = [];
  for (const surface of surfaces) {
    if (left.includes(surface.room)) continue;
    for (const layer of layersOf(surface)) {
      const request = requestFor(surface, job, kit, layer);
      if (!request) continue;
      const card = setupCard(request, system);
      if (!card.ok) {
        refused.push(`${surface.room} ${surface.name}: ${card.message}`);
        continue;
      }
      const { tip, flow, triggerTime } = card.value.tip.candidate;
      const { base, abrasionClass } = archetypeOf(request.coating.archetype);
      const mesh = card.value.mesh.value;
      const cups = cupForPaint(request.coating, { temperature: of(20, '°C'), thinner: of(0, '%') }, system);
      const fits = cups.ok ? [cups.value.cup, ...cups.value.others] : [];
      const cup = fits.find((one) => owned.cups.includes(one)) ?? fits[0];
      setups.push({
        tip,
        mesh,
        base,
        coating: request.coating.name,
        surfaces: 1,
        wear: (flow * triggerTime) / TIP_LIFE[abrasionClass].low,
        protection: [
          ...protectionFor(safetyOf(request, 'prepare')),
          ...card.value.protection,
          ...protectionFor(safetyOf(request, 'shut down')),
        ],
        ...(cup === undefined ? {} : { cup }),
      });
      const rig = {
        sprayer,
        hoses,
        gear: [...gear],
        tip,
        base,
        coatingMesh: coatingMesh(request.coating),
        side: surface.side,
      };
      for (const one of rigMisfits(rig, mesh, system)) misfits.set(`${one.code} ${one.what}`, one);
    }
  }
  const all = [...misfits.values()];
  const lines = takeList(
    setups,
    owned,
    {
      sprayer: sprayer.name,
      hoses: hoses.map(({ name }) => name),
      misfits: all,
    },
    toPrepare
      .filter(({ room }) => !left.includes(room))
      .flatMap(({ lines: work }) => work.map(({ rate }) => rate)),
  );
  return { lines, misfits: all, refused };
}

function Taking({ job, surfaces, kit }: LoadedJob) {
  const { system } = useUnits();
  const router = useRouter();
  const gear = useList('gear').data;
  const { rooms: toPrepare } = useToPrepare({ job, surfaces, kit });
  const rooms = [...new Set(surfaces.map(({ room }) => room))];
  const [left, setLeft] = useKept(`rooms left out ${job.id}`, readTexts, []);
  const [packed, setPacked] = useKept(`packed ${job.id}`, readTexts, []);
  const worked = useMemo(
    () => neededFor({ job, surfaces, kit }, gear ?? NONE, left, toPrepare ?? [], system),
    [job, surfaces, kit, gear, left, toPrepare, system],
  );
  const toggle = (list: readonly string[], one: string) =>
    list.includes(one) ? list.filter((other) => other !== one) : [...list, one];
  if (!worked || surfaces.length === 0) {
    return (
      <Screen title="Take along" above={job.name} backTo={`/jobs/${job.id}`}>
        <EmptyState
          title="Nothing to take yet"
          text="The list follows from surfaces and their set-up cards. Measure a room first."
        />
      </Screen>
    );
  }
  const missing = worked.lines.filter(({ owned }) => owned === false);
  const groups = [...new Set(worked.lines.map(({ group }) => group))];
  return (
    <Screen title="Take along" above={job.name} backTo={`/jobs/${job.id}`}>
      <Panel testID="take-answer">
        <Words size={30} weight="bold">
          {missing.length === 0 ? 'The kit has all of it' : `${missing.length} not in the kit`}
        </Words>
        {missing.map(({ what }) => (
          <Words key={what}>{what}</Words>
        ))}
        <Button
          label="Fewer tips"
          icon={SprayCan}
          className="self-start"
          onPress={() => router.navigate(`/jobs/${job.id}/tips`)}
        />
      </Panel>
      {worked.misfits.map(({ code, what, why, instead }) => (
        <CautionBox key={code + what} what={what} why={why} instead={instead} />
      ))}
      {worked.refused.slice(0, 3).map((text) => (
        <Words key={text} colour="danger">
          {text}
        </Words>
      ))}
      {rooms.length > 1 ? (
        <Panel title="Sprayed that day">
          <View className="flex-row flex-wrap gap-2">
            {rooms.map((room) => (
              <Tick
                key={room}
                label={room || 'Without a room'}
                on={!left.includes(room)}
                onPress={() => setLeft(toggle(left, room))}
              />
            ))}
          </View>
        </Panel>
      ) : null}
      {groups.map((group) => (
        <Panel key={group} title={group}>
          {worked.lines
            .filter((line) => line.group === group)
            .map((line) => (
              <Line
                key={line.what}
                line={line}
                on={packed.includes(line.what)}
                onPress={() => setPacked(toggle(packed, line.what))}
              />
            ))}
        </Panel>
      ))}
    </Screen>
  );
}

function Tick({ label, on, onPress }: { label: string; on: boolean; onPress: () => void }) {
  return (
    <Pressable
      role="checkbox"
      aria-checked={on}
      onPress={onPress}
      className="min-h-[56px] min-w-[45%] flex-1 flex-row items-center gap-3"
    >
      <TickBox on={on} />
      <Words className="min-w-0 flex-1">{label}</Words>
    </Pressable>
  );
}

function Line({ line, on, onPress }: { line: TakeLine; on: boolean; onPress: () => void }) {
  return (
    <Pressable
      role="checkbox"
      aria-checked={on}
      onPress={onPress}
      className="min-h-[56px] flex-row items-center gap-3 py-1"
    >
      <TickBox on={on} />
      <View className="min-w-0 flex-1">
        <Words weight="semi">{line.what}</Words>
        <Words
          size={14}
          colour="ink2"
        >{`${line.why}${line.owned === false ? '. Not in the kit: buy or borrow' : ''}`}</Words>
      </View>
    </Pressable>
  );
}
