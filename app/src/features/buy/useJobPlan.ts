import { USUAL_BOOK, type CompanyBook, type Surface } from '@fine-spray/contract';
import {
  TASKS,
  archetypeOf,
  changesOf,
  consumablesFor,
  daysOf,
  jobCost,
  protectionOf,
  waterfall,
  workOf,
  type Consumable,
  type Explained,
  type JobCost,
  type Money,
  type Task,
} from '@fine-spray/core';
import { useMemo } from 'react';
import type { CoatingOrder } from '@/data/orders';
import { useCompany } from '@/data/resources';

/** What is bought of one coating, as far as its cost goes. */
export interface Bought {
  readonly order: CoatingOrder;
  readonly tips: number;
  readonly cost: Money | null;
}

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

/** Hours, consumables and cost of a job at the company's rates; undefined until its trigger time is known. */
export function useJobPlan(
  surfaces: readonly Surface[],
  bought: readonly Bought[],
  trigger: number | undefined,
): JobPlan | undefined {
  const { data: company } = useCompany();
  return useMemo(() => {
    if (trigger === undefined) return undefined;
    const book = company?.book ?? USUAL_BOOK;
    const protection = protectionOf(surfaces);
    const bases = bought.map(({ order }) => archetypeOf(order.coating.archetype).base);
    // A room is moved into once for each coating that is sprayed in it.
    const roomOf = new Map(surfaces.map(({ id, room }) => [id, room]));
    const moves = new Set(
      bought.flatMap(({ order }) => order.surfaces.map(({ id }) => `${order.id} ${roomOf.get(id) ?? ''}`)),
    );
    const work = { trigger, protection, moves: moves.size, ...changesOf(bases) };
    const first = workOf({ ...work, days: 0 }, book.rates);
    const days = daysOf(
      BEFORE_DAYS.reduce((sum, task) => sum + first[task].value, 0),
      book.people,
    );
    const hours = workOf({ ...work, days }, book.rates);
    const paint = bought.reduce((sum, { order }) => sum + waterfall(order).total, 0);
    const tips = bought.reduce((sum, one) => sum + one.tips, 0);
    const consumables = consumablesFor({ protection, paint, coatings: bought.length, days, tips });
    const cost = jobCost({
      paint: bought.map(({ order, cost: paid }) => ({ name: order.name, cost: paid })),
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
  }, [surfaces, bought, trigger, company]);
}
