import { UNITS, of, type Volume } from '../units';

export interface ContainerCount {
  readonly size: number;
  readonly count: number;
}

/** A container one can buy: its size, m³, and what it costs in the company's money. */
export interface ContainerOffer {
  readonly size: number;
  readonly price: number;
}

/** What containers are chosen for first: little bought that is not needed, or little paid. */
export const CONTAINER_AIMS = ['cost', 'left over'] as const;
export type ContainerAim = (typeof CONTAINER_AIMS)[number];

/**
 * Grains the exact search may count in: a hundredth of a litre, and a US fluid ounce (a quart has 32, a gallon 128). Sizes that are whole
 * in neither, or are sold in both, are counted in millilitres, each as the whole ones it holds: what is bought is never short.
 */
const GRAINS = [1e-5, UNITS['fl oz'].factor] as const;
const FINE_GRAIN = 1e-6;
/** So near a whole number of grains a size is that many: decimals that were typed. */
const WHOLE = 1e-6;

const isWhole = (size: number, grain: number): boolean =>
  Math.abs(size / grain - Math.round(size / grain)) <= WHOLE * Math.max(1, size / grain);

/** The grain in which all sizes are whole. */
const grainOf = (sizes: readonly number[]): number =>
  GRAINS.find((grain) => sizes.every((size) => isWhole(size, grain))) ?? FINE_GRAIN;
/** Above so many of the container that serves the aim best the bulk is bought in it and only the rest is searched. */
const BULK = 40;
/** Sums of prices nearer than this are the same. */
const SAME = 1e-9;

/**
 * Containers that hold a volume with the least bought, then with the fewest containers.
 * @param sizes container sizes in m³
 * @returns counts by size, largest first, without zeros
 */
export function containersFor(volume: Volume, sizes: readonly number[]): readonly ContainerCount[] {
  return packed(
    volume,
    sizes.map((size) => ({ size, price: size })),
  );
}

/**
 * Containers that hold a volume for the least money, then with the least left over, then with the fewest containers.
 * @param offers sizes with their prices, above 0
 * @returns counts by size, largest first, without zeros
 */
export function cheapestContainers(
  volume: Volume,
  offers: readonly ContainerOffer[],
): readonly ContainerCount[] {
  return packed(volume, offers);
}

/** Where nobody has put in prices, ten times the paint costs about seven times as much. Judgement. */
const PRICE_BY_SIZE = 0.85;

/** Containers as people buy them where no price is known: large ones are cheaper by the litre, and few lids are opened. */
export const usualContainers = (volume: Volume, sizes: readonly number[]): readonly ContainerCount[] =>
  packed(
    volume,
    sizes.map((size) => ({ size, price: size ** PRICE_BY_SIZE })),
  );

/** Containers of a purchase that stay shut when so much of it is left, the largest first: they go back to the shop. */
export function staysShut(containers: readonly ContainerCount[], left: number): readonly ContainerCount[] {
  let rest = left;
  return [...containers]
    .sort((a, b) => b.size - a.size)
    .flatMap(({ size, count }) => {
      const shut = Math.max(0, Math.min(count, Math.floor(rest / size + 1e-9)));
      rest -= shut * size;
      return shut > 0 ? [{ size, count: shut }] : [];
    });
}

/**
 * An unbounded knapsack solved exactly by dynamic programming over whole grains: least price, then least bought,
 * then fewest pieces. Above 40 of the container with the least price for its size the bulk is bought in it.
 */
function packed(volume: Volume, offers: readonly ContainerOffer[]): readonly ContainerCount[] {
  const known = cheapestOfEachSize(offers);
  const [largest] = known;
  if (largest === undefined || !(volume > 0)) return [];
  const dearness = ({ size, price }: ContainerOffer) => price / size;
  const best = known.reduce((least, one) => (dearness(one) < dearness(least) - SAME ? one : least));
  const bulk = Math.max(0, Math.floor(volume / best.size) - BULK);
  const grain = grainOf(known.map(({ size }) => size));
  const grains = known.map(({ size }) => Math.floor(size / grain + WHOLE));
  const need = Math.max(0, Math.ceil((volume - bulk * best.size) / grain - 1e-6));
  const end = need + (grains[0] ?? 0);
  const price = new Float64Array(end + 1).fill(Infinity);
  const pieces = new Float64Array(end + 1).fill(Infinity);
  const last = new Int32Array(end + 1).fill(-1);
  price[0] = 0;
  pieces[0] = 0;
  for (let amount = 1; amount <= end; amount += 1) {
    for (let index = 0; index < known.length; index += 1) {
      const before = amount - (grains[index] as number);
      if (before < 0 || price[before] === Infinity) continue;
      const cost = (price[before] as number) + (known[index] as ContainerOffer).price;
      const count = (pieces[before] as number) + 1;
      const least = price[amount] as number;
      if (cost < least - SAME || (cost < least + SAME && count < (pieces[amount] as number))) {
        price[amount] = cost;
        pieces[amount] = count;
        last[amount] = index;
      }
    }
  }
  let amount = end;
  for (let enough = end; enough >= need; enough -= 1) {
    if ((price[enough] as number) <= (price[amount] as number) + SAME) amount = enough;
  }
  const counts = known.map((one) => (one === best ? bulk : 0));
  while (amount > 0 && price[amount] !== Infinity) {
    const index = last[amount] ?? 0;
    counts[index] = (counts[index] ?? 0) + 1;
    amount -= grains[index] ?? amount;
  }
  return known
    .map(({ size }, index) => ({ size, count: counts[index] ?? 0 }))
    .filter(({ count }) => count > 0);
}

/** Nobody sells less paint than this, m³. */
const SMALLEST = 1e-5;

/** Each size once, at its least price, largest first; sizes nobody sells are left out. */
function cheapestOfEachSize(offers: readonly ContainerOffer[]): readonly ContainerOffer[] {
  const bySize = new Map<number, ContainerOffer>();
  for (const offer of offers) {
    const there = bySize.get(offer.size);
    if (offer.size >= SMALLEST && offer.price > 0 && (!there || offer.price < there.price))
      bySize.set(offer.size, offer);
  }
  return [...bySize.values()].sort((a, b) => b.size - a.size);
}

/** One pouring together of a boxing plan. */
export interface BoxingStep {
  /** Containers poured in, by size. */
  readonly pour: readonly number[];
  /** What is in the vessel afterwards, m³. */
  readonly mixed: number;
  /** What must stay in it before the next pouring, m³; 0 after the last. */
  readonly keep: number;
}

/** Share of the vessel that stays from one mix to the next, so that the colour goes over by steps. */
const CARRY = 1 / 3;

/** Vessel most crews box in, m³. */
export const BOXING_VESSEL = of(60, 'L');

/**
 * How to box (intermix) containers of one colour in a vessel: all together where they fit, else in mixes that each keep a
 * third of the vessel from the one before. Containers larger than the room left wait for the next mix.
 * @returns nothing to do for a single container; no step when one container does not fit into the vessel
 */
export function boxingPlan(containers: readonly ContainerCount[], vessel: Volume): readonly BoxingStep[] {
  const waiting = containers.flatMap(({ size, count }) => Array.from({ length: count }, () => size));
  if (waiting.length < 2 || waiting.some((size) => size > vessel * (1 - CARRY) + 1e-12)) return [];
  const steps: { pour: number[]; mixed: number; keep: number }[] = [];
  let kept = 0;
  while (waiting.length > 0) {
    const pour: number[] = [];
    let mixed = kept;
    for (let index = 0; index < waiting.length;) {
      const size = waiting[index] ?? 0;
      if (mixed + size > vessel + 1e-12) {
        index += 1;
        continue;
      }
      pour.push(size);
      mixed += size;
      waiting.splice(index, 1);
    }
    kept = waiting.length > 0 ? Math.min(mixed, vessel * CARRY) : 0;
    steps.push({ pour, mixed, keep: kept });
  }
  return steps;
}
