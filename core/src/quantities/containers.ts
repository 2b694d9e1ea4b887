import type { Volume } from '../units';

export interface ContainerCount {
  readonly size: number;
  readonly count: number;
}

/** Resolution of the exact search: a hundredth of a litre. */
const GRAIN = 1e-5;
/** Above so many of the largest container the bulk is bought in it and only the rest is searched. */
const BULK = 40;

/**
 * Containers that hold a volume with the least bought, then with the fewest containers: an unbounded
 * knapsack solved exactly by dynamic programming. Above 40 of the largest container the bulk is bought in it.
 * @param sizes container sizes in m³, at least one
 * @returns counts by size, largest first, without zeros
 */
export function containersFor(volume: Volume, sizes: readonly number[]): readonly ContainerCount[] {
  const known = [...new Set(sizes)].filter((size) => size >= GRAIN).sort((a, b) => b - a);
  const largest = known[0];
  if (largest === undefined || !(volume > 0)) return [];
  const bulk = Math.max(0, Math.floor(volume / largest) - BULK);
  const grains = known.map((size) => Math.round(size / GRAIN));
  const need = Math.ceil((volume - bulk * largest) / GRAIN - 1e-6);
  const end = need + (grains[0] ?? 0);
  const fewest = new Float64Array(end + 1).fill(Infinity);
  const last = new Int32Array(end + 1).fill(-1);
  fewest[0] = 0;
  for (let amount = 1; amount <= end; amount += 1) {
    grains.forEach((grain, index) => {
      const before = amount >= grain ? (fewest[amount - grain] ?? Infinity) + 1 : Infinity;
      if (before < (fewest[amount] ?? Infinity)) {
        fewest[amount] = before;
        last[amount] = index;
      }
    });
  }
  let amount = need;
  while (amount <= end && fewest[amount] === Infinity) amount += 1;
  const counts = known.map(() => 0);
  counts[0] = bulk;
  while (amount > 0) {
    const index = last[amount] ?? 0;
    counts[index] = (counts[index] ?? 0) + 1;
    amount -= grains[index] ?? amount;
  }
  return known.map((size, index) => ({ size, count: counts[index] ?? 0 })).filter(({ count }) => count > 0);
}
