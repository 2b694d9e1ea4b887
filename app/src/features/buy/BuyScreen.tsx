import { counted } from '@fine-spray/core';
import { usePlaces } from '@/data/resources';
import { JobFrame, type LoadedJob } from '@/features/frame';
import { Screen } from '@/ui/screen';
import { EmptyState, ErrorState, Skeleton } from '@/ui/states';
import { Words } from '@/ui/text';
import { BuyList } from './BuyList';
import { useOrders } from './useOrders';

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
  const { orders: found, failed } = useOrders({ surfaces, job, kit });
  const { data: places } = usePlaces(job.id);
  const { orders = [], refused = 0 } = found ?? {};
  return (
    <Screen title={TITLE} above={job.name} backTo={`/jobs/${job.id}`}>
      {refused > 0 ? (
        <Words colour="caution" weight="semi">
          {`${counted(refused, 'surface is', 'surfaces are')} left out: look at them in the job.`}
        </Words>
      ) : null}
      {failed ? (
        <ErrorState title="No list" text="The set-ups could not be worked out on this device." />
      ) : null}
      {!found && !failed ? <Skeleton rows={4} height={190} /> : null}
      {orders.length > 0 ? (
        <BuyList job={job} orders={orders} surfaces={surfaces} places={places} kit={kit} />
      ) : null}
      {found && orders.length === 0 ? (
        <EmptyState
          title="Nothing to buy yet"
          text="Add surfaces to the job: what they need is listed here."
        />
      ) : null}
    </Screen>
  );
}
