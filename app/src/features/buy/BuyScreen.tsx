import { ordersFor } from '@fine-spray/contract/planning';
import { counted } from '@fine-spray/core';
import { useMemo } from 'react';
import { JobFrame, type LoadedJob } from '@/features/frame';
import { Screen } from '@/ui/screen';
import { EmptyState, Skeleton } from '@/ui/states';
import { Words } from '@/ui/text';
import { BuyList } from './BuyList';

const TITLE = 'Buy list';

/** What to buy for a job. */
export function BuyScreen({ jobId }: { jobId: string }) {
  return (
    <JobFrame
      jobId={jobId}
      title={TITLE}
      backTo={`/jobs/${jobId}`}
      waiting={<Skeleton rows={4} height={190} />}
    >
      {(loaded) => <Buying {...loaded} />}
    </JobFrame>
  );
}

function Buying({ job, surfaces, kit }: LoadedJob) {
  const { orders, refused } = useMemo(() => ordersFor(surfaces, job, kit), [surfaces, job, kit]);
  return (
    <Screen title={TITLE} above={job.name} backTo={`/jobs/${job.id}`}>
      {refused > 0 ? (
        <Words colour="caution" weight="semi">
          {`${counted(refused, 'surface is', 'surfaces are')} left out: look at them in the job.`}
        </Words>
      ) : null}
      {orders.length > 0 ? (
        <BuyList job={job} orders={orders} surfaces={surfaces} coatings={kit.coatings} />
      ) : (
        <EmptyState
          title="Nothing to buy yet"
          text="Add surfaces to the job: what they need is listed here."
        />
      )}
    </Screen>
  );
}
