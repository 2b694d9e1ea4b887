import { likelyPaint, type CoatingOrder } from '@fine-spray/contract/planning';

export interface CoatingTotal {
  readonly name: string;
  /** m³ */
  readonly paint: number;
  readonly surfaces: number;
}

/** Likely paint by coating over a whole job, largest first. */
export const coatingTotals = (orders: readonly CoatingOrder[]): readonly CoatingTotal[] =>
  orders
    .map((order) => ({ name: order.name, paint: likelyPaint(order), surfaces: order.surfaces.length }))
    .sort((a, b) => b.paint - a.paint);
