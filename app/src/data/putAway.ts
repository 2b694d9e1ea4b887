import { oldAmong, type Entry, type JobOfLog } from '@fine-spray/contract';
import { boundJobs, jobsOf, oldJobFrom, type OldJobs } from '@fine-spray/contract/log';
import { addTo } from '@fine-spray/core/grouping';
import type { Device } from './device';

/** What a worker has to know to put old jobs away. Plain data. */
export interface PutAwayOrder {
  /** What the database of the device is called. */
  readonly name: string;
  /** Milliseconds since 1970. */
  readonly now: number;
  /** Jobs somebody is writing for: what waits is not sent yet. */
  readonly busy: readonly string[];
}

/** The jobs of a log that are old and not known to be. */
export function becameOld(entries: readonly Entry[], old: OldJobs, now: number): readonly JobOfLog[] {
  const here = jobsOf(entries).filter(({ jobId }) => !old.has(jobId));
  return oldAmong([...here, ...old.values()], now).filter(({ jobId }) => !old.has(jobId));
}

/**
 * Puts away on a device the jobs nobody works on any more: read one after another by their entries, and kept by what they leave. The
 * pages that are open go on with what they have.
 * @returns how many were put away
 */
export async function putAway(
  device: Device,
  { now, busy }: Pick<PutAwayOrder, 'now' | 'busy'>,
): Promise<number> {
  // A device that has not all of the log cannot say what a job was.
  if ((await device.cursor()) === undefined) return 0;
  const old = new Map((await device.oldJobs()).map((job) => [job.jobId, job]));
  const entries = await device.entries();
  const byJob = new Map<string, Entry[]>();
  for (const one of entries) if (one.jobId !== null) addTo(byJob, one.jobId, one);
  // What is here of a job that is put away already, and was known when it was.
  for (const job of old.values()) {
    const left = (byJob.get(job.jobId) ?? []).filter(
      ({ createdAt }) => Date.parse(createdAt) <= Date.parse(job.last),
    );
    if (left.length > 0) await device.putAway(left);
  }
  const bound = boundJobs(entries);
  const writing = new Set(busy);
  const quiet = becameOld(entries, old, now).filter(({ jobId }) => !bound.has(jobId) && !writing.has(jobId));
  for (const job of quiet) {
    const own = byJob.get(job.jobId) ?? [];
    await device.putAway(own, oldJobFrom(job, own));
  }
  return quiet.length;
}
