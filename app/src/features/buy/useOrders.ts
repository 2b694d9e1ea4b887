import { useEffect, useState } from 'react';
import { runWorker, type StartWorker } from '@/data/worker';
import type { JobOrders, JobToOrder } from '@/workers/orders.worker';

const startWorker: StartWorker = () =>
  new Worker(new URL('../../workers/orders.worker', window.location.href));

interface Known {
  readonly of: JobToOrder;
  readonly orders: JobOrders;
}

/** What was worked out for surfaces as they are stored: who comes back to a job has its orders at once. */
const worked = new WeakMap<JobToOrder['surfaces'], Known>();

function knownOf({ surfaces, job, kit }: JobToOrder): Known | undefined {
  const known = worked.get(surfaces);
  return known?.of.job === job && known.of.kit === kit ? known : undefined;
}

/**
 * What a job wants of each coating, worked out in a worker: every layer takes a search. While a change is worked out the orders of
 * before stand.
 * @returns nothing before the first answer; `failed` where this device gave none
 */
export function useOrders(
  { surfaces, job, kit }: JobToOrder,
  start: StartWorker = startWorker,
): { orders: JobOrders | undefined; failed: boolean } {
  const [known, setKnown] = useState(() => knownOf({ surfaces, job, kit }));
  const [failed, setFailed] = useState(false);
  useEffect(() => {
    const of = { surfaces, job, kit };
    setFailed(false);
    const already = knownOf(of);
    if (already) {
      setKnown(already);
      return undefined;
    }
    const take = (orders: JobOrders) => {
      const found = { of, orders };
      worked.set(surfaces, found);
      setKnown(found);
    };
    return runWorker(start, of, take, () => setFailed(true));
  }, [surfaces, job, kit, start]);
  return { orders: known?.of.job.id === job.id ? known.orders : undefined, failed };
}
