import type { TipSet } from '@fine-spray/core';
import { useEffect, useState } from 'react';
import { runWorker, type StartWorker } from '@/data/worker';
import type { TipSetOrder } from '@/workers/tipSet.worker';

const startWorker: StartWorker = () =>
  new Worker(new URL('../../workers/tipSet.worker', window.location.href));

/**
 * The tips of a job, worked out in a worker; while other wishes are worked out the set of before stands.
 * @returns nothing before the first answer; `failed` where this device gave none
 */
export function useTipSet(
  { surfaces, job, kit, wish }: TipSetOrder,
  start: StartWorker = startWorker,
): { set: TipSet | undefined; working: boolean; failed: boolean } {
  const [set, setSet] = useState<TipSet>();
  const [working, setWorking] = useState(true);
  const [failed, setFailed] = useState(false);
  useEffect(() => {
    setWorking(true);
    setFailed(false);
    const order: TipSetOrder = { surfaces, job, kit, wish };
    const take = (report: TipSet) => {
      setSet(report);
      setWorking(false);
    };
    return runWorker(start, order, take, () => {
      setFailed(true);
      setWorking(false);
    });
  }, [surfaces, job, kit, wish, start]);
  return { set, working, failed };
}
