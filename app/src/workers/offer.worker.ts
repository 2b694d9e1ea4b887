import type { OfferOption } from '@fine-spray/contract';
import { offeredFor, type JobToOffer, type Offered } from '@fine-spray/contract/planning';

/** A job to price, with the options it is offered with. */
export interface OfferOrder {
  readonly job: JobToOffer;
  readonly options: readonly OfferOption[];
}

const worker = globalThis as unknown as {
  onmessage: ((event: { data: OfferOrder }) => void) | null;
  postMessage: (report: Offered) => void;
};

worker.onmessage = ({ data: { job, options } }) =>
  worker.postMessage(offeredFor(job, { options: [...options] }));
