import type { Job, Surface } from '@fine-spray/contract';
import { siteState, type SiteState } from '@fine-spray/contract/planning';
import { useMemo } from 'react';
import { localDay } from '@/data/day';
import { useJobHere } from '@/data/jobHere';
import { jobsOfPaint, tipsOf, useSiteLog } from '@/data/record';

const NOTHING: SiteState = { done: [], steps: [], thin: [], closed: [] };

/** Where a job stands by its log; nothing until the log is here. Where it cannot be had, nothing is done. */
export function useSiteState(
  job: Job,
  surfaces: readonly Surface[],
  first: Date,
  now?: Date,
): SiteState | undefined {
  const { log, failed } = useSiteLog();
  const { here, failed: away } = useJobHere(job.id);
  const midnight = first.getTime();
  const at = now?.getTime();
  return useMemo(() => {
    if (failed || away) return NOTHING;
    if (!log || !here) return undefined;
    const { entries, record, kit } = log;
    const read = {
      entries,
      record,
      kit,
      tips: tipsOf(kit),
      jobsOfPaint: jobsOfPaint(log),
      dayOf: localDay,
      now: at,
    };
    return siteState(read, job, surfaces, new Date(midnight));
  }, [log, here, failed, away, surfaces, job, midnight, at]);
}
