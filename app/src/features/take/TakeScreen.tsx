import {
  layersOf,
  midnightOf,
  minuteOf,
  requestFor,
  roomsByDay,
  type RoomToPrepare,
  type RoomsOfDay,
} from '@fine-spray/contract/planning';
import { OWN_CUP, type Gear, type Schedule } from '@fine-spray/contract';
import {
  TIP_LIFE,
  archetypeOf,
  coatingMesh,
  counted,
  cupForPaint,
  isHigh,
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
import Share2 from 'lucide-react-native/icons/share-2';
import SprayCan from 'lucide-react-native/icons/spray-can';
import { memo, useMemo, useState, type ReactNode } from 'react';
import { View } from 'react-native';
import { whyFailed } from '@/data/api';
import { canShareText, fileName, saveFile, shareText } from '@/data/deviceFiles';
import { readTexts, useKept } from '@/data/kept';
import { useList, useSchedules } from '@/data/resources';
import { dayText } from '@/features/days';
import { useToPrepare } from '@/features/prepare';
import { rigMisfits } from '@/features/kit';
import { JobFrame, type LoadedJob } from '@/features/frame';
import { Button } from '@/ui/button';
import { CautionBox } from '@/ui/caution';
import { Choice } from '@/ui/choice';
import { useOneTap } from '@/ui/oneTap';
import { Panel } from '@/ui/panel';
import { QuantityStepper } from '@/ui/quantityStepper';
import { Screen } from '@/ui/screen';
import { Segmented } from '@/ui/segmented';
import { EmptyState, Skeleton } from '@/ui/states';
import { useStable } from '@/ui/stable';
import { SiteTargets } from '@/ui/target';
import { Words } from '@/ui/text';
import { TickRow } from '@/ui/tickRow';
import { useToast } from '@/ui/toast';
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

/** What a list is for: rooms that are sprayed and prepared, and how far the outlet is, m. */
interface DayAsked {
  readonly sprayed: readonly string[];
  readonly prepared: readonly string[];
  readonly toOutlet: number;
}

/** What a day with a job takes along, what does not go together, and which set-ups there are none of. */
function neededFor(
  { job, surfaces, kit }: LoadedJob,
  gear: readonly Gear[],
  { sprayed, prepared, toOutlet }: DayAsked,
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
    extensions: gear.flatMap(({ kind, length }) => (kind === 'extension' && length !== null ? [length] : [])),
  };
  const misfits = new Map<string, Misfit>();
  const setups: DaySetup[] = [];
  const refused: string[] = [];
  for (const surface of surfaces) {
    if (!sprayed.includes(surface.room)) continue;
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
      const spraying = safetyOf(request, 'spray');
      setups.push({
        element: surface.element,
        reach: spraying.reach,
        high: isHigh(spraying),
        shelves: surface.geometry.shape === 'item' && surface.geometry.item.startsWith('shelf'),
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
      sprayerClass: sprayer.sprayerClass,
      power: sprayer.power,
      ownCord: sprayer.cord,
      manifoldMesh: sprayer.manifoldMesh,
      toOutlet,
    },
    toPrepare
      .filter(({ room }) => prepared.includes(room))
      .flatMap(({ lines: work }) => work.map(({ rate }) => rate)),
    system,
  );
  return { lines, misfits: all, refused };
}

const ANY_DAY = 'any';
const OUTLET = { usual: 15, min: 0, max: 100 };
const readNumber = (stored: unknown): number | undefined =>
  typeof stored === 'number' && stored >= OUTLET.min && stored <= OUTLET.max ? stored : undefined;

/** Days of the plan that a list can be made for: from today on, with what is worked on. */
function daysAhead(row: Schedule | undefined, surfaces: LoadedJob['surfaces'], now: Date) {
  if (!row?.result) return [];
  const first = midnightOf(row);
  const today = Math.floor(minuteOf(first, now) / 1440);
  return roomsByDay(row.result, surfaces)
    .filter(({ day }) => day >= today)
    .map((one) => ({ ...one, name: dayText(first, one.day), date: `${row.first}+${one.day}` }));
}

function Taking({ job, surfaces, kit }: LoadedJob) {
  const { system } = useUnits();
  const gear = useList('gear').data;
  const { rooms: toPrepare } = useToPrepare({ job, surfaces, kit });
  const rooms = useMemo(() => [...new Set(surfaces.map(({ room }) => room))], [surfaces]);
  const { data: schedules, error: noPlan } = useSchedules(job.id);
  const [now] = useState(() => new Date());
  const days = useMemo(() => daysAhead(schedules?.[0], surfaces, now), [schedules, surfaces, now]);
  const [asked, setAsked] = useState<string>();
  const day: (RoomsOfDay & { date: string; name: string }) | undefined =
    asked === ANY_DAY ? undefined : (days.find(({ date }) => date === asked) ?? days[0]);
  const [left, setLeft] = useKept(`rooms left out ${job.id}`, readTexts, []);
  const [toOutlet, setToOutlet] = useKept(`to the outlet ${job.id}`, readNumber, OUTLET.usual);
  const wanted = useMemo((): DayAsked => {
    const chosen = rooms.filter((room) => !left.includes(room));
    const of = day ? { sprayed: day.sprayed, prepared: day.prepared } : { sprayed: chosen, prepared: chosen };
    return { ...of, toOutlet };
  }, [day, rooms, left, toOutlet]);
  const worked = useMemo(
    () => neededFor({ job, surfaces, kit }, gear ?? NONE, wanted, toPrepare ?? [], system),
    [job, surfaces, kit, gear, wanted, toPrepare, system],
  );
  // Its day first: ticks made before would be those of another list.
  if (schedules === undefined && !noPlan)
    return (
      <Screen title="Take along" above={job.name} backTo={`/jobs/${job.id}`}>
        <Skeleton rows={6} />
      </Screen>
    );
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
  return (
    <SiteTargets>
      <Screen title="Take along" above={job.name} backTo={`/jobs/${job.id}`}>
        <Loading
          key={day?.date ?? ANY_DAY}
          jobId={job.id}
          of={day?.date ?? ANY_DAY}
          title={`${job.name}, ${day?.name ?? 'any day'}`}
          worked={worked}
        >
          <Panel title="For which day">
            {days.length > 0 ? (
              <Choice
                label="Day"
                value={day?.date ?? ANY_DAY}
                options={[
                  ...days.map(({ date, name, sprayed, prepared }) => ({
                    value: date,
                    label: name,
                    note: [...new Set([...sprayed, ...prepared])]
                      .map((room) => room || 'Without a room')
                      .join(', '),
                  })),
                  { value: ANY_DAY, label: 'Rooms I choose' },
                ]}
                onChange={setAsked}
              />
            ) : null}
            {day ? (
              <Words colour="ink2">
                {[
                  day.sprayed.length > 0
                    ? `Sprayed: ${day.sprayed.join(', ')}.`
                    : 'Nothing is sprayed that day.',
                  day.prepared.length > 0 ? `Prepared: ${day.prepared.join(', ')}.` : '',
                ].join(' ')}
              </Words>
            ) : rooms.length > 1 ? (
              <View className="flex-row flex-wrap gap-2">
                {rooms.map((room) => (
                  <View key={room} className="min-w-[45%] flex-1">
                    <TickRow
                      role="checkbox"
                      label={room || 'Without a room'}
                      on={!left.includes(room)}
                      onPress={() => setLeft(toggled(left, room))}
                    />
                  </View>
                ))}
              </View>
            ) : null}
            <QuantityStepper
              label="From the outlet to the machine"
              kind="hoseLength"
              value={toOutlet}
              step={{ metric: 5, us: 10 }}
              bounds={OUTLET}
              onChange={setToOutlet}
            />
          </Panel>
        </Loading>
      </Screen>
    </SiteTargets>
  );
}

const toggled = (list: readonly string[], one: string) =>
  list.includes(one) ? list.filter((other) => other !== one) : [...list, one];

type Worked = NonNullable<ReturnType<typeof neededFor>>;
const WAYS = [
  { value: 'out', label: 'Load' },
  { value: 'back', label: 'Back in the evening' },
] as const;
type Way = (typeof WAYS)[number]['value'];
const readWay = (stored: unknown): Way | undefined => WAYS.find(({ value }) => value === stored)?.value;

/** The list itself: ticked when a thing is loaded, and the same things once more when they come back. */
function Loading({
  jobId,
  of,
  title,
  worked,
  children,
}: {
  jobId: string;
  of: string;
  title: string;
  worked: Worked;
  children: ReactNode;
}) {
  const router = useRouter();
  const toast = useToast();
  const [packed, setPacked] = useKept(`packed ${jobId} ${of}`, readTexts, []);
  const [back, setBack] = useKept(`back ${jobId} ${of}`, readTexts, []);
  const [way, setWay] = useKept<Way>(`way ${jobId} ${of}`, readWay, 'out');
  // What was loaded comes back; where nobody ticked anything all of it does.
  const lines = useMemo(
    () =>
      way === 'back' && packed.length > 0
        ? worked.lines.filter(({ what }) => packed.includes(what))
        : worked.lines,
    [way, packed, worked],
  );
  const [done, setDone] = way === 'out' ? [packed, setPacked] : [back, setBack];
  const tick = useStable((what: string) => setDone(toggled(done, what)));
  const open = lines.filter(({ what }) => !done.includes(what));
  const missing = way === 'out' ? worked.lines.filter(({ owned }) => owned === false) : [];
  const groups = useMemo(() => grouped(lines), [lines]);
  const text = () =>
    [
      title,
      ...groups.flatMap(({ group, lines: own }) => [
        '',
        group,
        ...own.map(({ what }) => `${done.includes(what) ? '[x]' : '[ ]'} ${what}`),
      ]),
    ].join('\n');
  const share = useOneTap(async () => {
    try {
      if (canShareText()) await shareText('Take along', text());
      else {
        saveFile(fileName(`take along ${title}`, 'txt'), 'text/plain', `${text()}\n`);
        toast({ text: 'The list is in your downloads.' });
      }
    } catch (error) {
      toast({ text: `Not shared: ${whyFailed(error)}` });
    }
  });
  const clear = () => {
    const before = done;
    setDone([]);
    toast({ text: 'All ticks are out.', undo: () => setDone(before) });
  };
  return (
    <>
      <Segmented label="Which way" value={way} options={WAYS} onChange={setWay} />
      <Panel testID="take-answer">
        <Words size={30} weight="bold">
          {open.length === 0
            ? way === 'out'
              ? 'All of it is loaded'
              : 'All of it is back'
            : way === 'out'
              ? `${open.length} to load`
              : `${open.length} not back yet`}
        </Words>
        {missing.length > 0 ? (
          <Words
            weight="semi"
            colour="caution"
          >{`${counted(missing.length, 'thing')} not in the kit: ${missing.map(({ what }) => what).join('; ')}.`}</Words>
        ) : way === 'out' ? (
          <Words>The kit has all tips, seals, filters and cups of it.</Words>
        ) : null}
        <View className="flex-row flex-wrap gap-2">
          <Button label="Fewer tips" icon={SprayCan} onPress={() => router.navigate(`/jobs/${jobId}/tips`)} />
          <Button label="Share the list" icon={Share2} onPress={() => share()} />
          {done.length > 0 ? <Button label="Take all ticks out" kind="quiet" onPress={clear} /> : null}
        </View>
      </Panel>
      {way === 'out' ? children : null}
      {way === 'out'
        ? worked.misfits.map(({ code, what, why, instead }) => (
            <CautionBox key={code + what} what={what} why={why} instead={instead} />
          ))
        : null}
      {worked.refused.slice(0, 3).map((sentence) => (
        <Words key={sentence} colour="danger">
          {sentence}
        </Words>
      ))}
      {groups.map(({ group, lines: own }) => (
        <Group key={group} title={group} lines={own} done={doneOf(own, done)} onPress={tick} />
      ))}
    </>
  );
}

interface LinesOfGroup {
  readonly group: TakeLine['group'];
  readonly lines: readonly TakeLine[];
}

/** Lines by their group, in the order of both. */
function grouped(lines: readonly TakeLine[]): readonly LinesOfGroup[] {
  const groups = new Map<TakeLine['group'], TakeLine[]>();
  for (const line of lines) groups.set(line.group, [...(groups.get(line.group) ?? []), line]);
  return [...groups].map(([group, own]) => ({ group, lines: own }));
}

/** Which of some lines are ticked, as text: the same for the same ticks. */
const doneOf = (lines: readonly TakeLine[], done: readonly string[]): string =>
  lines.flatMap(({ what }) => (done.includes(what) ? what : [])).join('\n');

/** The lines of a group: drawn anew only when one of its own ticks changes. */
const Group = memo(function Group({
  title,
  lines,
  done,
  onPress,
}: {
  title: string;
  lines: readonly TakeLine[];
  done: string;
  onPress: (what: string) => void;
}) {
  const ticked = new Set(done.split('\n'));
  return (
    <Panel title={title}>
      {lines.map((line) => (
        <Line key={line.what} line={line} on={ticked.has(line.what)} onPress={onPress} />
      ))}
    </Panel>
  );
});

/** A line of the list: drawn anew only when its own tick changes, of some sixty. */
const Line = memo(function Line({
  line,
  on,
  onPress,
}: {
  line: TakeLine;
  on: boolean;
  onPress: (what: string) => void;
}) {
  const { what, why, owned } = line;
  return (
    <TickRow
      role="checkbox"
      label={what}
      note={`${why}${owned === false ? '. Not in the kit: buy or borrow' : ''}`}
      on={on}
      onPress={() => onPress(what)}
    />
  );
});
