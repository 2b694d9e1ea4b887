import type { SiteLog } from '@/data/record';
import { useKept } from '@/data/kept';
import type { Job, Surface } from '@fine-spray/contract';

/** Where one is working: a job and one of its surfaces, as chosen last on this device. */
export interface WorkPlace {
  readonly jobId: string | null;
  readonly surfaceId: string | null;
}

const isId = (value: unknown): value is string | null => value === null || typeof value === 'string';

function readPlace(stored: unknown): WorkPlace | undefined {
  const { jobId, surfaceId } = (stored ?? {}) as Partial<WorkPlace>;
  return isId(jobId) && isId(surfaceId) ? { jobId, surfaceId } : undefined;
}

/** The place as it is there: what was deleted since is no place any more. */
export interface KnownPlace {
  readonly job: Job | undefined;
  readonly surface: Surface | undefined;
}

/** Which wall first, then where it is: on a narrow screen the end is what is cut off. */
export const placeWords = ({ job, surface }: KnownPlace): string =>
  [surface?.name, surface?.room, job?.name].filter(Boolean).join(' · ');

export function knownPlace(
  { jobs, surfaces }: Pick<SiteLog, 'jobs' | 'surfaces'>,
  place: WorkPlace,
): KnownPlace {
  const surface = surfaces.find(({ id }) => id === place.surfaceId);
  const job = jobs.find(({ id }) => id === (surface?.jobId ?? place.jobId));
  return { job, surface };
}

/** Where the last entry on a surface was made; else the first job in progress. */
export function usualPlace({
  entries,
  jobs,
  surfaces,
}: Pick<SiteLog, 'entries' | 'jobs' | 'surfaces'>): WorkPlace {
  const known = new Set(surfaces.map(({ id }) => id));
  let last: { at: string; jobId: string | null; surfaceId: string | null } | undefined;
  for (const entry of entries) {
    if (entry.surfaceId !== null && known.has(entry.surfaceId) && (!last || entry.at > last.at)) last = entry;
  }
  if (last) return { jobId: last.jobId, surfaceId: last.surfaceId };
  const job = jobs.find(({ status }) => status === 'in progress') ?? jobs[0];
  return { jobId: job?.id ?? null, surfaceId: null };
}

/** The place one works at, kept on this device; what a link names comes before it. */
export function useWorkPlace(linked: Partial<WorkPlace> = {}) {
  const [kept, keep, full] = useKept<WorkPlace | undefined>('work place', readPlace, undefined);
  const named = linked.surfaceId !== undefined || linked.jobId !== undefined;
  const place = named ? { jobId: linked.jobId ?? null, surfaceId: linked.surfaceId ?? null } : kept;
  return { place, keep, full };
}
