import { addTo } from '../grouping';
import type { SiteRecord } from './sheet';

const DAY = 86_400_000;

/** Which day a moment is on where the work is done: any number that grows by one from day to day. */
export type DayOf = (at: number) => number;
export const utcDay: DayOf = (at) => Math.floor(at / DAY);

const TIMES = new WeakMap<SiteRecord, ReadonlyMap<string | undefined, readonly number[]>>();

/** When something was written for a job. Each record is read once. */
function timesOf(record: SiteRecord, job: string | undefined): readonly number[] {
  if (record.parts) return record.parts.flatMap((part) => timesOf(part, job));
  const known = TIMES.get(record);
  if (known) return known.get(job) ?? [];
  const found = new Map<string | undefined, number[]>();
  for (const one of record.current) addTo(found, one.job, one.at);
  TIMES.set(record, found);
  return found.get(job) ?? [];
}

/**
 * Time worked from one moment to another, ms. Where a night lies between, only what the log has of each day counts, from the first
 * to the last that was written for the job; nothing where that does not tell.
 */
export function timeWorked(
  record: SiteRecord,
  job: string | undefined,
  [from, until]: readonly [number, number],
  dayOf: DayOf,
): number | undefined {
  if (dayOf(from) === dayOf(until)) return until - from;
  const days = new Map<number, number[]>();
  for (const at of timesOf(record, job)) if (at >= from && at <= until) addTo(days, dayOf(at), at);
  const worked = [...days.values()].reduce((sum, times) => sum + Math.max(...times) - Math.min(...times), 0);
  return worked > 0 ? worked : undefined;
}
