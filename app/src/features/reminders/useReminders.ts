import { entriesInForce, timeOf, type Schedule } from '@fine-spray/contract';
import { midnightOf, minuteOf, remindersOf, type Reminder } from '@fine-spray/contract/planning';
import { recoatClocks } from '@fine-spray/core/record';
import { useEffect, useMemo, useState } from 'react';
import { useKept } from '@/data/kept';
import { useWriter } from '@/data/me';
import { coatingsOf, type SiteLog } from '@/data/record';
import { useSchedulesOf } from '@/data/resources';
import { useUnits } from '@/ui/units';

/** How often it is looked whether something is due, ms. */
const LOOK = 60_000;
/** What is put off comes again after this, ms. */
export const PUT_OFF = 30 * 60_000;

function useMinute(): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), LOOK);
    return () => clearInterval(timer);
  }, []);
  return now;
}

/** Whether a moment lies in a break of one of the plans that are worked by. */
export const inBreak = (schedules: readonly Schedule[], now: Date): boolean =>
  schedules.some((row) => {
    const minute = minuteOf(midnightOf(row), now) % 1440;
    return row.result !== null && row.breaks.some(({ from, to }) => minute >= from && minute < to);
  });

const readTimes = (stored: unknown): Readonly<Record<string, number>> | undefined =>
  typeof stored === 'object' &&
  stored !== null &&
  Object.values(stored).every((value) => typeof value === 'number')
    ? (stored as Record<string, number>)
    : undefined;

/** What a crew is reminded of now; what was put off is left out until it comes again. */
export function useReminders(log: SiteLog): {
  readonly due: readonly Reminder[];
  readonly putOff: (id: string) => void;
  readonly again: (id: string) => void;
} {
  const { system } = useUnits();
  const { writer } = useWriter();
  const tick = useMinute();
  // What was written a moment ago counts at once.
  const now = useMemo(() => {
    const newest = entriesInForce(log.entries).at(-1);
    return Math.min(tick + LOOK, Math.max(tick, newest ? timeOf(newest) : tick));
  }, [tick, log.entries]);
  const active = useMemo(
    () => log.jobs.filter(({ status }) => status === 'in progress').slice(0, 12),
    [log.jobs],
  );
  const ids = useMemo(() => active.map(({ id }) => id), [active]);
  const { rows } = useSchedulesOf(ids);
  const [later, setLater] = useKept<Readonly<Record<string, number>>>('reminders later', readTimes, {});
  const due = useMemo(() => {
    const here = new Set(ids);
    const surfaces = log.surfaces.filter(({ jobId }) => here.has(jobId));
    const only = new Set(surfaces.map(({ id }) => id));
    return remindersOf({
      ...{ entries: log.entries, jobs: log.jobs, surfaces, sprayers: log.kit.sprayers, now, system },
      author: writer?.initials ?? '',
      clocks: recoatClocks(log.record, coatingsOf(log.kit), now, system, only),
      isBreak: inBreak(rows, new Date(now)),
    });
  }, [log, ids, rows, writer, now, system]);
  return {
    due: due.filter(({ id }) => (later[id] ?? 0) <= now),
    putOff: (id) =>
      setLater({
        ...Object.fromEntries(Object.entries(later).filter(([, until]) => until > now)),
        [id]: now + PUT_OFF,
      }),
    again: (id) => setLater(Object.fromEntries(Object.entries(later).filter(([one]) => one !== id))),
  };
}
