import { USUAL_BOOK, type ScheduleFields } from '@fine-spray/contract';
import { PRICED_AT, askedBy, type JobToWorkOut, type PlanMode } from '@fine-spray/contract/planning';
import { useMemo } from 'react';
import { useCompany, usePlaces } from '@/data/resources';
import type { StartWorker } from '@/data/worker';
import type { LoadedJob } from '@/features/frame';
import { midnightOf } from './schedule';
import { useDays } from './useDays';
import { useSiteState } from './useSiteState';

/** Orders tried where a plan is looked for: a second or two on a phone. */
export const TRIES = 600;

/** All a job is planned from; nothing until it is here. */
export function useWholeJob({ job, surfaces, kit }: LoadedJob): JobToWorkOut | undefined {
  const { data: company } = useCompany();
  const { data: places } = usePlaces(job.id);
  return useMemo(
    () =>
      company && places
        ? { ...{ job, surfaces, kit, places, book: company.book ?? USUAL_BOOK }, ...PRICED_AT }
        : undefined,
    [company, places, job, surfaces, kit],
  );
}

/**
 * The days of a job as they are planned by how it is asked, its log and the time: worked out in a worker.
 * @param others whether other ways are looked at, too
 */
export function useFollowed(
  loaded: LoadedJob,
  fields: ScheduleFields,
  now: Date,
  { mode, others, startWorker }: { mode: PlanMode; others: boolean; startWorker?: StartWorker | undefined },
) {
  const whole = useWholeJob(loaded);
  const midnight = midnightOf(fields).getTime();
  const site = useSiteState(
    loaded.job,
    loaded.surfaces,
    useMemo(() => new Date(midnight), [midnight]),
  );
  const asked = useMemo(
    () => site && askedBy(fields, site, now, { mode, tries: TRIES }),
    [site, fields, now, mode],
  );
  const found = useDays(whole, asked, others, startWorker);
  return { ...found, asked, site };
}
