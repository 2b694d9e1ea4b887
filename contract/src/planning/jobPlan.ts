import { archetypeOf } from '@fine-spray/core/coating';
import type { Explained } from '@fine-spray/core/explain';
import {
  TASKS,
  changesOf,
  consumablesFor,
  daysOf,
  jobCost,
  protectionOf,
  waterfall,
  workOf,
  type Consumable,
  type JobCost,
  type Money,
  type Task,
} from '@fine-spray/core/quantities';
import type { CompanyBook } from '../book';
import type { Surface } from '../job';
import { paintCost, type Buying } from './buying';

/** Hours, consumables and cost of a job at the company's rates. */
export interface JobPlan {
  readonly book: CompanyBook;
  readonly hours: Readonly<Record<Task, Explained>>;
  readonly consumables: Readonly<Record<Consumable, Explained>>;
  readonly cost: JobCost;
  readonly days: number;
  /** All hours together, s. */
  readonly time: Money;
}

/** Tasks whose length does not hang on the number of days. */
const BEFORE_DAYS = (Object.keys(TASKS) as Task[]).filter((task) => task !== 'cleaning');

/** Hours, consumables and cost of a job, from what is bought for it and its time with the trigger open, s. */
export function jobPlan(
  surfaces: readonly Surface[],
  buyings: readonly Buying[],
  trigger: number,
  book: CompanyBook,
): JobPlan {
  const protection = protectionOf(surfaces);
  const bases = buyings.map(({ order }) => archetypeOf(order.coating.archetype).base);
  // A room is moved into once for each coating that is sprayed in it.
  const roomOf = new Map(surfaces.map(({ id, room }) => [id, room]));
  const moves = new Set(
    buyings.flatMap(({ order }) => order.surfaces.map(({ id }) => `${order.id} ${roomOf.get(id) ?? ''}`)),
  );
  const work = { trigger, protection, moves: moves.size, ...changesOf(bases) };
  const first = workOf({ ...work, days: 0 }, book.rates);
  const days = daysOf(
    BEFORE_DAYS.reduce((sum, task) => sum + first[task].value, 0),
    book.people,
  );
  const hours = workOf({ ...work, days }, book.rates);
  const paint = buyings.reduce((sum, { order }) => sum + waterfall(order).total, 0);
  const tips = buyings.reduce((sum, { purchase }) => sum + purchase.tips, 0);
  const consumables = consumablesFor({ protection, paint, coatings: buyings.length, days, tips });
  const cost = jobCost({
    paint: buyings.map((buying) => ({ name: buying.order.name, cost: paintCost(buying) })),
    consumables,
    hours,
    book,
  });
  const all = Object.values(hours);
  const sum = (part: 'low' | 'value' | 'high') => all.reduce((total, one) => total + one[part], 0);
  return {
    book,
    hours,
    consumables,
    cost,
    days,
    time: { low: sum('low'), likely: sum('value'), high: sum('high') },
  };
}
