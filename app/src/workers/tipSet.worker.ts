import type { Job, Surface } from '@fine-spray/contract';
import { requestFor, type Kit } from '@fine-spray/contract/planning';
import { tipSetFor, tipsOn, type TipSet, type TipWish } from '@fine-spray/core';

/** The finishes of a job, and what its crew wants of their tips. */
export interface TipSetOrder {
  readonly surfaces: readonly Surface[];
  readonly job: Job;
  readonly kit: Kit;
  readonly wish: Omit<TipWish, 'rack'>;
}

const worker = globalThis as unknown as {
  onmessage: ((event: { data: TipSetOrder }) => void) | null;
  postMessage: (report: TipSet) => void;
};

/** The smallest set of tips for the finishes of a job. */
export function tipSetOf({ surfaces, job, kit, wish }: TipSetOrder): TipSet {
  const requests = surfaces.map((surface) => ({ id: surface.id, request: requestFor(surface, job, kit) }));
  const rack = requests.find(({ request }) => request)?.request?.rack ?? [];
  return tipSetFor(
    requests.map(({ id, request }) => ({ id, tips: request ? tipsOn(request) : [] })),
    { ...wish, rack },
  );
}

worker.onmessage = ({ data }) => worker.postMessage(tipSetOf(data));
