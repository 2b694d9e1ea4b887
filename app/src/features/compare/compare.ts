import type { CompanyBook } from '@fine-spray/contract';
import { buyingsFor, type CoatingOrder } from '@fine-spray/contract/planning';
import {
  TASKS,
  quantileOf,
  systemFilm,
  systemWaiting,
  sprayingTime,
  type Layer,
  type PaintDistribution,
} from '@fine-spray/core';

/** What one way of coating some surfaces comes to, to stand beside another. SI. */
export interface Comparison {
  /** Paint of all its coatings: likely, and what 19 times in 20 is enough for each. */
  readonly likely: number;
  readonly sure: number;
  /** Containers enough 4 times in 5, for the least money; null where one has no price. */
  readonly paintCost: number | null;
  /** Spraying, s; null until it is worked out. */
  readonly spraying: number | null;
  /** Hours at the company's price; null where it has none. */
  readonly labour: number | null;
  readonly waiting: number;
  readonly dryFilm: number;
}

/** Puts a way of coating into the numbers it is compared by. */
export function comparisonOf(
  orders: readonly CoatingOrder[],
  distributions: readonly PaintDistribution[],
  trigger: number | undefined,
  layers: readonly Layer[],
  book: Pick<CompanyBook, 'hour'>,
): Comparison {
  let [likely, sure] = [0, 0];
  let paintCost: number | null = 0;
  for (const { distribution, purchase } of buyingsFor(orders, distributions, 'P80', 'cost')) {
    const { cost } = purchase;
    likely += distribution.mean;
    sure += quantileOf(distribution.sorted, 0.95);
    paintCost = paintCost === null || cost === null ? null : paintCost + cost;
  }
  const spraying = trigger === undefined ? null : sprayingTime(trigger);
  return {
    likely,
    sure,
    paintCost,
    spraying,
    labour: spraying === null || book.hour === null ? null : (spraying / 3600) * book.hour,
    waiting: systemWaiting(layers).value,
    dryFilm: systemFilm(layers).value,
  };
}

/** Names of what is compared, in the order they are shown. */
export const COMPARED = {
  likely: 'Paint, likely',
  sure: 'Paint, 19 times in 20',
  paintCost: 'Containers cost',
  spraying: TASKS.spraying,
  labour: 'Its hours cost',
  waiting: 'Waiting at 23 °C',
  dryFilm: 'Dry film in all',
} as const satisfies Record<keyof Comparison, string>;
