import { useOffers } from '@/data/resources';
import { whyFailed } from '@/data/api';
import { useMay } from '@/data/may';
import { JobFrame, type LoadedJob } from '@/features/frame';
import { Screen } from '@/ui/screen';
import { ErrorState, Skeleton } from '@/ui/states';
import { DraftOffer } from './DraftOffer';
import { ForOwners } from './OffersScreen';
import { SentOffer } from './SentOffer';
import { offerName } from './words';

/** One offer: a draft to work on, or what was sent and how it was answered. */
export function OfferScreen({ jobId, offerId }: { jobId: string; offerId: string }) {
  const mayPrice = useMay('money');
  const backTo = `/jobs/${jobId}/offers` as const;
  return (
    <JobFrame jobId={jobId} title="Offer" backTo={backTo} waiting={<Skeleton rows={3} height={160} />}>
      {(loaded) =>
        mayPrice ? (
          <Found {...loaded} offerId={offerId} />
        ) : (
          <Screen title="Offer" above={loaded.job.name} backTo={backTo}>
            <ForOwners />
          </Screen>
        )
      }
    </JobFrame>
  );
}

function Found({ offerId, ...loaded }: LoadedJob & { offerId: string }) {
  const { job } = loaded;
  const { data: offers, error, refetch } = useOffers(job.id);
  const offer = offers?.find(({ id }) => id === offerId);
  const backTo = `/jobs/${job.id}/offers` as const;
  if (offers && offer) {
    const stand = { ...loaded, offer, all: offers };
    return (
      <Screen title={offerName(offer)} above={job.name} backTo={backTo}>
        {offer.state === 'draft' ? (
          <DraftOffer key={offer.id} {...stand} />
        ) : (
          <SentOffer key={offer.id} {...stand} />
        )}
      </Screen>
    );
  }
  return (
    <Screen title={offers ? 'Not here' : 'Offer'} above={job.name} backTo={backTo}>
      {offers ? (
        <ErrorState title="There is no such offer" text="It may have been deleted. Go back to the offers." />
      ) : error ? (
        <ErrorState
          title="The offer cannot be shown now"
          text={whyFailed(error)}
          onRetry={() => void refetch()}
        />
      ) : (
        <Skeleton rows={3} height={160} />
      )}
    </Screen>
  );
}
