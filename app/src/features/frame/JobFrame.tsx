import type { Href } from 'expo-router';
import type { Job, Surface } from '@fine-spray/contract';
import type { Kit } from '@fine-spray/contract/planning';
import type { ReactNode } from 'react';
import { whyFailed } from '@/data/api';
import { useJob } from '@/data/job';
import { Screen } from '@/ui/screen';
import { ErrorState } from '@/ui/states';

/** A job with all that its screens are worked out from. */
export interface LoadedJob {
  readonly job: Job;
  readonly surfaces: readonly Surface[];
  readonly kit: Kit;
}

/** What stands on a job: shown once the job is there, and until then what is waited for or in the way. */
export function JobFrame({
  jobId,
  title,
  backTo,
  waiting,
  children,
}: {
  jobId: string;
  /** Of the screen while there is no job to show. */
  title: string;
  backTo: Href;
  waiting: ReactNode;
  children: (loaded: LoadedJob) => ReactNode;
}) {
  const { job, surfaces, kit, missing, error, retry } = useJob(jobId);
  if (job && surfaces && kit) return children({ job, surfaces, kit });
  return (
    <Screen title={missing ? 'Not here' : title} backTo={missing ? '/' : backTo}>
      {missing ? (
        <ErrorState title="There is no such job" text="It may have been deleted. Go back to the jobs." />
      ) : null}
      {error ? (
        <ErrorState
          title="This job cannot be shown now"
          text={`${whyFailed(error)} What is stored is kept on the server.`}
          onRetry={retry}
        />
      ) : null}
      {missing || error ? null : waiting}
    </Screen>
  );
}
