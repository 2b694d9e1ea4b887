import { archetypeOf } from '@fine-spray/core/coating';
import type { Explained } from '@fine-spray/core/explain';
import {
  TASKS,
  changesOf,
  coatingInputs,
  consumablesFor,
  daysOf,
  jobCost,
  coveringOf,
  tipWear,
  workOf,
  type Consumable,
  type JobCost,
  type Money,
  type Task,
} from '@fine-spray/core/quantities';
import { systemWaiting, type Layer } from '@fine-spray/core/system';
import type { CompanyBook } from '../book';
import type { Surface } from '../job';
import { paintCost, type Buying } from './buying';
import type { Kit } from './kit';
import { coreLayers } from './layers';

/** Hours, consumables and cost of a job at the company's rates. */
export interface JobPlan {
  readonly book: CompanyBook;
  readonly hours: Readonly<Record<Task, Explained>>;
  readonly consumables: Readonly<Record<Consumable, Explained>>;
  readonly cost: JobCost;
  readonly days: number;
  /** Waiting between the coats of the surface that waits longest: other rooms are sprayed meanwhile, this one is not. */
  readonly waiting: Explained | undefined;
  /** All hours together, s. */
  readonly time: Money;
}

/** Tasks whose length does not hang on the number of days. */
const BEFORE_DAYS = (Object.keys(TASKS) as Task[]).filter((task) => task !== 'cleaning');

/** The longest waiting among the systems of some surfaces; systems that come again are looked at once. */
function longestWaiting(surfaces: readonly Surface[], coatings: Kit['coatings']): Explained | undefined {
  const found = new Map<string, readonly Layer[]>();
  for (const surface of surfaces) {
    const layers = coreLayers(surface, coatings);
    const key = layers.map(({ coating, coats }) => `${coats} ${coating.name}`).join(', ');
    if (layers.length > 0) found.set(key, layers);
  }
  return [...found.values()]
    .map(systemWaiting)
    .reduce<Explained | undefined>((most, one) => (most && most.value >= one.value ? most : one), undefined);
}

/** Hours, consumables and cost of a job, from what is bought for it and its time with the trigger open, s. */
export function jobPlan(
  surfaces: readonly Surface[],
  coatings: Kit['coatings'],
  buyings: readonly Buying[],
  trigger: number,
  book: CompanyBook,
): JobPlan {
  const protection = coveringOf(surfaces);
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
  const paint = buyings.reduce((sum, { likely }) => sum + likely, 0);
  const tips = tipWear(
    buyings.map(({ order, likely }) => ({ name: order.name, likely, life: coatingInputs(order).life })),
  );
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
    waiting: longestWaiting(surfaces, coatings),
    time: { low: sum('low'), likely: sum('value'), high: sum('high') },
  };
}
