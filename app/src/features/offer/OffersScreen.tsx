import { USUAL_BOOK, type Job, type Offer, type OfferFields } from '@fine-spray/contract';
import { totalsOf } from '@fine-spray/contract/planning';
import { exactMoney } from '@fine-spray/core';
import { useRouter } from 'expo-router';
import Plus from 'lucide-react-native/icons/plus';
import { Pressable, View } from 'react-native';
import { whyFailed } from '@/data/api';
import { useMay } from '@/data/may';
import { newId } from '@/data/newId';
import { useCompany, useOffers, useWrites } from '@/data/resources';
import { JobFrame } from '@/features/frame';
import { Button } from '@/ui/button';
import { useOneTap } from '@/ui/oneTap';
import { Screen } from '@/ui/screen';
import { EmptyState, ErrorState, Skeleton } from '@/ui/states';
import { Words } from '@/ui/text';
import { useToast } from '@/ui/toast';
import { newOffer, nextNumber } from './newOffer';
import { latestFirst, offerName, standsText } from './words';

const TITLE = 'Offers';

/** Said in the place of offers to who has nothing to do with money. */
export const ForOwners = () => (
  <EmptyState title="Offers are for owners" text="What is asked for a job is seen by who answers for it." />
);

/** The offers of a job, the latest first. */
export function OffersScreen({ jobId }: { jobId: string }) {
  const mayPrice = useMay('money');
  return (
    <JobFrame
      jobId={jobId}
      title={TITLE}
      backTo={`/jobs/${jobId}`}
      waiting={<Skeleton rows={3} height={120} />}
    >
      {({ job }) => (
        <Screen title={TITLE} above={job.name} backTo={`/jobs/${jobId}/buy`}>
          {mayPrice ? <Offers job={job} /> : <ForOwners />}
        </Screen>
      )}
    </JobFrame>
  );
}

/** Stores a new offer and opens it; two taps make one. */
export function useMakeOffer(jobId: string) {
  const { put } = useWrites('offers');
  const router = useRouter();
  const toast = useToast();
  return useOneTap(async (make: () => Promise<OfferFields>) => {
    const id = newId();
    try {
      await put({ id, content: { ...(await make()), version: 0 } });
      router.navigate(`/jobs/${jobId}/offers/${id}`);
    } catch (error) {
      toast({ text: `Not made: ${whyFailed(error)}` });
    }
  });
}

function Offers({ job }: { job: Job }) {
  const { data: offers, error, refetch } = useOffers(job.id);
  const { data: company } = useCompany();
  const make = useMakeOffer(job.id);
  if (!offers)
    return error ? (
      <ErrorState
        title="The offers cannot be shown now"
        text={whyFailed(error)}
        onRetry={() => void refetch()}
      />
    ) : (
      <Skeleton rows={3} height={120} />
    );
  const book = company?.book ?? USUAL_BOOK;
  return (
    <>
      {offers.length === 0 ? (
        <EmptyState
          title="No offer yet"
          text="An offer has the price of the job, options, what is not in it and your terms, with a number of its own. It is worked out from the rooms and surfaces as they are now."
        />
      ) : null}
      {latestFirst(offers).map((offer) => (
        <OfferRow key={offer.id} offer={offer} all={offers} />
      ))}
      <Button
        label="Make an offer"
        kind={offers.length === 0 ? 'primary' : 'plain'}
        icon={Plus}
        disabled={!company}
        onPress={() => make(async () => newOffer(job.id, await nextNumber(offers), book))}
      />
    </>
  );
}

function OfferRow({ offer, all }: { offer: Offer; all: readonly Offer[] }) {
  const router = useRouter();
  const { figures } = offer;
  return (
    <Pressable
      role="button"
      onPress={() => router.navigate(`/jobs/${offer.jobId}/offers/${offer.id}`)}
      className="gap-1 rounded-2xl border border-rule bg-sheet p-4 hover:bg-identity-tint"
      testID="offer-row"
    >
      <View className="flex-row flex-wrap items-baseline gap-x-3">
        <Words weight="bold" size={18} className="min-w-[120px] flex-1">
          {offerName(offer)}
        </Words>
        {figures ? (
          <Words weight="digits-bold" size={22}>
            {exactMoney(totalsOf(offer, figures).net, figures.currency)}
          </Words>
        ) : null}
      </View>
      <Words colour="ink2">{standsText(offer, all, new Date())}</Words>
    </Pressable>
  );
}
