import { numberText } from '@fine-spray/core/units';
import { counted } from '@fine-spray/core';
import { nowAndNext, nextCoats, recoatClocks } from '@fine-spray/core/record';
import { plannedCoats } from '@fine-spray/contract/planning';
import { contested, journal } from '@fine-spray/contract/log';
import { format } from 'date-fns/format';
import { useRouter, type Href } from 'expo-router';
import BookOpen from 'lucide-react-native/icons/book-open';
import CalendarClock from 'lucide-react-native/icons/calendar-clock';
import ChartLine from 'lucide-react-native/icons/chart-line';
import Gauge from 'lucide-react-native/icons/gauge';
import Scale from 'lucide-react-native/icons/scale';
import GraduationCap from 'lucide-react-native/icons/graduation-cap';
import type { LucideIcon } from 'lucide-react-native';
import { useMemo } from 'react';
import { Pressable, View } from 'react-native';
import { useJobHere } from '@/data/jobHere';
import { entriesElsewhere } from '@/data/oldJobs';
import { coatingsOf, type SiteLog } from '@/data/record';
import { EntryRows, offsetAt, writePath } from '@/features/journal';
import { LogFrame } from '@/features/frame';
import { WhoWrites } from '@/features/people';
import { RemindersPanel } from '@/features/reminders';
import { Beside } from '@/ui/beside';
import { Button } from '@/ui/button';
import { EmptyState } from '@/ui/states';
import { SiteTargets } from '@/ui/target';
import { Words } from '@/ui/text';
import { useTheme } from '@/ui/theme/theme';
import { useUnits } from '@/ui/units';
import { PlaceChoice } from './PlaceChoice';
import { knownPlace, usualPlace, useWorkPlace, type WorkPlace } from './place';
import { COMMON, OTHERS, type KindTile } from './kinds';

/** Where everything is written down, and the ways to what follows from it. */
export function LogScreen({
  jobId,
  surfaceId,
}: {
  jobId?: string | undefined;
  surfaceId?: string | undefined;
}) {
  return (
    <SiteTargets>
      <LogFrame broad title="Log">
        {(log) => (
          <Loaded log={log} linked={{ ...(jobId ? { jobId } : {}), ...(surfaceId ? { surfaceId } : {}) }} />
        )}
      </LogFrame>
    </SiteTargets>
  );
}

function Loaded({ log, linked }: { log: SiteLog; linked: Partial<WorkPlace> }) {
  const router = useRouter();
  const { place: chosen, keep } = useWorkPlace(linked);
  const usual = useMemo(() => usualPlace(log), [log]);
  const place = chosen ?? usual;
  const known = knownPlace(log, place);
  const query = new URLSearchParams({
    ...(known.job ? { job: known.job.id } : {}),
    ...(known.surface ? { surface: known.surface.id } : {}),
  }).toString();
  const open = ({ kind, tool }: KindTile) => {
    keep(place);
    if (tool && known.job && known.surface)
      router.navigate(`/jobs/${known.job.id}/surfaces/${known.surface.id}/${tool}`);
    else router.navigate(writePath(kind, query));
  };
  return (
    <Beside
      left={
        <>
          <RemindersPanel log={log} />
          <PlaceChoice
            log={log}
            place={place}
            onChange={(next) => {
              keep(next);
              // The link named a place; what is chosen now holds.
              if (linked.jobId ?? linked.surfaceId) router.replace('/log');
            }}
          />
          <Tiles tiles={COMMON} known={known.surface !== undefined} onPress={open} large />
          <Tiles tiles={OTHERS} known={known.surface !== undefined} onPress={open} />
          <WhoWrites />
        </>
      }
      right={
        <>
          <Contested log={log} />
          <Ways log={log} jobId={known.job?.id} />
          <Latest log={log} />
        </>
      }
    />
  );
}

function Tiles({
  tiles,
  known,
  onPress,
  large = false,
}: {
  tiles: readonly KindTile[];
  known: boolean;
  onPress: (tile: KindTile) => void;
  large?: boolean;
}) {
  const { palette } = useTheme();
  return (
    <View
      className="flex-row flex-wrap gap-2"
      role="group"
      aria-label={large ? 'Write down' : 'Write down, less often'}
    >
      {tiles.map((tile) => {
        const { label, icon: Icon, surface } = tile;
        const off = surface === true && !known;
        return (
          <Pressable
            key={tile.kind}
            role="button"
            disabled={off}
            aria-disabled={off}
            onPress={() => onPress(tile)}
            className={`flex-grow items-center justify-center gap-1 rounded-2xl border-2 border-ink px-2 ${large ? 'min-h-[92px] w-[30%] bg-identity-tint' : 'min-h-[60px] w-[30%] bg-sheet'} ${off ? 'opacity-40' : ''}`}
          >
            <Icon size={large ? 30 : 20} color={large ? palette.identity : palette.ink} aria-hidden />
            <Words weight="semi" size={large ? 18 : 16} className="text-center">
              {label}
            </Words>
          </Pressable>
        );
      })}
    </View>
  );
}

/** What two devices put right at once: somebody has to say which is right. */
function Contested({ log }: { log: SiteLog }) {
  const router = useRouter();
  const ids = useMemo(() => [...contested(log.entries).keys()], [log]);
  const [first] = ids;
  if (first === undefined) return null;
  return (
    <View className="items-start gap-2 rounded-2xl border-2 border-caution bg-sheet p-4" role="alert">
      <Words weight="bold">{`${counted(ids.length, 'entry was', 'entries were')} put right on two devices at once`}</Words>
      <Words colour="ink2">The later one counts until somebody looks which is right.</Words>
      <Button label="Look at it" onPress={() => router.navigate(`/log/entry/${first}`)} />
    </View>
  );
}

/** The ways to what follows from the log, each with what it says now. */
function Ways({ log, jobId }: { log: SiteLog; jobId: string | undefined }) {
  const router = useRouter();
  const { system } = useUnits();
  const { here, failed } = useJobHere(jobId);
  const said = useMemo(() => {
    const now = Date.now();
    const job = log.jobs.find(({ id }) => id === jobId);
    const here = new Set(log.surfaces.filter((one) => one.jobId === jobId).map(({ id }) => id));
    const clocks = recoatClocks(log.record, coatingsOf(log.kit), now, system, here);
    const planned = job
      ? plannedCoats(
          log.surfaces.filter((one) => one.jobId === job.id),
          job,
          log.kit,
        )
      : [];
    const { now: open, next, closing } = nowAndNext(nextCoats(planned, log.record), clocks);
    return [
      counted(open.length, 'coat can', 'coats can') + ' be sprayed now',
      next.length > 0 ? `${next.length} waiting` : undefined,
      closing.length > 0 ? `${closing.length} closing` : undefined,
    ]
      .filter(Boolean)
      .join(', ');
  }, [log, jobId, system]);
  const ways: readonly (readonly [string, string, Href, LucideIcon])[] = [
    [
      'What can be sprayed',
      jobId === undefined
        ? 'Choose a job above'
        : here
          ? said
          : failed
            ? 'The log of this job is on the server'
            : 'The log of this job is being read',
      `/log/clocks?job=${jobId ?? ''}`,
      CalendarClock,
    ],
    [
      'Plan against actual',
      'Litres, film, hours; what is still needed',
      `/log/actual?job=${jobId ?? ''}`,
      ChartLine,
    ],
    ['Tips', 'Litres, fans, when to replace', '/log/tips', Gauge],
    ['Our history', 'What the log has taught', '/log/learned', GraduationCap],
    ['Products', 'One against another', '/log/products', Scale],
    [
      'Journal',
      `${numberText(log.entries.length + entriesElsewhere(log.entries, log.old))} entries`,
      '/log/journal',
      BookOpen,
    ],
  ];
  const { palette } = useTheme();
  return (
    <View
      className="rounded-2xl border border-rule bg-sheet"
      role="group"
      aria-label="What follows from the log"
    >
      {ways.map(([title, words, href, Icon], index) => (
        <Pressable
          key={title}
          role="link"
          onPress={() => router.navigate(href)}
          className={`min-h-[64px] flex-row items-center gap-3 px-4 ${index > 0 ? 'border-t border-rule' : ''}`}
        >
          <Icon size={24} color={palette.identity} aria-hidden />
          <View className="min-w-0 flex-1">
            <Words weight="bold">{title}</Words>
            <Words size={14} colour="ink2">
              {words}
            </Words>
          </View>
        </Pressable>
      ))}
    </View>
  );
}

const LATEST = 5;

/** What was written last. */
function Latest({ log }: { log: SiteLog }) {
  const { system } = useUnits();
  const lines = useMemo(() => {
    const [day] = journal(log.entries, { names: log.names, system, offsetAt });
    return day ? { day: day.day, lines: [...day.lines].reverse().slice(0, LATEST) } : undefined;
  }, [log, system]);
  if (!lines) {
    return (
      <EmptyState
        title="Nothing written down yet"
        text="Three taps: what, what it says here already, write it down."
      />
    );
  }
  return (
    <View className="gap-2">
      <Words
        weight="bold"
        heading={2}
      >{`Last written ${format(new Date(`${lines.day}T12:00`), 'd MMM yyyy')}`}</Words>
      <EntryRows lines={lines.lines} />
    </View>
  );
}
