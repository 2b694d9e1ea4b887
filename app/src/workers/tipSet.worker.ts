import type { Job, Surface } from '@fine-spray/contract';
import { layerKey, layersOf, requestFor, workId, type Kit } from '@fine-spray/contract/planning';
import { tipSetFor, tipsOn, type TipSet, type TipWish } from '@fine-spray/core';

/** The surfaces of a job with their layers, and what its crew wants of their tips. */
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

/** The smallest set of tips for all layers of a job. */
export function tipSetOf({ surfaces, job, kit, wish }: TipSetOrder): TipSet {
  const requests = surfaces.flatMap((surface) => {
    const layers = layersOf(surface);
    return layers.map((layer, index) => ({
      id: workId(surface.id, layerKey(layers, index)),
      paint: layer.coatingId,
      request: requestFor(surface, job, kit, layer),
    }));
  });
  const rack = requests.find(({ request }) => request)?.request?.rack ?? [];
  return tipSetFor(
    requests.map(({ request, ...work }) => ({ ...work, tips: request ? tipsOn(request) : [] })),
    { ...wish, rack },
  );
}

worker.onmessage = ({ data }) => worker.postMessage(tipSetOf(data));
