import { PURCHASE_DRAWS, type CoatingOrder } from '@fine-spray/contract/planning';
import type { PaintDistribution } from '@fine-spray/core';
import { useEffect, useState } from 'react';
import { runWorker, type StartWorker } from '@/data/worker';
import type { PurchaseOrder, PurchaseReport } from '@/workers/purchase.worker';

export type PurchaseState =
  | { readonly kind: 'working' }
  | {
      readonly kind: 'done';
      /** What was drawn for: the numbers belong to these, not to what has come since. */
      readonly orders: readonly CoatingOrder[];
      readonly distributions: readonly PaintDistribution[];
    }
  | { readonly kind: 'refused'; readonly message: string };

const startWorker: StartWorker = () =>
  new Worker(new URL('../../workers/purchase.worker', window.location.href));

/** What the paint of a job may come to, drawn in a worker. New orders end the run before. */
export function usePurchase(
  orders: readonly CoatingOrder[],
  start: StartWorker = startWorker,
): { state: PurchaseState; again: () => void } {
  const [state, setState] = useState<PurchaseState>({ kind: 'working' });
  const [run, setRun] = useState(0);
  useEffect(() => {
    if (orders.length === 0) return undefined;
    const order: PurchaseOrder = { demands: orders, ...PURCHASE_DRAWS };
    const take = (report: PurchaseReport) => {
      if (report.kind === 'done') {
        setState({ kind: 'done', orders, distributions: report.distributions });
      } else {
        setState({ kind: 'refused', message: report.refusal.message });
      }
    };
    return runWorker(start, order, take, () =>
      setState({ kind: 'refused', message: 'The quantities could not be drawn on this device.' }),
    );
  }, [orders, run, start]);
  const again = () => {
    setState({ kind: 'working' });
    setRun((count) => count + 1);
  };
  return { state, again };
}
