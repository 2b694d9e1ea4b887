import { journalLine } from '@fine-spray/contract/log';
import {
  CUPS,
  FAMILY_DATA,
  counted,
  kindOfWorkKey,
  kindOfWorkName,
  lessons,
  showRange,
  showText,
  timeShown,
  type CupId,
  type Explained,
  type Lesson,
  type UnitSystem,
} from '@fine-spray/core';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { useOurHistory } from '@/data/planKit';
import { coatingsOf, type SiteLog } from '@/data/record';
import { EntryRows, offsetAt } from '@/features/journal';
import { useWhy } from '@/features/setup';
import { LogFrame } from '@/features/frame';
import { Button } from '@/ui/button';
import { Panel } from '@/ui/panel';
import { Segmented } from '@/ui/segmented';
import { Sheet } from '@/ui/sheet';
import { EmptyState } from '@/ui/states';
import { Words } from '@/ui/text';
import { useUnits } from '@/ui/units';

const GROUPS: Readonly<Record<Lesson['kind'], { readonly title: string; readonly text: string }>> = {
  transfer: {
    title: 'How much of the paint lands',
    text: 'From area, comb and litres. Changes litres in estimates and buy lists.',
  },
  pressure: {
    title: 'Pressure for an even fan',
    text: 'Against the working estimate, by test cards that agreed. Changes where dialling in begins.',
  },
  speed: {
    title: 'Gun speed',
    text: 'Against the speed on the card, as the comb asked for it where the gun was timed.',
  },
  thinning: { title: 'Thinner', text: 'In the paint that was checked, in the end.' },
  cup: { title: 'Cup time', text: 'At which this crew sprays.' },
  minutes: {
    title: 'How fast you work',
    text: 'One person, by the clock, from what was written down as done. Changes hours and prices of every job.',
  },
};

/** What the crew's own log has taught, how sure it is, and whether plans stand on it. */
export function LearnedScreen() {
  return (
    <LogFrame title="Our history" above="Log" backTo="/log">
      {(log) => <Loaded log={log} />}
    </LogFrame>
  );
}

function Loaded({ log }: { log: SiteLog }) {
  const [ours, setOurs] = useOurHistory();
  const why = useWhy();
  const [traced, setTraced] = useState<Lesson>();
  const found = useMemo(() => lessons(log.record, coatingsOf(log.kit)), [log]);
  const kinds = [...new Set(found.map(({ kind }) => kind))];
  return (
    <>
      <Panel testID="history-switch">
        <Words size={22} weight="bold">
          {ours === 'on'
            ? 'Plans use our own history where there is any'
            : 'Plans stand on data sheets and working defaults'}
        </Words>
        <Segmented
          label="Our history in plans"
          value={ours}
          options={[
            { value: 'on', label: 'Our history' },
            { value: 'off', label: 'Without it' },
          ]}
          onChange={setOurs}
        />
        <Words size={14} colour="ink2">
          What is measured on the job comes before it, data sheets and working defaults after it. One wrong
          entry is not believed until others agree with it.
        </Words>
      </Panel>
      {found.length === 0 ? (
        <EmptyState
          title="Nothing learned yet"
          text="Write down litres, a comb and the finished coat of a surface: from the first job on the log has something to say."
        />
      ) : null}
      {kinds.map((kind) => (
        <Panel key={kind} title={GROUPS[kind].title}>
          <Words size={14} colour="ink2">
            {GROUPS[kind].text}
          </Words>
          {found
            .filter((one) => one.kind === kind)
            .map((lesson) => (
              <LessonRow
                key={keyOf(lesson)}
                lesson={lesson}
                log={log}
                onWhy={() => why.ask(lesson.learned.value)}
                onTrace={() => setTraced(lesson)}
              />
            ))}
        </Panel>
      ))}
      {why.sheet}
      {traced ? <Trace lesson={traced} log={log} onClose={() => setTraced(undefined)} /> : null}
    </>
  );
}

const keyOf = ({ kind, coating, family, cup, work, timed }: Lesson) =>
  [kind, coating, family, cup, work?.element, work?.side, work?.wind, timed && kindOfWorkKey(timed)].join(
    ' ',
  );

/** A cup by its standard; one of the crew's own has none. */
const cupName = (cup: string): string => (cup in CUPS ? CUPS[cup as CupId].name : 'Own cup');

function aboutWords({ coating, family, cup, work, timed }: Lesson, log: SiteLog): string {
  return [
    timed && kindOfWorkName(timed),
    work ? `${work.element}, ${work.side}${work.side === 'outside' ? `, ${work.wind}` : ''}` : undefined,
    coating === undefined ? undefined : (log.names.coating(coating) ?? 'a coating that was deleted'),
    family === undefined ? undefined : `${FAMILY_DATA[family].name.toLowerCase()} tips`,
    cup === undefined ? undefined : cupName(cup),
  ]
    .filter(Boolean)
    .join(', ');
}

/** How a value of a lesson is said: thinning as what is added to the paint, work as a rate. */
function shownAs({ kind, learned, timed }: Lesson, system: UnitSystem): (one: number) => string {
  if (kind === 'thinning') return (one) => showText(one - 1, 'percent', system);
  if (!timed) return (one) => showText(one, learned.value.kind, system);
  const as = timeShown(timed.rate);
  return (one) => showText(as.from(one), as.kind, system);
}

/** The ends of a range as they are said: a rate is low where a time is long. */
function endsOf({ learned: { value }, timed }: Lesson): readonly number[] {
  const ends = [value.low, value.high];
  const from = timed ? timeShown(timed.rate).from : (one: number) => one;
  return from(value.low) > from(value.high) ? ends.reverse() : ends;
}

/** The learned value beside what it replaces, with its range, its jobs and their spread. */
function LessonRow({
  lesson,
  log,
  onWhy,
  onTrace,
}: {
  lesson: Lesson;
  log: SiteLog;
  onWhy: () => void;
  onTrace: () => void;
}) {
  const { system } = useUnits();
  const { learned, kind } = lesson;
  const { value, jobs, readings, spread } = learned;
  const [prior] = value.inputs;
  const shown = shownAs(lesson, system);
  return (
    <View className="gap-1 border-b border-rule pb-3">
      <Words weight="semi">{aboutWords(lesson, log)}</Words>
      <View className="flex-row flex-wrap items-baseline gap-x-3">
        <Words size={30} weight="digits-bold">
          {shown(value.value)}
        </Words>
        <Words colour="ink2">
          {kind === 'thinning' || kind === 'minutes'
            ? `likely ${endsOf(lesson).map(shown).join(' to ')}`
            : `likely ${showRange(value.low, value.high, value.kind, system)}`}
        </Words>
      </View>
      {prior ? <RangeBar value={value} prior={prior} /> : null}
      <Words size={14} colour="ink2">
        {[
          `${counted(readings, 'reading')} in ${counted(jobs, 'job')}`,
          `jobs differ by ±${Math.round(spread * 100)} %${jobs < 3 ? ' (assumed: too few to tell)' : ''}`,
          kind !== 'cup' && prior ? `without it ${shown(prior.value)}` : undefined,
        ]
          .filter(Boolean)
          .join(' · ')}
      </Words>
      <View className="flex-row flex-wrap gap-2">
        <Button label="Why" kind="quiet" onPress={onWhy} />
        <Button label={`${counted(readings, 'reading')} behind it`} kind="quiet" onPress={onTrace} />
      </View>
    </View>
  );
}

/** The default's range, and the learned one within or beside it. */
function RangeBar({ value, prior }: { value: Explained; prior: Explained['inputs'][number] }) {
  const low = Math.min(value.low, prior.low);
  const high = Math.max(value.high, prior.high);
  const span = high - low;
  if (!(span > 0)) return null;
  const part = (from: number, to: number) => ({
    left: `${(100 * (from - low)) / span}%` as const,
    width: `${(100 * (to - from)) / span}%` as const,
  });
  return (
    <View className="h-7" aria-hidden>
      <View
        className="absolute top-0 h-3 rounded-full border border-ink2"
        style={part(prior.low, prior.high)}
      />
      <View
        className="absolute top-4 h-3 rounded-full bg-identity-tint"
        style={part(value.low, value.high)}
      />
      <View
        className="absolute top-3 h-5 w-1 bg-identity"
        style={{ left: part(value.value, value.value).left }}
      />
    </View>
  );
}

/** Most readings shown behind a number; the journal has all. */
const TRACED = 30;

/** What is behind a number besides what is shown of it. */
function moreWords(all: number, here: number): string {
  const more = all - Math.min(here, TRACED);
  return here < all
    ? `and ${more} more, ${all - here} of them in jobs nobody has written for in a while: the journal brings them here`
    : `and ${more} more`;
}

/** Every reading behind a number, the last first: what it says, what would be taken without it, and its entries. */
function Trace({ lesson, log, onClose }: { lesson: Lesson; log: SiteLog; onClose: () => void }) {
  const { system } = useUnits();
  const { learned } = lesson;
  const shown = shownAs(lesson, system);
  const byId = useMemo(() => new Map(log.entries.map((one) => [one.id, one])), [log]);
  const each = useMemo(() => [...learned.each()].reverse(), [learned]);
  const here = each.filter(({ entries }) => entries.every((id) => byId.has(id)));
  return (
    <Sheet title="Readings behind it" onClose={onClose}>
      <Words>{`With all of them ${shown(learned.value.value)}.`}</Words>
      {here.slice(0, TRACED).map((reading) => (
        <View key={reading.entries.join(' ')} className="gap-1" testID="reading-behind">
          <Words weight="semi">{`Says ${shown(reading.value)}; without it ${shown(reading.without())}`}</Words>
          <EntryRows
            lines={reading.entries.flatMap((id) => {
              const entry = byId.get(id);
              return entry ? [journalLine(entry, { names: log.names, system, offsetAt })] : [];
            })}
          />
        </View>
      ))}
      {each.length > TRACED || here.length < each.length ? (
        <Words colour="ink2">{moreWords(each.length, here.length)}</Words>
      ) : null}
    </Sheet>
  );
}
