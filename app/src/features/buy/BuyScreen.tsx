import { useMemo } from 'react';
import { useJob } from '@/data/job';
import { ordersFor } from '@/data/orders';
import { Screen } from '@/ui/screen';
import { EmptyState, ErrorState, Skeleton } from '@/ui/states';
import { Words } from '@/ui/text';
import { BuyList } from './BuyList';

/** What to buy for a job. */
export function BuyScreen({ jobId }: { jobId: string }) {
  const { job, surfaces, kit, missing, error, retry } = useJob(jobId);
  const found = useMemo(
    () => (job && surfaces && kit ? ordersFor(surfaces, job, kit) : undefined),
    [job, surfaces, kit],
  );
  return (
    <Screen title="Buy list" above={job?.name ?? 'Job'} backTo={`/jobs/${jobId}`}>
      {missing ? (
        <ErrorState title="There is no such job" text="It may have been deleted. Go back to the jobs." />
      ) : null}
      {error ? (
        <ErrorState
          title="This job cannot be shown now"
          text="The Fine Spray server does not answer. What is stored is kept there."
          onRetry={retry}
        />
      ) : null}
      {found || missing || error ? null : <Skeleton rows={4} height={190} />}
      {found && found.refused > 0 ? (
        <Words colour="caution" weight="semi">
          {`${found.refused} ${found.refused === 1 ? 'surface is' : 'surfaces are'} left out: look at them in the job.`}
        </Words>
      ) : null}
      {found && found.orders.length > 0 ? <BuyList orders={found.orders} /> : null}
      {found && found.orders.length === 0 ? (
        <EmptyState
          title="Nothing to buy yet"
          text="Add surfaces to the job: what they need is listed here."
        />
      ) : null}
    </Screen>
  );
}
