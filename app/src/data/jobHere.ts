import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useState, useSyncExternalStore } from 'react';
import { jobOfEntry, oldJobs, openJobs } from './oldJobs';

/** Whether the log of something is here. */
export interface Here {
  readonly here: boolean;
  /** Why it cannot be had now. */
  readonly failed: Error | undefined;
  readonly retry: () => void;
}

/** Has something brought as long as it is not here; tried again when somebody says so. */
function useBrought(here: boolean, name: string | undefined, bring: () => Promise<void>): Here {
  const [failed, setFailed] = useState<{ readonly name: string | undefined; readonly error: Error }>();
  const [tries, setTries] = useState(0);
  useEffect(() => {
    if (here) return undefined;
    let left = false;
    bring().catch((error: unknown) => {
      if (!left) setFailed({ name, error: error instanceof Error ? error : new Error(String(error)) });
    });
    return () => {
      left = true;
    };
  }, [here, name, bring, tries]);
  const retry = useCallback(() => {
    setFailed(undefined);
    setTries((count) => count + 1);
  }, []);
  return { here, failed: here || failed?.name !== name ? undefined : failed?.error, retry };
}

/** Brings the whole log of jobs that somebody looks at; that of a job which is not old is here already. */
export function useJobsHere(ids: readonly string[]): Here {
  const client = useQueryClient();
  const old = useSyncExternalStore(oldJobs.subscribe, oldJobs.current, oldJobs.current);
  const here = !ids.some((id) => old.has(id));
  const name = ids.join(' ');
  const bring = useCallback(() => openJobs(client, name === '' ? [] : name.split(' ')), [client, name]);
  return useBrought(here, name, bring);
}

export const useJobHere = (jobId: string | undefined): Here =>
  useJobsHere(jobId === undefined ? [] : [jobId]);

/**
 * Brings the log of the job of an entry that is not in this page, by a link to it.
 * @param found whether it is here
 */
export function useEntryHere(id: string, found: boolean): Here {
  const client = useQueryClient();
  const old = useSyncExternalStore(oldJobs.subscribe, oldJobs.current, oldJobs.current);
  const [asked, setAsked] = useState<string>();
  const here = found || old.size === 0 || asked === id;
  const bring = useCallback(async () => {
    const jobId = await jobOfEntry(id);
    if (jobId !== undefined) await openJobs(client, [jobId]);
    setAsked(id);
  }, [client, id]);
  return useBrought(here, id, bring);
}
