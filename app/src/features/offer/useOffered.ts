import type { OfferOption } from '@fine-spray/contract';
import type { JobToOffer, Offered } from '@fine-spray/contract/planning';
import { useEffect, useState } from 'react';
import { runWorker, type StartWorker } from '@/data/worker';
import type { OfferOrder } from '@/workers/offer.worker';

const startWorker: StartWorker = () =>
  new Worker(new URL('../../workers/offer.worker', window.location.href));

const FAILED: Offered = { ok: false, message: 'The price could not be worked out on this device.' };

/**
 * What a draft comes to, worked out in a worker: the job once as it is and once for each option.
 * @param job nothing while it is not all there
 * @returns nothing before the first answer; `stale` while a change is worked out and the figures of before stand
 */
export function useOffered(
  job: JobToOffer | undefined,
  options: readonly OfferOption[],
  start: StartWorker = startWorker,
): { readonly offered: Offered | undefined; readonly stale: boolean } {
  const [answer, setAnswer] = useState<{ readonly of: string; readonly offered: Offered }>();
  // What an option is called costs nothing.
  const priced = JSON.stringify(options.map(({ name: _name, notWith: _not, ...rest }) => rest));
  useEffect(() => {
    if (!job) return undefined;
    const order: OfferOrder = { job, options };
    const take = (offered: Offered) => setAnswer({ of: priced, offered });
    return runWorker(start, order, take, () => take(FAILED));
    // eslint-disable-next-line react-hooks/exhaustive-deps -- by what is priced of the options
  }, [job, priced, start]);
  return { offered: answer?.offered, stale: answer?.of !== priced };
}
