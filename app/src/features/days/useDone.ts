import type { Job, Surface } from '@fine-spray/contract';
import { plannedCoats, type DoneCoat } from '@fine-spray/contract/planning';
import { comparePlan } from '@fine-spray/core';
import { useMemo } from 'react';
import { localDay } from '@/data/day';
import { useJobHere } from '@/data/jobHere';
import { jobsOfPaint, tipsOf, useSiteLog } from '@/data/record';

const MINUTE = 60_000;

/** Coats of a job that its log has as done, minutes from a midnight; nothing until the log is here. Where it cannot be had, none. */
export function useDone(
  job: Job,
  surfaces: readonly Surface[],
  first: Date,
): readonly DoneCoat[] | undefined {
  const { log, failed } = useSiteLog();
  const { here, failed: away } = useJobHere(job.id);
  const midnight = first.getTime();
  return useMemo(() => {
    if (failed || away) return [];
    if (!log || !here) return undefined;
    const planned = plannedCoats(surfaces, job, log.kit);
    const compared = comparePlan(planned, log.record, tipsOf(log.kit), job.id, jobsOfPaint(log), localDay);
    return compared
      .flatMap(({ coats }) => coats)
      .flatMap(({ planned: { surface, coating, coat }, state, actual }): DoneCoat[] =>
        state === 'done' && actual?.finished
          ? [{ surface, coating, coat, at: Math.round((actual.finished.at - midnight) / MINUTE) }]
          : [],
      );
  }, [log, here, failed, away, surfaces, job, midnight]);
}
