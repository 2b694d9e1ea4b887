import { quantity, type Pressure } from '../../units';

/**
 * What a crew believes of the lowest even pressure. It lies in one of the cells between the pressures a hand can set;
 * each card moves belief between cells by how often a card is misread.
 */
export interface Grid {
  /** Pressures that can be set, rising. Cell i holds thresholds up to pressure i, the last one those above all of them. */
  readonly pressures: readonly Pressure[];
  /** Belief in each cell before any card; adds up to one. */
  readonly prior: readonly number[];
}

/**
 * Share of cards that are misread. Judgement, on the careful side: 2,000 simulated painters who misread one in ten end right
 * 92 times in a hundred, those who misread none always, in a median of 5 cards (`painter.test.ts`).
 */
export const MISREAD = 0.1;
/** Share of belief spread evenly over all cells, so that a surprise can still be believed. Judgement. */
const SURPRISE = 0.1;
/** The heuristic's range taken as ±1.645 standard deviations (nine in ten) of the logarithm. */
const NINE_IN_TEN = 1.645;

/** Abramowitz and Stegun 7.1.26, error under 1.5e-7. */
function normalBelow(z: number): number {
  const t = 1 / (1 + 0.3275911 * Math.abs(z) * Math.SQRT1_2);
  const poly =
    t * (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429))));
  const tail = (poly * Math.exp((-z * z) / 2)) / 2;
  return z < 0 ? tail : 1 - tail;
}

/** Half a hair, so that steps compare as equal after sums. */
const HAIR = 1;

/** The pressures of a range, counted from its start, with belief by the even-fan pressure expected. */
export function gridOf(
  range: { readonly start: number; readonly floor: number; readonly stop: number; readonly step: number },
  expected: { readonly value: number; readonly low: number; readonly high: number },
): Grid {
  const below = Math.floor((range.start - range.floor) / range.step + 1e-9);
  const above = Math.floor((range.stop - range.start) / range.step + 1e-9);
  const pressures = Array.from({ length: below + above + 1 }, (_, index) =>
    quantity<Pressure>(range.start + (index - below) * range.step),
  );
  const sigma = Math.max(0.02, Math.log(expected.high / expected.low) / (2 * NINE_IN_TEN));
  const upTo = (pressure: number) => normalBelow(Math.log(pressure / expected.value) / sigma);
  const ends = [...pressures.map(upTo), 1];
  const cells = ends.length;
  return {
    pressures,
    prior: ends.map((end, index) => (1 - SURPRISE) * (end - (ends[index - 1] ?? 0)) + SURPRISE / cells),
  };
}

/** A card: at which pressure, and whether its fan was full there (even or fogging) or short of it. */
export interface Card {
  readonly pressure: Pressure;
  readonly full: boolean;
}

/** Place of a pressure in the grid. */
export function placeOf({ pressures }: Grid, pressure: number): number {
  return pressures.findIndex((one) => Math.abs(one - pressure) <= HAIR);
}

/** Belief in each cell after the cards (Bayes), each misread with the same chance. */
export function beliefAfter(grid: Grid, cards: readonly Card[]): readonly number[] {
  const placed = cards.map(({ pressure, full }) => ({ place: placeOf(grid, pressure), full }));
  const weights = grid.prior.map((prior, cell) =>
    placed.reduce(
      (weight, { place, full }) => weight * (full === cell <= place ? 1 - MISREAD : MISREAD),
      prior,
    ),
  );
  const sum = weights.reduce((total, weight) => total + weight, 0);
  return weights.map((weight) => weight / sum);
}

/** The cell believed most. */
export function likeliest(belief: readonly number[]): { cell: number; share: number } {
  const share = Math.max(...belief);
  return { cell: belief.indexOf(share), share };
}

/** The pressure whose card tells most: half of the belief lies at or below it (probabilistic bisection, Horstein 1963). */
export function tellsMost(belief: readonly number[]): number {
  let sum = 0;
  let best = 0;
  let off = Infinity;
  for (let cell = 0; cell < belief.length - 1; cell += 1) {
    sum += belief[cell] ?? 0;
    if (Math.abs(sum - 0.5) < off) {
      off = Math.abs(sum - 0.5);
      best = cell;
    }
  }
  return best;
}
