import { addTo, byTime, ordered, type Timed } from '../grouping';
import type { PaintArrived, PaintOut, PaintUsed, Sprayed } from './entries';
import { thinnerInGun } from './inGun';
import type { SiteRecord } from './sheet';

/** Whose paint it is: the job it was written for; of what was written for none, the job its surface is in. */
export interface JobsOfPaint {
  readonly isJob: (job: string) => boolean;
  /** Nothing for a surface that is gone. */
  readonly jobOfSurface: (surface: string) => string | undefined;
}

/** The job some paint belongs to; nothing where it has none, or one that is gone. */
export function jobOfPaint(
  { job, surface }: { readonly job?: string | undefined; readonly surface?: string | undefined },
  { isJob, jobOfSurface }: JobsOfPaint,
): string | undefined {
  if (job !== undefined && isJob(job)) return job;
  return surface === undefined ? undefined : jobOfSurface(surface);
}

/** Paint that was used, as it is sold: the thinner in it is left out. */
export interface TakenPaint extends Timed {
  readonly coating: string;
  readonly surface: string | undefined;
  /** Counted for its coating; missing where it went on no coat. */
  readonly coat: number | undefined;
  readonly touchUp: boolean;
  readonly tip: string | undefined;
  /** m³. */
  readonly volume: number;
}

/** All paint of one job: what came, what was used, and what went another way. */
export interface PaintOfJob {
  readonly taken: readonly TakenPaint[];
  /** By coating, m³; missing where no delivery was written down. */
  readonly delivered: ReadonlyMap<string, number>;
  readonly out: ReadonlyMap<string, readonly PaintOut[]>;
}

/** Paint of one job on one surface, or on none, as it was written. */
interface PaintEntries {
  readonly job: string | undefined;
  readonly surface: string | undefined;
  readonly taken: (Sprayed | PaintUsed)[];
  readonly came: PaintArrived[];
  readonly out: PaintOut[];
}

const ENTRIES = new WeakMap<SiteRecord, readonly PaintEntries[]>();

/** The entries of paint of a record: each record is read once, and of one that is joined each part. */
function paintEntries(record: SiteRecord): readonly PaintEntries[] {
  if (record.parts) return record.parts.flatMap(paintEntries);
  const known = ENTRIES.get(record);
  if (known) return known;
  const found = new Map<string, PaintEntries>();
  const of = (job: string | undefined, surface: string | undefined): PaintEntries => {
    const key = `${job ?? ''} ${surface ?? ''}`;
    const entries = found.get(key) ?? { job, surface, taken: [], came: [], out: [] };
    found.set(key, entries);
    return entries;
  };
  for (const one of record.of('sprayed')) of(one.job, one.surface).taken.push(one);
  for (const one of record.of('used')) of(one.job, one.surface).taken.push(one);
  for (const one of record.of('delivered')) of(one.job, undefined).came.push(one);
  for (const one of record.of('paint out')) of(one.job, undefined).out.push(one);
  const entries = [...found.values()];
  ENTRIES.set(record, entries);
  return entries;
}

/**
 * The paint of a job, whatever it was used on. Every entry of paint belongs to one job, or to none.
 * @param job nothing: what belongs to none
 * @param planned thinner per paint of a coat by the plan: taken where the paint was not checked that day
 */
export function paintOfJob(
  record: SiteRecord,
  job: string | undefined,
  jobs: JobsOfPaint,
  planned: (of: Pick<TakenPaint, 'coating' | 'surface' | 'coat'>) => number,
): PaintOfJob {
  const own = paintEntries(record).filter((one) => jobOfPaint(one, jobs) === job);
  const taken = (one: Sprayed | PaintUsed): TakenPaint => {
    const { id, at, coating, surface, tip, kind } = one;
    const coat = kind === 'sprayed' ? one.coat : undefined;
    const of = { coating, surface, coat };
    const thinner = thinnerInGun(record, one) ?? planned(of);
    const touchUp = kind === 'used' && one.on === 'touch-up';
    return { ...{ id, at, tip, touchUp }, ...of, volume: one.volume / (1 + thinner) };
  };
  const inTime = <One extends Timed>(lists: readonly (readonly One[])[]) => ordered(lists.flat(), byTime);
  const delivered = new Map<string, number>();
  for (const one of inTime(own.map(({ came }) => came)))
    delivered.set(one.coating, (delivered.get(one.coating) ?? 0) + one.volume);
  const out = new Map<string, PaintOut[]>();
  for (const one of inTime(own.map((each) => each.out))) addTo(out, one.coating, one);
  return { taken: inTime(own.map((one) => one.taken)).map(taken), delivered, out };
}
