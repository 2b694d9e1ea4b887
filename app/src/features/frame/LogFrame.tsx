import { useState, type ReactNode } from 'react';
import type { Job } from '@fine-spray/contract';
import type { OldJobs } from '@fine-spray/contract/log';
import { whyFailed } from '@/data/api';
import { useJobsHere, type Here } from '@/data/jobHere';
import { useSiteLog, type SiteLog } from '@/data/record';
import { Choice } from '@/ui/choice';
import { Screen, type HeaderProps } from '@/ui/screen';
import { ErrorState, Skeleton } from '@/ui/states';

/** What stands on the site log: shown once the log is there, and until then what is waited for or in the way. */
export function LogFrame({
  children,
  broad = false,
  ...header
}: HeaderProps & { broad?: boolean; children: (log: SiteLog) => ReactNode }) {
  const { log, failed, retry } = useSiteLog();
  return (
    <Screen broad={broad} {...header}>
      {log ? children(log) : null}
      {failed ? (
        <ErrorState
          title="The log cannot be read now"
          text={`${whyFailed(failed)} This device has not seen the log yet.`}
          onRetry={retry}
        />
      ) : null}
      {!log && !failed ? <Skeleton rows={4} height={110} /> : null}
    </Screen>
  );
}

/** The log of a job is being brought, or cannot be had. */
export function BringingJob({ failed, retry }: Pick<Here, 'failed' | 'retry'>) {
  return failed ? (
    <ErrorState
      title="The log of this job is not on this device"
      text={`Nobody has written for it in a while, so it stays on the server until it is looked at. ${whyFailed(failed)}`}
      onRetry={retry}
    />
  ) : (
    <Skeleton rows={4} height={110} />
  );
}

const NO_JOB = 'none';

/** Old jobs that were deleted. */
export const goneAmong = (old: OldJobs, jobs: readonly Job[]): readonly string[] =>
  [...old.keys()].filter((id) => !jobs.some((job) => job.id === id));

/**
 * A job to look at: the one asked for, else the first in progress; how to choose another; and what stands in its place until its
 * log is here.
 */
export function useChosenJob(
  { jobs, old }: Pick<SiteLog, 'jobs' | 'old'>,
  asked: string | undefined,
  /** What belongs to no job is called, where there is any. */
  none?: string,
) {
  const [chosen, setChosen] = useState(
    () => asked ?? (jobs.find(({ status }) => status === 'in progress') ?? jobs[0])?.id ?? '',
  );
  const job: Job | undefined = jobs.find(({ id }) => id === chosen);
  const isNone = chosen === NO_JOB;
  const wanted = isNone ? goneAmong(old, jobs) : job ? [job.id] : [];
  const { here, failed, retry } = useJobsHere(wanted);
  const options = [
    ...jobs.map(({ id, name }) => ({ value: id, label: name })),
    ...(none === undefined ? [] : [{ value: NO_JOB, label: none }]),
  ];
  const choice =
    options.length > 1 ? <Choice label="Job" value={chosen} options={options} onChange={setChosen} /> : null;
  const wait = here ? undefined : <BringingJob failed={failed} retry={retry} />;
  return { job, choice, wait, isNone };
}
