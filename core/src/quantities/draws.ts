import { laidPerArea } from '../film';
import { addTo } from '../grouping';
import { normal, seeded, type SeededRandom } from '../random';
import { accept, refuse, type Result } from '../units';
import {
  FACTOR_GROUP_NAMES,
  type CoatingModel,
  type Factor,
  type FactorGroup,
  type JobModel,
} from './demand';
import { filledWith, keptOf, wetFilmOf } from './paint';
import { withWear } from './wear';

/** Uniform numbers as ones of a triangular distribution, in their place (inverse of its cumulative). */
export function triangular(low: number, likely: number, high: number, uniform: Float64Array): Float64Array {
  if (!(high > low)) return uniform.fill(likely);
  const split = (likely - low) / (high - low);
  const below = Math.sqrt((high - low) * (likely - low));
  const above = Math.sqrt((high - low) * (high - likely));
  for (let draw = 0; draw < uniform.length; draw += 1) {
    const u = uniform[draw] as number;
    uniform[draw] = u < split ? low + below * Math.sqrt(u) : high - above * Math.sqrt(1 - u);
  }
  return uniform;
}

/** Draws by factor, or volumes by coating: an array each, all of one length, a place in it for each draw. */
type Columns = readonly Float64Array[];

/** The draws of each of some factors. */
function columnsOf<Name extends string>(
  draws: Columns,
  at: Readonly<Record<Name, number>>,
): Record<Name, Float64Array> {
  const columns = {} as Record<Name, Float64Array>;
  for (const name of Object.keys(at) as Name[]) columns[name] = draws[at[name]] as Float64Array;
  return columns;
}

type Surfaces = CoatingModel['surfaces'];

/** Surfaces of a coating that share all but their areas: what a square metre takes is worked out once for them. */
function alike(surfaces: Surfaces): readonly Surfaces[] {
  const found = new Map<string, Surfaces[number][]>();
  for (const surface of surfaces) {
    const { coats, at } = surface;
    const key = `${coats} ${at.texture} ${at.te} ${at.absorbed}`;
    addTo(found, key, surface);
  }
  return [...found.values()];
}

/** Area of surfaces over the share of the fan that is over each, draw by draw. */
function sprayedArea(surfaces: Surfaces, draws: Columns, count: number): Float64Array {
  const sum = new Float64Array(count);
  for (const { at, over } of surfaces) {
    const area = draws[at.area] as Float64Array;
    for (let draw = 0; draw < count; draw += 1)
      sum[draw] = (sum[draw] as number) + (area[draw] as number) / over;
  }
  return sum;
}

/** Paint sprayed at the surfaces of a coating, draw by draw. */
function sprayedAt(surfaces: Surfaces, draws: Columns, count: number): Float64Array {
  const sprayed = new Float64Array(count);
  const [first] = surfaces;
  if (!first) return sprayed;
  const film = new Float64Array(count);
  // Shared by all surfaces of a coating
  const { dry, hand, solids } = columnsOf(draws, first.at);
  for (let draw = 0; draw < count; draw += 1)
    film[draw] = wetFilmOf(dry[draw] as number, hand[draw] as number, solids[draw] as number);
  for (const group of alike(surfaces)) {
    const { coats, at } = group[0] as Surfaces[number];
    const { texture, te, absorbed } = columnsOf(draws, at);
    const area = sprayedArea(group, draws, count);
    for (let draw = 0; draw < count; draw += 1) {
      const trueArea = coats * (texture[draw] as number);
      sprayed[draw] =
        (sprayed[draw] as number) +
        ((area[draw] as number) * laidPerArea(trueArea, film[draw] as number, absorbed[draw] as number)) /
          (te[draw] as number);
    }
  }
  return sprayed;
}

/** Paint to buy for each coating of a job, m³, by draw, from the draws of its factors. */
export function volumesOf({ coatings }: JobModel, draws: Columns): Columns {
  const count = draws[0]?.length ?? 0;
  return coatings.map(({ surfaces, at, fills, hoses }) => {
    const volumes = sprayedAt(surfaces, draws, count);
    const { life, wear, residue, touchUp, pump, back } = columnsOf(draws, at);
    for (let draw = 0; draw < count; draw += 1) {
      const worn = withWear(volumes[draw] as number, wear[draw] as number, life[draw] as number);
      const kept = keptOf(worn, residue[draw] as number, touchUp[draw] as number);
      volumes[draw] = kept + filledWith(hoses + (pump[draw] as number), fills, back[draw] as number);
    }
    return volumes;
  });
}

/** Draws and seed of a distribution. */
export interface DrawSettings {
  readonly draws: number;
  readonly seed: number;
}

/** Paint one coating may take: its draws in rising order, their mean, and what its uncertainty comes from. */
export interface PaintDistribution {
  readonly id: string;
  readonly sorted: Float64Array;
  readonly mean: number;
  /** First-order share of each group of factors in the variance, largest first; what they share together is in none. */
  readonly shares: readonly { readonly group: FactorGroup; readonly share: number }[];
}

const DRAW_LIMITS = { min: 100, max: 1_000_000 };
/** Draws worked out at a time: a large job has a thousand sizes to draw, and a phone little memory. */
const BLOCK = 1000;
/** Draws enough for shares good to three hundredths: they are said in steps of five. */
const SHARE_DRAWS = 2048;

/** Draws of all factors: triangular over the range of each; the gun hand lognormal, its range one standard deviation. */
function drawAll(factors: readonly Factor[], count: number, random: SeededRandom): Columns {
  const drawn = new Map<number, Float64Array>();
  const shared = (draw: number, make: (row: Float64Array) => Float64Array): Float64Array => {
    const row = drawn.get(draw) ?? make(new Float64Array(count));
    drawn.set(draw, row);
    return row;
  };
  return factors.map(({ group, draw, input: { low, value, high } }) => {
    if (!(high > low)) return new Float64Array(count).fill(value);
    if (group !== 'hand')
      return triangular(low, value, high, shared(draw, (row) => random.fill(row)).slice());
    const deviation = (high - low) / (2 * value);
    const standing = shared(draw, (row) => row.map(() => normal(random)));
    return standing.map((one) => value * Math.exp(deviation * one));
  });
}

/**
 * First-order shares of the groups in the variance of each coating, from two independent sets of draws A and B:
 * 1 − Σ(f(B) − f(A with the group of B))²/(2 N V) (Jansen 1999; Saltelli et al. 2010, table 2).
 */
function sharesOf(model: JobModel, seed: number): ReadonlyMap<FactorGroup, readonly number[]> {
  const random = seeded(seed);
  const { factors } = model;
  const [a, b] = [drawAll(factors, SHARE_DRAWS, random), drawAll(factors, SHARE_DRAWS, random)];
  const all = volumesOf(model, b);
  const variances = all.map(variance);
  const shares = new Map<FactorGroup, readonly number[]>();
  for (const group of FACTOR_GROUP_NAMES) {
    const unsure = factors.map((one) => one.group === group && one.input.high > one.input.low);
    if (!unsure.includes(true)) continue;
    const mixed = a.map((draws, factor) => (unsure[factor] ? (b[factor] ?? draws) : draws));
    const some = volumesOf(model, mixed);
    shares.set(
      group,
      all.map((volumes, coating) => {
        const other = some[coating] ?? volumes;
        const whole = variances[coating] ?? 0;
        return whole > 0 ? Math.max(0, 1 - apart(volumes, other) / (2 * whole)) : 0;
      }),
    );
  }
  return shares;
}

function meanOf(draws: Float64Array): number {
  let sum = 0;
  for (let draw = 0; draw < draws.length; draw += 1) sum += draws[draw] as number;
  return sum / draws.length;
}

function variance(draws: Float64Array): number {
  const mean = meanOf(draws);
  let sum = 0;
  for (let draw = 0; draw < draws.length; draw += 1) sum += ((draws[draw] as number) - mean) ** 2;
  return sum / draws.length;
}

/** Mean square by which two rows of draws are apart. */
function apart(one: Float64Array, other: Float64Array): number {
  let sum = 0;
  for (let draw = 0; draw < one.length; draw += 1)
    sum += ((one[draw] as number) - (other[draw] as number)) ** 2;
  return sum / one.length;
}

/** Numbers that are divided by: the paint, or, of the hand, its own scatter. */
const DIVISORS: readonly FactorGroup[] = ['te', 'solids', 'life', 'hand'];
/** Far above any house, m² or m³. */
const ABSURD = 1e7;

/** Whether a range is one, of sense, and above nothing where the paint is divided by it. */
function canBeDrawn({ group, input: { low, value, high } }: Factor): boolean {
  const least = DIVISORS.includes(group) ? 1e-6 : 0;
  return low >= least && low <= value && value <= high && high <= ABSURD;
}

/** Hoses that hold something a machine can be filled with, a whole number of times. */
function canBeFilled({ hoses, fills }: CoatingModel): boolean {
  return hoses >= 0 && hoses <= 1 && Number.isInteger(fills) && fills >= 0 && fills <= 1000;
}

/**
 * What the paint of a job may come to: thousands of draws of every uncertain number, shared as they are shared on site.
 * The same seed gives the same answer.
 * @returns a distribution for each coating, in the order of the model; a refusal for a range that is none
 */
export function paintDistributions(
  model: JobModel,
  { draws, seed }: DrawSettings,
): Result<readonly PaintDistribution[]> {
  if (!(Number.isInteger(draws) && draws >= DRAW_LIMITS.min && draws <= DRAW_LIMITS.max))
    return refuse('draws', 'draws', 'A distribution takes from 100 to a million draws.');
  const unfit = model.factors.find((factor) => !canBeDrawn(factor));
  if (unfit) {
    return refuse(
      'quantities.input',
      unfit.group,
      `${unfit.input.label} is not a number that paint can be worked out from.`,
    );
  }
  if (!model.coatings.every(canBeFilled))
    return refuse('quantities.fill', 'hoses', 'What fills the hoses cannot be worked out from their sizes.');
  const random = seeded(seed);
  const volumes = model.coatings.map(() => new Float64Array(draws));
  for (let from = 0; from < draws; from += BLOCK) {
    const some = volumesOf(model, drawAll(model.factors, Math.min(BLOCK, draws - from), random));
    some.forEach((one, coating) => volumes[coating]?.set(one, from));
  }
  const shares = sharesOf(model, seed + 1);
  return accept(
    model.coatings.map(({ id }, coating) => {
      const sorted = (volumes[coating] ?? new Float64Array(draws)).sort();
      return {
        id,
        sorted,
        mean: meanOf(sorted),
        shares: [...shares]
          .map(([group, one]) => ({ group, share: one[coating] ?? 0 }))
          .sort((one, other) => other.share - one.share),
      };
    }),
  );
}

/** The volume not exceeded with a probability, between neighbouring draws in proportion. */
export function quantileOf(sorted: Float64Array, probability: number): number {
  const place = Math.min(1, Math.max(0, probability)) * (sorted.length - 1);
  const below = Math.floor(place);
  const [low = NaN, high = low] = [sorted[below], sorted[below + 1]];
  return low + (place - below) * (high - low);
}

/** How many draws lie in each of some equal steps. */
export interface Histogram {
  readonly from: number;
  readonly step: number;
  readonly counts: readonly number[];
}

/** The draws counted in equal steps from the least to the most, the outermost in a thousand left out at each end. */
export function histogramOf(sorted: Float64Array, steps: number): Histogram {
  const [from, to] = [quantileOf(sorted, 0.001), quantileOf(sorted, 0.999)];
  const step = (to - from) / steps;
  const counts = Array.from({ length: steps }, () => 0);
  for (const one of sorted) {
    const index = step > 0 ? Math.floor((one - from) / step) : 0;
    if (index >= 0 && index < steps) counts[index] = (counts[index] ?? 0) + 1;
  }
  return { from, step, counts };
}
