import { quantity } from '../units';
import { containersFor, type ContainerCount } from './containers';
import { coatingInputs, type CoatingDemand } from './demand';
import { quantileOf, type PaintDistribution } from './draws';

/** Chances that what is bought is enough, to choose from. */
export const RISKS = { P50: 0.5, P80: 0.8, P95: 0.95 } as const;
export type Risk = keyof typeof RISKS;

export interface Purchase {
  /** Volume that is enough with the chance chosen. */
  readonly volume: number;
  readonly containers: readonly ContainerCount[];
  readonly bought: number;
  /** Chance that what the containers hold is enough. */
  readonly enough: number;
  /** Tips worn out by it, by the short end of a tip's life, and one to spare. */
  readonly tips: number;
}

/** Share of the draws that a volume is enough for. */
export function enoughFor(sorted: Float64Array, volume: number): number {
  let low = 0;
  let high = sorted.length;
  while (low < high) {
    const middle = (low + high) >>> 1;
    if ((sorted[middle] as number) <= volume) low = middle + 1;
    else high = middle;
  }
  return low / sorted.length;
}

/** What to buy of a coating so that it is enough with the chance chosen. */
export function purchaseFor(
  demand: CoatingDemand,
  { sorted }: Pick<PaintDistribution, 'sorted'>,
  risk: Risk,
  containerSizes: readonly number[],
): Purchase {
  const volume = quantileOf(sorted, RISKS[risk]);
  const containers = containersFor(quantity(volume), containerSizes);
  const bought = containers.reduce((sum, { size, count }) => sum + size * count, 0);
  const { low } = coatingInputs(demand).life;
  return { volume, containers, bought, enough: enoughFor(sorted, bought), tips: Math.ceil(volume / low) + 1 };
}
