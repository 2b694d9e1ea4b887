import { digestOf, readRecord } from '@fine-spray/core/record';
import { entriesInForce, type Entry, type EntryKind } from '../entry';
import type { JobOfLog, OldJob } from '../oldJobs';
import { coreLog } from './coreLog';

/** Kinds of entries that count in other jobs too: tips, machines, and what was learned at the test card, with the cup and by the clock. */
const KEPT_KINDS: ReadonlySet<string> = new Set<EntryKind>([
  ...(['viscosity', 'set-up confirmed', 'machine', 'worked', 'knob', 'care'] as const),
  ...(['tip fitted', 'tip reversed', 'tip cleaned', 'tip retired', 'fan measured'] as const),
]);
/** Whether an entry of an old job counts besides the digest of that job. */
const isKept = ({ kind }: Pick<Entry, 'kind'>): boolean => KEPT_KINDS.has(kind);

/** The jobs of a log: how much there is of each, and when the last of it was stored. */
export function jobsOf(entries: readonly Entry[]): readonly JobOfLog[] {
  const jobs = new Map<string, { jobId: string; entries: number; last: string }>();
  for (const { jobId, createdAt } of entries) {
    if (jobId === null) continue;
    const known = jobs.get(jobId) ?? { jobId, entries: 0, last: createdAt };
    jobs.set(jobId, known);
    known.entries += 1;
    if (Date.parse(createdAt) > Date.parse(known.last)) known.last = createdAt;
  }
  return [...jobs.values()];
}

/**
 * Jobs that are bound up with another: an entry of one takes back or corrects one of the other, or both speak of one surface. What
 * they say cannot be told apart; they are never old.
 */
export function boundJobs(entries: readonly Entry[]): ReadonlySet<string> {
  const bound = new Set<string>();
  const bind = (one: string | null, other: string | null) => {
    if (one === other) return;
    if (one !== null) bound.add(one);
    if (other !== null) bound.add(other);
  };
  const jobOf = new Map(entries.map(({ id, jobId }) => [id, jobId]));
  const ofSurface = new Map<string, string | null>();
  for (const { jobId, surfaceId, replaces } of entries) {
    if (replaces !== null && jobOf.has(replaces)) bind(jobId, jobOf.get(replaces) ?? null);
    if (surfaceId === null) continue;
    const first = ofSurface.get(surfaceId);
    if (first === undefined) ofSurface.set(surfaceId, jobId);
    else bind(jobId, first);
  }
  return bound;
}

/** What an old job leaves, from all its entries. */
export function oldJobFrom(job: JobOfLog, entries: readonly Entry[]): OldJob {
  return {
    ...{ jobId: job.jobId, entries: job.entries, last: job.last },
    surfaces: [...new Set(entries.flatMap(({ surfaceId }) => surfaceId ?? []))],
    digest: digestOf(readRecord(coreLog(entries))),
    kept: entriesInForce(entries).filter(isKept),
  };
}
