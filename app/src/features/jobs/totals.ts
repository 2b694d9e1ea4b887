import type { Job, Surface } from '@fine-spray/contract';
import { likelyPaint, ordersFor, type Kit } from '@fine-spray/contract/planning';

export interface CoatingTotal {
  readonly name: string;
  /** m³ */
  readonly paint: number;
  readonly surfaces: number;
}

/** Likely paint by coating over a whole job, largest first; surfaces that are refused are left out and counted. */
export function coatingTotals(
  surfaces: readonly Surface[],
  job: Job,
  kit: Kit,
): { totals: CoatingTotal[]; refused: number } {
  const { orders, refused } = ordersFor(surfaces, job, kit);
  const totals = orders.map((order) => ({
    name: order.name,
    paint: likelyPaint(order),
    surfaces: order.surfaces.length,
  }));
  return { totals: totals.sort((a, b) => b.paint - a.paint), refused };
}
