import {
  purchaseFor,
  quantileOf,
  waterfall,
  type ContainerAim,
  type Money,
  type PaintDistribution,
  type Purchase,
  type Risk,
} from '@fine-spray/core/quantities';
import type { CoatingOrder } from './orders';

/** One coating of a buy list: what the job wants, how sure that is, and what to buy. */
export interface Buying {
  readonly order: CoatingOrder;
  /** What it likely takes, m³: the same on the job's screen, on paper and in files. */
  readonly likely: number;
  readonly distribution: PaintDistribution;
  readonly purchase: Purchase;
}

/** Draws of every distribution; the same seed, so that the same job buys the same on a screen and on paper. */
export const PURCHASE_DRAWS = { draws: 20_000, seed: 1 } as const;

/** What a coating likely takes over a whole job, m³: each thing it depends on as it likely is. */
export const likelyPaint = (order: CoatingOrder): number => waterfall(order).total;

/** What to buy of each coating at a risk, the largest first; coatings that were not drawn are left out. */
export function buyingsFor(
  orders: readonly CoatingOrder[],
  distributions: readonly PaintDistribution[],
  risk: Risk,
  aim: ContainerAim,
): readonly Buying[] {
  const drawn = new Map(distributions.map((one) => [one.id, one]));
  return orders
    .flatMap((order): Buying[] => {
      const distribution = drawn.get(order.id);
      if (!distribution) return [];
      const purchase = purchaseFor(order, distribution, risk, order.onSale, aim);
      return [{ order, likely: likelyPaint(order), distribution, purchase }];
    })
    .sort((one, other) => other.distribution.mean - one.distribution.mean);
}

/** What the paint of a coating costs, from its tenth lowest in a hundred to nineteen in twenty; null where a container has no price. */
export function paintCost({ likely, distribution, purchase }: Buying): Money | null {
  const { cost, bought } = purchase;
  if (cost === null || bought === 0) return null;
  // What is likely used, by the litre as it is bought: the rest goes back or is there for the next job.
  const each = cost / bought;
  const at = (share: number) => each * quantileOf(distribution.sorted, share);
  const used = Math.min(cost, each * likely);
  return { low: Math.min(used, at(0.1)), likely: used, high: Math.max(cost, at(0.95)) };
}
