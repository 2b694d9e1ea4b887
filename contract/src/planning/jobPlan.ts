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
  siteLines,
  priceOf,
  tipWear,
  workOf,
  workWithDays,
  type Consumable,
  type CoveredPlace,
  type JobCost,
  type JobHours,
  type JobPrice,
  type LearnedTimes,
  type SiteLine,
  type Money,
  type WorkedSurface,
} from '@fine-spray/core/quantities';
import { addTo } from '@fine-spray/core/grouping';
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
  readonly job: Pick<Job, 'empty'> & Partial<Pick<Job, 'ways'>>;
  /** All hose of the job's line, m; nothing where that is not known. */
  readonly hose?: number | undefined;
  readonly coatings: Kit['coatings'];
  readonly buyings: readonly Buying[];
  /** With the trigger open for all coats, s. */
  readonly trigger: number;
  readonly book: CompanyBook;
  /** What the log says of how long work takes, where plans are to stand on it. */
  readonly times?: LearnedTimes | undefined;
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
export function workOn({ surfaces, places, job, buyings, trigger, book }: PlannedWork) {
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

/** What is done on some surfaces of a job: what of the paint is for them, and what was measured where they are. */
export function partOf(work: PlannedWork, surfaces: readonly Surface[]): PlannedWork {
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

const sprayed = ({ order }: Buying) => order.surfaces.reduce((sum, one) => sum + likelySprayed(one), 0);

/** Hours on some surfaces of a job by task, without those that come again each day. */
export function hoursOn(work: PlannedWork, surfaces: readonly Surface[]): JobHours {
  const { book, times } = work;
  return workOf({ ...workOn(partOf(work, surfaces)), days: 0 }, ratesOf(book), book.notCounted, times);
}

/** A room with what is done there before the first coat. */
export interface RoomToPrepare {
  readonly room: string;
  readonly surfaces: readonly Surface[];
  readonly lines: readonly SiteLine[];
}

/** What a job's rooms and elevations take before they are sprayed: by the counts and the state of each, at the company's rates or its log's. */
export function roomsToPrepare(work: Omit<PlannedWork, 'buyings' | 'trigger'>): readonly RoomToPrepare[] {
  const whole = { ...work, buyings: [], trigger: 0 };
  const rooms = new Map<string, Surface[]>();
  for (const surface of work.surfaces) addTo(rooms, surface.room, surface);
  return [...rooms].map(([room, surfaces]) => ({
    room,
    surfaces,
    lines: siteLines(workOn(partOf(whole, surfaces)), ratesOf(work.book), work.times),
  }));
}

/** What some surfaces cost of a job: their share of the paint, and their hours without those that come again each day. */
function ownCost(work: PlannedWork, surfaces: readonly Surface[]): Money {
  const own = partOf(work, surfaces);
  const hours = Object.values(hoursOn(work, surfaces));
  const each = (work.book.hour ?? 0) / 3600;
  const labour = (part: 'low' | 'value' | 'high') => each * hours.reduce((sum, hour) => sum + hour[part], 0);
  const paint = own.buyings.map((buying) => {
    const whole = work.buyings.find(({ order }) => order.id === buying.order.id);
    const cost = whole && paintCost(whole);
    return { cost, share: whole ? sprayed(buying) / sprayed(whole) : 0 };
  });
  const ofPaint = (part: keyof Money) =>
    paint.reduce((sum, { cost, share }) => sum + (cost ? cost[part] * share : 0), 0);
  return {
    low: labour('low') + ofPaint('low'),
    likely: labour('value') + ofPaint('likely'),
    high: labour('high') + ofPaint('high'),
  };
}

/** A part of a price: what is asked for it, and what would be at either end of what it may cost. */
export interface PricedPart {
  readonly net: number;
  readonly range: Money;
}
export interface PricedSurface extends PricedPart {
  readonly id: string;
  readonly name: string;
}
export interface PricedRoom extends PricedPart {
  readonly room: string;
  readonly surfaces: readonly PricedSurface[];
}

/** An amount parted by what its parts cost, to the last coin, each with the range that its own cost has. */
function partedByCost(amount: number, costs: readonly Money[], currency: string): readonly PricedPart[] {
  const nets = parted(
    amount,
    costs.map(({ likely }) => likely),
    currency,
    true,
  );
  return costs.map(({ low, likely, high }, index) => {
    const net = nets[index] ?? 0;
    const at = (end: number) => (likely > 0 ? (net * end) / likely : net);
    return { net, range: { low: at(low), likely: net, high: at(high) } };
  });
}

/** The price of a job, the rooms it is made of, and their surfaces: each together what they are parts of, to the last coin. */
export function priceFor(
  work: PlannedWork,
  { cost, book }: JobPlan,
): { readonly price: JobPrice; readonly rooms: readonly PricedRoom[] } {
  const price = priceOf(cost.total, book.terms, book.currency);
  const byRoom = new Map<string, Surface[]>();
  for (const surface of work.surfaces) addTo(byRoom, surface.room, surface);
  const all = [...byRoom];
  const costs = all.map(([, surfaces]) => ownCost(work, surfaces));
  const parts = partedByCost(price.net, costs, book.currency);
  const rooms = all.map(([room, surfaces], index): PricedRoom => {
    const { net, range } = parts[index] ?? { net: 0, range: { low: 0, likely: 0, high: 0 } };
    const own = partedByCost(
      net,
      surfaces.map((one) => ownCost(work, [one])),
      book.currency,
    );
    return {
      room,
      net,
      range,
      surfaces: surfaces.flatMap(({ id, name }, at) => {
        const part = own[at];
        return part ? [{ id, name, ...part }] : [];
      }),
    };
  });
  return { price, rooms };
}

/** Hours, consumables and cost of a job, from what is bought for it and its time with the trigger open. */
export function jobPlan(planned: PlannedWork): JobPlan {
  const { surfaces, coatings, buyings, book } = planned;
  const work = workOn(planned);
  const { hours, days } = workWithDays(work, ratesOf(book), book.notCounted, planned.times);
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
