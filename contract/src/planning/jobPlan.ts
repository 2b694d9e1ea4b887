import { archetypeOf } from '@fine-spray/core/coating';
import type { Explained } from '@fine-spray/core/explain';
import {
  NEVER_COUNTED,
  TASKS,
  WORKING_DAY,
  changesOf,
  coatingInputs,
  consumablesFor,
  coveringOf,
  jobCost,
  likelySprayed,
  parted,
  preparingOf,
  priceOf,
  tipWear,
  workOf,
  workWithDays,
  type Consumable,
  type CoveredPlace,
  type JobCost,
  type JobHours,
  type JobPrice,
  type Money,
  type WorkedSurface,
} from '@fine-spray/core/quantities';
import { systemWaiting, type Layer } from '@fine-spray/core/system';
import { ratesOf, type CompanyBook } from '../book';
import type { Job, Surface } from '../job';
import { paintCost, type Buying } from './buying';
import type { Kit } from './kit';
import { coreLayers, layersOf } from './layers';
import { triggerTimeOf } from './orders';

/** Hours, consumables and cost of a job at the company's rates. */
export interface JobPlan {
  readonly book: CompanyBook;
  readonly hours: JobHours;
  readonly consumables: Readonly<Record<Consumable, Explained>>;
  readonly cost: JobCost;
  readonly days: number;
  /** Waiting between the coats of the surface that waits longest: other rooms are sprayed meanwhile, this one is not. */
  readonly waiting: Explained | undefined;
  /** All hours together, s. */
  readonly time: Money;
  /** What no hours are in it for, in words. */
  readonly notCounted: readonly string[];
}

/** What a plan of a job is worked out from, besides its paint. */
export interface PlannedWork {
  readonly surfaces: readonly Surface[];
  readonly places: readonly CoveredPlace[];
  readonly job: Pick<Job, 'empty'>;
  readonly coatings: Kit['coatings'];
  readonly buyings: readonly Buying[];
  /** With the trigger open for all coats, s. */
  readonly trigger: number;
  readonly book: CompanyBook;
}

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

/** A surface as its work goes: with the coats of all its layers that cover it. */
const workedSurface = (surface: Surface): WorkedSurface => ({
  ...surface,
  coats: layersOf(surface).reduce((sum, { role, coats }) => (role === 'spot prime' ? sum : sum + coats), 0),
});

/** Coats for which the machine is moved into a room: those of each coating, where its surfaces have most. */
function movesOf(buyings: readonly Buying[], surfaces: readonly Surface[]): number {
  const roomOf = new Map(surfaces.map(({ id, room }) => [id, room]));
  const coats = new Map<string, number>();
  for (const { order } of buyings)
    for (const { id, surface } of order.surfaces) {
      const key = `${order.id} ${roomOf.get(id) ?? ''}`;
      coats.set(key, Math.max(coats.get(key) ?? 0, surface.coats));
    }
  return [...coats.values()].reduce((sum, one) => sum + one, 0);
}

/** What there is to do on some surfaces. */
function workOn({ surfaces, places, job, buyings, trigger, book }: PlannedWork) {
  return {
    trigger,
    protection: coveringOf(surfaces, places),
    surfaces: preparingOf(surfaces.map(workedSurface), book.openingsOffLabour),
    moves: movesOf(buyings, surfaces),
    ...changesOf(buyings.map(({ order }) => archetypeOf(order.coating.archetype).base)),
    inUse: !job.empty,
    people: book.people,
  };
}

/** What is done in one room: its surfaces, what of the paint is for them, and what was measured there. */
function inRoom(work: PlannedWork, room: string): PlannedWork {
  const surfaces = work.surfaces.filter((surface) => surface.room === room);
  const ids = new Set(surfaces.map(({ id }) => id));
  const places = new Set(surfaces.map(({ placeId }) => placeId));
  const buyings = work.buyings.flatMap((buying) => {
    const own = buying.order.surfaces.filter(({ id }) => ids.has(id));
    return own.length > 0 ? [{ ...buying, order: { ...buying.order, surfaces: own } }] : [];
  });
  return {
    ...work,
    surfaces,
    buyings,
    places: work.places.filter(({ id }) => places.has(id)),
    trigger: triggerTimeOf(buyings.map(({ order }) => order)),
  };
}

/** How much of the cost of a job a room is: its share of the paint, and its hours without those that come again each day. */
function weightOf(work: PlannedWork, room: string): number {
  const own = inRoom(work, room);
  const hours = Object.values(workOf({ ...workOn(own), days: 0 }, ratesOf(work.book), work.book.notCounted));
  const labour = hours.reduce((sum, { value }) => sum + value, 0) * ((work.book.hour ?? 0) / 3600);
  const sprayed = ({ order }: Buying) => order.surfaces.reduce((sum, one) => sum + likelySprayed(one), 0);
  const paint = own.buyings.reduce((sum, buying) => {
    const whole = work.buyings.find(({ order }) => order.id === buying.order.id);
    const cost = whole ? paintCost(whole) : null;
    return whole && cost ? sum + (cost.likely * sprayed(buying)) / sprayed(whole) : sum;
  }, 0);
  return labour + paint;
}

/** The price of a job, and the rooms it is made of: together the price to the last coin. */
export function priceFor(
  work: PlannedWork,
  { cost, book }: JobPlan,
): { readonly price: JobPrice; readonly rooms: readonly { readonly room: string; readonly net: number }[] } {
  const price = priceOf(cost.total, book.terms, book.currency);
  const rooms = [...new Set(work.surfaces.map(({ room }) => room))];
  const nets = parted(
    price.net,
    rooms.map((room) => weightOf(work, room)),
    book.currency,
  );
  return { price, rooms: rooms.map((room, index) => ({ room, net: nets[index] ?? 0 })) };
}

/** Hours, consumables and cost of a job, from what is bought for it and its time with the trigger open. */
export function jobPlan(planned: PlannedWork): JobPlan {
  const { surfaces, coatings, buyings, book } = planned;
  const work = workOn(planned);
  const { hours, days } = workWithDays(work, ratesOf(book), book.notCounted);
  const paint = buyings.reduce((sum, { likely }) => sum + likely, 0);
  const tips = tipWear(
    buyings.map(({ order, likely }) => ({ name: order.name, likely, life: coatingInputs(order).life })),
  );
  const consumables = consumablesFor({
    protection: work.protection,
    paint,
    coatings: buyings.length,
    days,
    tips,
  });
  const cost = jobCost({
    paint: buyings.map((buying) => ({ name: buying.order.name, cost: paintCost(buying) })),
    consumables,
    hours,
    paidTime: book.wholeDays ? days * book.people * WORKING_DAY : undefined,
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
    notCounted: [...book.notCounted.map((task) => TASKS[task].toLowerCase()), ...NEVER_COUNTED],
  };
}
