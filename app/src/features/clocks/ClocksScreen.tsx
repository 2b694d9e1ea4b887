import { jobWindowEvents, writeCalendar } from '@fine-spray/contract/calendar';
import { plannedCoats } from '@fine-spray/contract/planning';
import { coatName } from '@fine-spray/contract/log';
import {
  counted,
  nextCoats,
  nowAndNext,
  recoatClocks,
  type Moment,
  type PlannedCoat,
  type RecoatClock,
} from '@fine-spray/core';
import { format } from 'date-fns/format';
import { formatDistance } from 'date-fns/formatDistance';
import { isSameDay } from 'date-fns/isSameDay';
import { useRouter } from 'expo-router';
import CalendarPlus from 'lucide-react-native/icons/calendar-plus';
import { useEffect, useMemo, useState } from 'react';
import { Pressable, View } from 'react-native';
import { saveFile } from '@/data/deviceFiles';
import { coatingsOf, type SiteLog } from '@/data/record';
import { useWhy } from '@/features/setup';
import { FollowCalendar } from '@/features/follow';
import { LogFrame, useChosenJob } from '@/features/frame';
import { Beside } from '@/ui/beside';
import { Button } from '@/ui/button';
import { Panel } from '@/ui/panel';
import { EmptyState } from '@/ui/states';
import { SiteTargets } from '@/ui/target';
import { Words } from '@/ui/text';
import { useUnits } from '@/ui/units';

/** What can be sprayed now, what opens next and what is about to close. */
export function ClocksScreen({ jobId }: { jobId?: string | undefined }) {
  return (
    <SiteTargets>
      <LogFrame broad title="What can be sprayed" above="Log" backTo="/log">
        {(log) => <Loaded log={log} jobId={jobId} />}
      </LogFrame>
    </SiteTargets>
  );
}

/** The clock moves on while one looks. */
function useNow(): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), 30_000);
    return () => clearInterval(timer);
  }, []);
  return now;
}

/** "14:30", with the day where it is another one. */
const clockText = (time: number, now: number) =>
  format(time, isSameDay(time, now) ? 'HH:mm' : 'EEE d MMM, HH:mm');

function Loaded({ log, jobId }: { log: SiteLog; jobId: string | undefined }) {
  const router = useRouter();
  const { system } = useUnits();
  const now = useNow();
  const { job, choice, wait } = useChosenJob(log, jobId);
  const surfaces = useMemo(() => log.surfaces.filter((one) => one.jobId === job?.id), [log, job]);
  const planned = useMemo(() => (job ? plannedCoats(surfaces, job, log.kit) : []), [surfaces, job, log]);
  const clocks = useMemo(() => {
    const here = new Set(surfaces.map(({ id }) => id));
    return recoatClocks(log.record, coatingsOf(log.kit), now, system, here);
  }, [log, surfaces, now, system]);
  const lists = useMemo(() => nowAndNext(nextCoats(planned, log.record), clocks), [planned, log, clocks]);
  if (!job)
    return <EmptyState title="No job yet" text="Clocks run from the coats of a job that are written down." />;
  if (wait)
    return (
      <>
        {choice}
        {wait}
      </>
    );
  const begun = lists.now.filter(({ clock }) => clock !== undefined);
  const fresh = lists.now.filter(({ clock }) => clock === undefined);
  const dry = clocks.filter(
    (clock) =>
      !lists.next.some((one) => one.clock === clock) && !lists.now.some((one) => one.clock === clock),
  );
  const name = (surface: string) => log.names.surface(surface) ?? 'A surface that was deleted';
  const save = () => {
    const { kit, record, entries } = log;
    const events = jobWindowEvents({ job, surfaces, kit, record, entries }, window.location.origin, now);
    saveFile(
      'recoat-windows.ics',
      'text/calendar',
      writeCalendar(`${job.name}: recoat windows`, events, now),
    );
  };
  return (
    <>
      <View className="gap-1" testID="clocks-answer">
        <Words size={30} weight="bold">
          {begun.length > 0
            ? `${counted(begun.length, 'next coat', 'next coats')} can go on now`
            : lists.next[0]
              ? `Nothing is ready. Next: ${nextText(lists.next[0].clock, now)}`
              : `${counted(fresh.length, 'first coat', 'first coats')} can go on now`}
        </Words>
        <Words colour="ink2">{`${lists.next.length} waiting, ${lists.closing.length} closing, ${fresh.length} not begun. Try with a finger where nobody looks; the data sheet comes before this.`}</Words>
      </View>
      {choice}
      <Beside
        left={
          <>
            <Section title="Closing" rows={lists.closing} now={now} name={name} log={log} />
            <Section
              title="Opens next"
              rows={lists.next}
              now={now}
              name={name}
              log={log}
              empty="Nothing is waiting."
            />
            <Section
              title="Now"
              rows={begun.flatMap(({ toDo, clock }) => (clock ? [{ toDo, clock }] : []))}
              now={now}
              name={name}
              log={log}
              empty="No coat is dry enough for its next."
            />
          </>
        }
        right={
          <>
            {fresh.length > 0 ? (
              <Panel title={`Not begun, ${fresh.length}`}>
                {fresh.slice(0, 12).map(({ toDo }) => (
                  <Pressable
                    key={toDo.surface}
                    role="link"
                    onPress={() => router.navigate(`/log?job=${job.id}&surface=${toDo.surface}`)}
                    className="min-h-[56px] justify-center"
                  >
                    <Words>{`${name(toDo.surface)}: ${log.names.coating(toDo.coating) ?? ''}`}</Words>
                  </Pressable>
                ))}
                {fresh.length > 12 ? <Words colour="ink2">{`and ${fresh.length - 12} more`}</Words> : null}
              </Panel>
            ) : null}
            {dry.length > 0 ? <MaskOver clocks={dry} now={now} name={name} /> : null}
            {clocks.length > 0 ? (
              <Button label="Recoat windows as a calendar file" icon={CalendarPlus} onPress={save} />
            ) : null}
            <FollowCalendar jobId={job.id} jobName={job.name} what="windows" />
          </>
        }
      />
    </>
  );
}

function nextText({ moments }: RecoatClock, now: number): string {
  return moments ? `about ${clockText(moments.recoat.likely, now)}` : 'no honest time';
}

function Section({
  title,
  rows,
  now,
  name,
  log,
  empty,
}: {
  title: string;
  rows: readonly { readonly toDo: PlannedCoat; readonly clock: RecoatClock }[];
  now: number;
  name: (surface: string) => string;
  log: SiteLog;
  empty?: string;
}) {
  if (rows.length === 0 && empty === undefined) return null;
  return (
    <Panel title={title} testID={`clocks-${title.toLowerCase()}`}>
      {rows.length === 0 ? <Words colour="ink2">{empty}</Words> : null}
      {rows.map(({ toDo, clock }) => (
        <ClockRow
          key={clock.surface}
          clock={clock}
          title={name(clock.surface)}
          next={`${coatName(toDo.coat)}, ${log.names.coating(toDo.coating) ?? ''}`}
          now={now}
        />
      ))}
    </Panel>
  );
}

/** One clock, drawn: the time since the coat was finished on a line with touch, recoat and closing. */
function ClockRow({
  clock,
  title,
  next,
  now,
}: {
  clock: RecoatClock;
  title: string;
  next: string;
  now: number;
}) {
  const why = useWhy();
  const { moments, finished, words } = clock;
  const mask = moments?.mask();
  return (
    <View className="gap-1 border-b border-rule pb-3">
      <Words weight="bold">{title}</Words>
      <Words
        size={14}
        colour="ink2"
      >{`${next} next. Last coat finished ${formatDistance(finished, now, { addSuffix: true })}.`}</Words>
      {moments && (clock.state === 'ready' || clock.state === 'closed') ? (
        <Words size={14}>
          {`${clock.state === 'ready' ? 'May be painted over' : 'Closed'} since ${clockText((clock.state === 'ready' ? moments.recoat : (moments.closes ?? moments.recoat)).likely, now)}; masked over ${maskWords(mask, now, 'too')}.`}
        </Words>
      ) : null}
      {moments && clock.state !== 'ready' && clock.state !== 'closed' ? (
        <>
          <ClockLine clock={clock} now={now} />
          <View className="flex-row flex-wrap gap-x-4">
            <Time label="Touch" moment={moments.touch()} now={now} onPress={why.ask} />
            <Time label="Recoat" moment={moments.recoat} now={now} onPress={why.ask} />
            {moments.closes ? (
              <Time label="Closes" moment={moments.closes} now={now} onPress={why.ask} />
            ) : null}
            {mask ? <Time label="Mask over" moment={mask} now={now} onPress={why.ask} /> : null}
          </View>
        </>
      ) : null}
      {clock.state === 'ready' ? null : <Words weight="semi">{words}</Words>}
      {why.sheet}
    </View>
  );
}

function Time({
  label,
  moment,
  now,
  onPress,
}: {
  label: string;
  moment: Moment;
  now: number;
  onPress: (why: Moment['why']) => void;
}) {
  return (
    <Pressable role="button" onPress={() => onPress(moment.why)} className="min-h-[56px] justify-center">
      <Words size={14} colour="ink2">
        {label}
      </Words>
      <Words weight="digits-bold">{clockText(moment.likely, now)}</Words>
    </Pressable>
  );
}

/** From finished to mask over: wet, drying with its band, open; and where now is. */
function ClockLine({ clock, now }: { clock: RecoatClock; now: number }) {
  const { moments, finished } = clock;
  if (!moments) return null;
  const end = moments.recoat.surely + (moments.recoat.surely - finished) * 0.6;
  const at = (time: number) =>
    `${Math.min(100, Math.max(0, ((time - finished) / (end - finished)) * 100))}%` as const;
  const part = (from: number, to: number) => ({
    left: at(from),
    width: `${Math.max(0, parseFloat(at(to)) - parseFloat(at(from)))}%` as const,
  });
  return (
    <View role="img" aria-label={clock.words} className="h-6 justify-center">
      <View className="h-3 rounded-full bg-dry-tint" />
      <View className="absolute h-3 rounded-l-full bg-wet" style={part(finished, moments.touch().likely)} />
      <View
        className="absolute h-3 bg-wet-tint"
        style={part(moments.touch().likely, moments.recoat.surely)}
      />
      <View
        className="absolute h-3 border-2 border-dashed border-dry"
        style={part(moments.recoat.from, moments.recoat.surely)}
      />
      <View className="absolute h-6 w-1 rounded bg-ink" style={{ left: at(now) }} />
    </View>
  );
}

/** From when something may be masked over; every coat under it counts. */
function maskWords(mask: Moment | undefined, now: number, already: string): string {
  if (!mask) return 'no honest time';
  return mask.surely <= now ? already : `from about ${clockText(mask.likely, now)}`;
}

/** Finished surfaces: when tape may go on them. */
function MaskOver({
  clocks,
  now,
  name,
}: {
  clocks: readonly RecoatClock[];
  now: number;
  name: (surface: string) => string;
}) {
  return (
    <Panel title="All coats on: may be masked over">
      {clocks.slice(0, 12).map(({ surface, moments }) => (
        <Words key={surface}>{`${name(surface)}: ${maskWords(moments?.mask(), now, 'now')}`}</Words>
      ))}
    </Panel>
  );
}
