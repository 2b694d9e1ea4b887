import {
  sprayingTime,
  type CoatingDemand,
  type ContainerOnSale,
  type JobSurface,
} from '@fine-spray/core/quantities';
import { netAreaOf, setupCard, type SetupRequest } from '@fine-spray/core/setup';
import type { Job, Surface } from '../job';
import type { Kit } from './kit';
import { layersOf, requestFor } from './layers';

/** A surface of a job with everything its set-up stands on; spots are a share of it. */
export interface OrderedSurface extends JobSurface {
  readonly surface: SetupRequest;
  readonly share: number;
  /** Time with the trigger open for all its coats, s, by its set-up card; none where no tip works. */
  readonly triggerTime: number;
}

/** What a job wants of one coating, with the sizes it is sold in. */
export interface CoatingOrder extends CoatingDemand {
  readonly name: string;
  readonly surfaces: readonly OrderedSurface[];
  /** What it is sold in. */
  readonly onSale: readonly ContainerOnSale[];
}

/**
 * What a job wants of each coating, in the order its surfaces come; surfaces that are refused are counted. Takes a search for
 * every layer: on a screen it is asked of a worker.
 */
export function ordersFor(
  surfaces: readonly Surface[],
  job: Job,
  kit: Kit,
): { orders: CoatingOrder[]; refused: number } {
  const orders = new Map<string, CoatingOrder & { surfaces: OrderedSurface[] }>();
  let refused = 0;
  for (const surface of surfaces) {
    const layers = layersOf(surface).map((layer) => {
      const request = requestFor(surface, job, kit, layer);
      const netArea = request ? netAreaOf(request) : undefined;
      return request && netArea?.ok ? { layer, request, netArea: netArea.value } : undefined;
    });
    if (layers.includes(undefined)) refused += 1;
    for (const entry of layers) {
      if (!entry) continue;
      const { layer, request, netArea } = entry;
      const { coating, hoses } = request;
      const onSale = kit.coatings.find(({ id }) => id === layer.coatingId)?.containers ?? [];
      const order = orders.get(layer.coatingId) ?? {
        id: layer.coatingId,
        name: coating.name,
        coating,
        hoses,
        onSale,
        fills: 1,
        surfaces: [],
      };
      const card = setupCard(request);
      const candidate = card.ok ? card.value.tip.candidate : undefined;
      order.surfaces.push({
        id: surface.id,
        surface: request,
        netArea,
        share: layer.share,
        over: candidate?.over,
        triggerTime: candidate?.triggerTime ?? 0,
      });
      orders.set(layer.coatingId, order);
    }
  }
  return {
    orders: [...orders.values()].map((order) => ({ ...order, fills: fillsFor(triggerTimeOf([order])) })),
    refused,
  };
}

/** Spraying of one coating in a day, s, until there is a plan of days: then the line is cleaned, and filled anew. Judgement. */
const SPRAYED_A_DAY = 4 * 3600;

/** How often hose and pump are filled with a coating that is sprayed so long: once a day of it. */
const fillsFor = (trigger: number): number => Math.max(1, Math.ceil(sprayingTime(trigger) / SPRAYED_A_DAY));

/** Time with the trigger open for all coats of all surfaces, by their set-up cards, s. */
export const triggerTimeOf = (orders: readonly CoatingOrder[]): number =>
  orders.flatMap(({ surfaces }) => surfaces).reduce((sum, { triggerTime }) => sum + triggerTime, 0);
