import type { Entry, OldJob } from '@fine-spray/contract';
import type { OldJobs } from '@fine-spray/contract/log';
import { DIGEST_VERSION } from '@fine-spray/core/record';
import type { QueryClient } from '@tanstack/react-query';
import { Refused, Unknown, call } from './api';
import { device as pageDevice, type Device } from './device';
import { addEntries, entriesAmong, entryIdsOf } from './entries';
import { keys, pagesOf } from './resources';
import { Watched } from './watched';

const NONE: OldJobs = new Map();

/** Jobs whose log is not in this page but for what they leave, by id. */
export const oldJobs = new Watched<OldJobs>(NONE);

/** Whether this program can read what was kept of old jobs; else it is asked for again. */
export const areOfThisProgram = (jobs: readonly OldJob[]): boolean =>
  jobs.every(({ digest }) => digest.version === DIGEST_VERSION);

/** Begins with these, and puts those of their entries into the log that count in other jobs too. */
export function beginWithOld(client: QueryClient, jobs: readonly OldJob[]): void {
  oldJobs.set(jobs.length === 0 ? NONE : new Map(jobs.map((job) => [job.jobId, job])));
  addEntries(
    client,
    jobs.flatMap(({ kept }) => kept),
  );
}

interface Page {
  readonly items: readonly OldJob[];
  readonly next: string | null;
}

/** All old jobs, as the server has them now. */
export async function askForOldJobs(): Promise<readonly OldJob[]> {
  const all: OldJob[] = [];
  for (let next: string | null = ''; next !== null;) {
    const page = (await call(
      'GET',
      `/api/log/old-jobs${next === '' ? '' : `?after=${encodeURIComponent(next)}`}`,
    )) as Partial<Page> | undefined;
    if (!Array.isArray(page?.items)) throw new Unknown('its old jobs have another shape.');
    all.push(...(page.items as readonly OldJob[]));
    next = page.next ?? null;
  }
  return all;
}

/** Jobs there is something written for, by id. */
export async function askForJobsOfLog(): Promise<readonly string[]> {
  const { items } = (await call('GET', '/api/log/jobs')) as { readonly items?: unknown };
  if (!Array.isArray(items)) throw new Unknown('the jobs of its log have another shape.');
  return (items as readonly { readonly jobId: string }[]).map(({ jobId }) => jobId);
}

/** The whole log of a job: of this device where it has it, else of the server. */
async function logOf({ jobId, entries: count }: OldJob, device: Device): Promise<readonly Entry[]> {
  const kept = await device.oldEntriesOf(jobId).catch(() => []);
  if (kept.length >= count) return kept;
  const all: Entry[] = [];
  for await (const { items } of pagesOf('entries', { job: jobId })) all.push(...entriesAmong(items));
  return all;
}

const opening = new Map<string, Promise<void>>();

async function openThem(
  client: QueryClient,
  ids: readonly string[],
  device: Device,
  onProgress: (done: number) => void,
): Promise<void> {
  const found: { readonly jobId: string; readonly entries: readonly Entry[] }[] = [];
  try {
    for (const jobId of ids) {
      const job = oldJobs.current().get(jobId);
      if (job) found.push({ jobId, entries: await logOf(job, device) });
      onProgress(found.length);
    }
  } finally {
    // In one go: what is worked out from the log is worked out once. What was had before one failed is had.
    addEntries(
      client,
      found.flatMap(({ entries }) => entries),
      'from nothing',
    );
    const rest = new Map(oldJobs.current());
    found.forEach(({ jobId }) => rest.delete(jobId));
    oldJobs.set(rest);
    // Looked at by somebody, it opens with the page from now on, until it is old again. A full device keeps it as it was.
    for (const { jobId, entries } of found) await device.openJob(jobId, entries).catch(() => undefined);
  }
}

/**
 * Brings the whole log of old jobs into the page. Asked for twice at once it is brought once.
 * @param onProgress how many of them are there
 */
export async function openJobs(
  client: QueryClient,
  ids: readonly string[],
  device: Device = pageDevice,
  onProgress: (done: number) => void = () => undefined,
): Promise<void> {
  const wanted = ids.filter((id) => oldJobs.current().has(id));
  const fresh = wanted.filter((id) => !opening.has(id));
  if (fresh.length > 0) {
    const work = openThem(client, fresh, device, onProgress).finally(() =>
      fresh.forEach((id) => opening.delete(id)),
    );
    fresh.forEach((id) => opening.set(id, work));
  }
  await Promise.all(wanted.flatMap((id) => opening.get(id) ?? []));
}

/** The job of an entry that only the server has; nothing where it has none. */
export async function jobOfEntry(id: string): Promise<string | undefined> {
  try {
    return ((await call('GET', `/api/entries/${id}`)) as Entry).jobId ?? undefined;
  } catch (error) {
    if (error instanceof Refused) return undefined;
    throw error;
  }
}

/** Ids that were asked for in vain. */
const unknown = new Set<string>();

/**
 * Old jobs that entries have to do with which came after what is known of them: they are not old any more.
 * @param list the log of the page
 */
async function touchedBy(entries: readonly Entry[], list: readonly Entry[]): Promise<ReadonlySet<string>> {
  const old = oldJobs.current();
  const touched = new Set<string>();
  const ofSurface = new Map(
    [...old.values()].flatMap(({ jobId, surfaces }) => surfaces.map((id) => [id, jobId] as const)),
  );
  const ids = entryIdsOf(list);
  for (const { jobId, surfaceId, replaces, createdAt } of entries) {
    const job = jobId === null ? undefined : old.get(jobId);
    if (job) {
      if (Date.parse(createdAt) > Date.parse(job.last)) touched.add(job.jobId);
      continue;
    }
    const other = surfaceId === null ? undefined : ofSurface.get(surfaceId);
    if (other !== undefined) touched.add(other);
    if (replaces === null || ids.has(replaces) || unknown.has(replaces)) continue;
    const replaced = await jobOfEntry(replaces);
    if (replaced !== undefined && old.has(replaced)) touched.add(replaced);
    else unknown.add(replaces);
  }
  return touched;
}

/**
 * Opens the old jobs that entries have to do with: what is known of those jobs was from before them. It throws where one cannot be
 * had; asked again it is tried again.
 */
export async function openTouched(
  client: QueryClient,
  entries: readonly Entry[],
  device: Device = pageDevice,
): Promise<void> {
  if (oldJobs.current().size === 0 || entries.length === 0) return;
  const list = client.getQueryData<readonly Entry[]>(keys.list('entries')) ?? [];
  await openJobs(client, [...(await touchedBy(entries, list))], device);
}

/** How many entries there are of each job. */
function countByJob(entries: readonly Entry[]): ReadonlyMap<string | null, number> {
  const counts = new Map<string | null, number>();
  for (const { jobId } of entries) counts.set(jobId, (counts.get(jobId) ?? 0) + 1);
  return counts;
}

/** Those of old jobs whose log is not all among some entries. */
export function notAllAmong(jobs: readonly OldJob[], entries: readonly Entry[]): readonly OldJob[] {
  const counts = countByJob(entries);
  return jobs.filter((job) => (counts.get(job.jobId) ?? 0) < job.entries);
}

/** How many entries of old jobs are not in a list. */
export function entriesElsewhere(entries: readonly Entry[], old: OldJobs): number {
  if (old.size === 0) return 0;
  const counts = countByJob(entries);
  return [...old.values()].reduce((sum, job) => sum + job.entries - (counts.get(job.jobId) ?? 0), 0);
}
