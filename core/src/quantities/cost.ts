import type { Explained } from '../explain';
import { UNITS } from '../units';
import { CONSUMABLES, CONSUMABLE_IDS, type Consumable } from './consumables';
import { TASK_IDS, type JobHours } from './work';

/** What a company pays: for an hour of one person and for what is used up, per m, m², piece or litre; null: not known. */
export interface CostBook {
  readonly hour: number | null;
  readonly prices: Readonly<Record<Consumable, number | null>>;
}

/** Money with its range. */
export interface Money {
  readonly low: number;
  readonly likely: number;
  readonly high: number;
}

/** Something without a price, by the part of the cost it is missing in. */
export interface Unpriced {
  readonly part: 'paint' | 'consumables' | 'labour';
  readonly name: string;
}

export interface JobCost {
  readonly paint: Money;
  readonly consumables: Money;
  readonly labour: Money;
  readonly total: Money;
  /** What has no price and is not in it. */
  readonly missing: readonly Unpriced[];
}

export interface CostRequest {
  /** Paint of each coating as bought; null where a container has no price. */
  readonly paint: readonly { readonly name: string; readonly cost: Money | null }[];
  readonly consumables: Readonly<Record<Consumable, Explained>>;
  readonly hours: JobHours;
  /** Hours that are paid whatever is worked, s: whole days of the crew. */
  readonly paidTime?: number | undefined;
  readonly book: CostBook;
}

const NOTHING: Money = { low: 0, likely: 0, high: 0 };
const plus = (a: Money, b: Money): Money => ({
  low: a.low + b.low,
  likely: a.likely + b.likely,
  high: a.high + b.high,
});
const priced = ({ low, value, high }: Explained, each: number): Money => ({
  low: low * each,
  likely: value * each,
  high: high * each,
});

/** What hours cost; whole days of a crew cost what they cost, and more where more is worked. */
function labourOf(hours: JobHours, each: number, paidTime: number | undefined): Money {
  const worked = TASK_IDS.flatMap((task) => hours[task] ?? []).reduce(
    (sum, one) => plus(sum, priced(one, each)),
    NOTHING,
  );
  if (paidTime === undefined) return worked;
  const paid = paidTime * each;
  return { low: Math.min(worked.low, paid), likely: paid, high: Math.max(worked.high, paid) };
}

/**
 * What a job costs at the company's own prices. Ranges are added end to end: paint, hours and consumables of a job are off
 * the same way when its areas are. What has no price is left out and named.
 */
export function jobCost({ paint, consumables, hours, paidTime, book }: CostRequest): JobCost {
  const missing: Unpriced[] = [];
  const paintCost = paint.reduce((sum, { name, cost }) => {
    if (!cost) missing.push({ part: 'paint', name });
    return cost ? plus(sum, cost) : sum;
  }, NOTHING);
  const used = CONSUMABLE_IDS.reduce((sum, id) => {
    const each = book.prices[id];
    if (each === null) {
      if (consumables[id].value > 0) missing.push({ part: 'consumables', name: CONSUMABLES[id].name });
      return sum;
    }
    return plus(sum, priced(consumables[id], id === 'lubricant' ? each / UNITS.L.factor : each));
  }, NOTHING);
  const { hour } = book;
  if (hour === null) missing.push({ part: 'labour', name: 'Hours' });
  const labour = hour === null ? NOTHING : labourOf(hours, hour / UNITS.h.factor, paidTime);
  return {
    paint: paintCost,
    consumables: used,
    labour,
    total: plus(plus(paintCost, used), labour),
    missing,
  };
}
