import type { CoatingOrder } from '@fine-spray/contract/planning';
import { jobModel, paintDistributions, type PaintDistribution, type Refusal } from '@fine-spray/core';

/** What the screen sends, and what comes back. Stopping is ending the worker. */
export interface PurchaseOrder {
  readonly demands: readonly CoatingOrder[];
  readonly draws: number;
  readonly seed: number;
}
export type PurchaseReport =
  | { readonly kind: 'done'; readonly distributions: readonly PaintDistribution[] }
  | { readonly kind: 'refused'; readonly refusal: Refusal };

const worker = globalThis as unknown as {
  onmessage: ((event: { data: PurchaseOrder }) => void) | null;
  postMessage: (report: PurchaseReport, transfer?: Transferable[]) => void;
};

worker.onmessage = ({ data: { demands, draws, seed } }) => {
  const result = paintDistributions(jobModel(demands), { draws, seed });
  if (!result.ok) {
    worker.postMessage({ kind: 'refused', refusal: result });
    return;
  }
  worker.postMessage(
    { kind: 'done', distributions: result.value },
    result.value.map(({ sorted }) => sorted.buffer),
  );
};
