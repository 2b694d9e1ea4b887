import type { Coating as CoreCoating } from '@fine-spray/core/coating';
import {
  coreCoatings,
  entriesInForce,
  ownedTips,
  type Entry,
  type Job,
  type Surface,
} from '@fine-spray/contract';
import { LogFold, logNames, type LogNames, type OldJobs } from '@fine-spray/contract/log';
import type { InSteps } from '@fine-spray/core/steps';
import type { JobsOfPaint, OwnedTip, SiteRecord } from '@fine-spray/core/record';
import { planHistoryInSteps, type Kit } from '@fine-spray/contract/planning';
import { useQueryClient } from '@tanstack/react-query';
import { useMemo } from 'react';
import { readableInSteps } from './entries';
import { useKit } from './kit';
import { useLog } from './log';
import { useAllSurfaces, useList } from './resources';

const NONE: readonly Surface[] = [];

const RECORDS = new WeakMap<readonly Entry[], { readonly old: OldJobs; readonly record: SiteRecord }>();

/** What was read of the log before: it goes on from there. */
const fold = new LogFold();

/** The log put in order once for all who ask, old jobs by what they leave. */
export function recordOf(entries: readonly Entry[], old: OldJobs): SiteRecord {
  const known = RECORDS.get(entries);
  if (known?.old === old) return known.record;
  const record = fold.record(entries, old);
  RECORDS.set(entries, { old, record });
  return record;
}

/** Reads a log ahead in steps: whether each entry can be read, in which order they hold, what each job's say, and what plans learn of them. */
export function* logInSteps(entries: readonly Entry[], old: OldJobs): InSteps<void> {
  yield* readableInSteps(entries);
  entriesInForce(entries);
  yield* fold.inSteps(entries, old);
  yield;
  const record = recordOf(entries, old);
  yield;
  yield* planHistoryInSteps(record);
}

/** Coatings of the kit as the core takes them, by id. */
export const coatingsOf = ({ coatings }: Pick<Kit, 'coatings'>): Readonly<Record<string, CoreCoating>> =>
  coreCoatings(coatings);

/** Tips of the kit as the core takes them. */
export const tipsOf = ({ tips }: Pick<Kit, 'tips'>): readonly OwnedTip[] => ownedTips(tips);

/** Whose paint it is, by the jobs and surfaces there are now. */
export function jobsOfPaint({ jobs, surfaces }: Pick<SiteLog, 'jobs' | 'surfaces'>): JobsOfPaint {
  const ids = new Set(jobs.map(({ id }) => id));
  const ofSurface = new Map(surfaces.map(({ id, jobId }) => [id, jobId]));
  return { isJob: (job) => ids.has(job), jobOfSurface: (surface) => ofSurface.get(surface) };
}

/** Everything the screens of the log stand on: entries, what they are called, jobs with their surfaces, and the kit. */
export interface SiteLog {
  readonly entries: readonly Entry[];
  /** Jobs of whose entries only those are here that count in others. */
  readonly old: OldJobs;
  readonly record: SiteRecord;
  readonly names: LogNames;
  readonly jobs: readonly Job[];
  readonly surfaces: readonly Surface[];
  /** Whether the surfaces of every job are here, or cannot be had: one that is missing before may still come. */
  readonly complete: boolean;
  readonly kit: Kit;
  /** Whether all of the log is here, or those stored last to begin with. */
  readonly whole: boolean;
}

/** The log with its names, or what stands in the way. What of a job is not here yet is called by what it is. */
export function useSiteLog(how: 'whole' | 'as it comes' = 'whole'): {
  readonly log?: SiteLog;
  readonly failed: Error | undefined;
  readonly retry: () => void;
} {
  const client = useQueryClient();
  const surfaces = useAllSurfaces();
  const { entries, old, failed: noLog, loading, whole } = useLog(how);
  const jobs = useList('jobs');
  const { kit, failed: noKit, retry } = useKit();
  const log = useMemo((): SiteLog | undefined => {
    if (!jobs.data || !kit || loading) return undefined;
    const names = logNames({
      jobs: jobs.data,
      surfaces: surfaces.data ?? NONE,
      coatings: kit.coatings,
      tips: kit.tips,
      sprayers: kit.sprayers,
    });
    return {
      entries,
      old,
      // Worked out by who looks at it: the journal does not.
      get record() {
        return recordOf(entries, old);
      },
      names,
      jobs: jobs.data,
      surfaces: surfaces.data ?? NONE,
      complete: !surfaces.isPending,
      whole,
      kit,
    };
  }, [entries, old, jobs.data, kit, loading, whole, surfaces.data, surfaces.isPending]);
  const again = () => {
    retry();
    void client.refetchQueries();
  };
  return {
    ...(log ? { log } : {}),
    failed: log ? undefined : (noLog ?? noKit ?? jobs.error ?? undefined),
    retry: again,
  };
}
