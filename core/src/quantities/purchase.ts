import { quantity } from '../units';
import {
  cheapestContainers,
  containersFor,
  usualContainers,
  type ContainerAim,
  type ContainerCount,
} from './containers';
import { coatingInputs, type CoatingDemand } from './demand';
import { quantileOf, type PaintDistribution } from './draws';
import { sparesFor } from './wear';

/** Chances that what is bought is enough, to choose from. */
export const RISKS = { P50: 0.5, P80: 0.8, P95: 0.95 } as const;
export type Risk = keyof typeof RISKS;

export interface Purchase {
  /** Volume that is enough with the chance chosen. */
  readonly volume: number;
  readonly containers: readonly ContainerCount[];
  readonly bought: number;
  /** What the containers cost; null where one has no price. */
  readonly cost: number | null;
  /** Chance that what the containers hold is enough. */
  readonly enough: number;
  /** Tips to have besides the one that is fitted, by the short end of a tip's life. */
  readonly spares: number;
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

/** A container a coating is sold in, m³; its price is null while nobody has put one in. */
export interface ContainerOnSale {
  readonly size: number;
  readonly price: number | null;
}

/** Containers for a volume: for the least money among those with a price, as usually priced where none has one, or with the least left over. */
function chosen(
  volume: number,
  onSale: readonly ContainerOnSale[],
  aim: ContainerAim,
): readonly ContainerCount[] {
  const offers = onSale.flatMap(({ size, price }) => (price === null ? [] : [{ size, price }]));
  const sizes = onSale.map(({ size }) => size);
  if (aim === 'left over') return containersFor(quantity(volume), sizes);
  return offers.length > 0
    ? cheapestContainers(quantity(volume), offers)
    : usualContainers(quantity(volume), sizes);
}

/** What containers cost; null where one of them has no price. */
function costOf(containers: readonly ContainerCount[], onSale: readonly ContainerOnSale[]): number | null {
  let sum = 0;
  for (const { size, count } of containers) {
    const prices = onSale.flatMap((one) => (one.size === size && one.price !== null ? [one.price] : []));
    if (prices.length === 0) return null;
    sum += count * Math.min(...prices);
  }
  return sum;
}

/** What to buy of a coating so that it is enough with the chance chosen. */
export function purchaseFor(
  demand: CoatingDemand,
  { sorted }: Pick<PaintDistribution, 'sorted'>,
  risk: Risk,
  onSale: readonly ContainerOnSale[],
  aim: ContainerAim = 'cost',
): Purchase {
  const volume = quantileOf(sorted, RISKS[risk]);
  const containers = chosen(volume, onSale, aim);
  const bought = containers.reduce((sum, { size, count }) => sum + size * count, 0);
  const { low } = coatingInputs(demand).life;
  return {
    volume,
    containers,
    bought,
    cost: costOf(containers, onSale),
    enough: enoughFor(sorted, bought),
    spares: sparesFor(volume / low),
  };
}

/** So much more of the money for a safer purchase is little. Judgement. */
const LITTLE = 0.05;

/** A purchase that is safer for little more money than another, and what it costs more; less than nothing where it is cheaper, too. */
export interface SaferFor {
  readonly purchase: Purchase;
  readonly more: number;
}

/** The safest purchase that costs little more than what is bought at a risk; nothing where none is near, or no price is known. */
export function saferFor(
  demand: CoatingDemand,
  distribution: Pick<PaintDistribution, 'sorted'>,
  bought: Purchase,
  onSale: readonly ContainerOnSale[],
  aim: ContainerAim = 'cost',
): SaferFor | undefined {
  const { cost } = bought;
  if (cost === null || cost <= 0) return undefined;
  const risks = (Object.keys(RISKS) as Risk[]).sort((a, b) => RISKS[b] - RISKS[a]);
  for (const risk of risks) {
    const purchase = purchaseFor(demand, distribution, risk, onSale, aim);
    if (purchase.cost === null || purchase.bought <= bought.bought || purchase.enough <= bought.enough)
      continue;
    const more = purchase.cost - cost;
    if (more <= LITTLE * cost) return { purchase, more };
  }
  return undefined;
}
