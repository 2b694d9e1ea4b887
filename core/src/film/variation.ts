import type { FanProfile } from './profile';

/** A profile that ends steeply wants many: with these 1 − s² to the power of a half is good to a thousandth of a point. */
const SAMPLES = 20_000;
/** A profile smoothed by a hand has no steep end. */
const SMOOTH_SAMPLES = 240;

/** Mean and coefficient of variation of the sum of passes laid a spacing apart (in half-widths of the support). */
function ofPasses(profile: FanProfile, spacing: number, reachOfProfile: number, samples: number) {
  const reach = Math.ceil((2 * reachOfProfile) / spacing) + 1;
  let sum = 0;
  let squares = 0;
  for (let sample = 0; sample < samples; sample += 1) {
    const position = ((sample + 0.5) / samples) * spacing;
    let film = 0;
    for (let pass = -reach; pass <= reach; pass += 1) film += profile(position - pass * spacing);
    sum += film;
    squares += film * film;
  }
  const mean = sum / samples;
  return { mean, variance: Math.max(0, squares / samples - mean * mean) };
}

const TABLE = 400;
const GAUSS_POINTS = 25;
const GAUSS_REACH = 3;

interface Smoothed {
  readonly profile: FanProfile;
  readonly reach: number;
  /** ∫ f² − ∫ g² over the profile and its smoothed self. */
  readonly lost: number;
}

/** The profile as its mean over a hand that sets each pass off by a normal error (in half-widths). */
function smoothed(profile: FanProfile, error: number): Smoothed {
  const reach = 1 + GAUSS_REACH * error;
  const step = (2 * reach) / TABLE;
  const offsets: number[] = [];
  const weights: number[] = [];
  let total = 0;
  for (let point = 0; point < GAUSS_POINTS; point += 1) {
    const z = GAUSS_REACH * (-1 + (2 * (point + 0.5)) / GAUSS_POINTS);
    const weight = Math.exp((-z * z) / 2);
    offsets.push(z * error);
    weights.push(weight);
    total += weight;
  }
  const table = new Float64Array(TABLE + 1);
  let sharp = 0;
  let soft = 0;
  for (let index = 0; index <= TABLE; index += 1) {
    const s = -reach + index * step;
    let value = 0;
    for (let point = 0; point < GAUSS_POINTS; point += 1) {
      value += ((weights[point] ?? 0) / total) * profile(s - (offsets[point] ?? 0));
    }
    table[index] = value;
    sharp += profile(s) ** 2 * step;
    soft += value * value * step;
  }
  return {
    reach,
    lost: Math.max(0, sharp - soft),
    profile: (s) => {
      const at = (s + reach) / step;
      if (at <= 0 || at >= TABLE) return 0;
      const index = Math.floor(at);
      const here = table[index] ?? 0;
      return here + (at - index) * ((table[index + 1] ?? 0) - here);
    },
  };
}

/**
 * Film variation (coefficient of variation, 0.1 = 10 %) of many parallel passes.
 * @param overlap share of the believed width laid over the pass before, 0 to below 1
 * @param widthRatio true support over believed width: above 1 the fan is wider than thought
 * @param scatter error of the hand in placing a pass, standard deviation as a share of the believed width; independent
 *   from pass to pass, so the variance is that of the mean passes plus what the errors add
 */
export function filmVariation(profile: FanProfile, overlap: number, widthRatio = 1, scatter = 0): number {
  if (!(overlap >= 0 && overlap < 1)) throw new Error('filmVariation: overlap must be from 0 to below 1');
  const spacing = (2 * (1 - overlap)) / widthRatio;
  if (scatter <= 0) {
    const { mean, variance } = ofPasses(profile, spacing, 1, SAMPLES);
    return Math.sqrt(variance) / mean;
  }
  const soft = smoothed(profile, (2 * scatter) / widthRatio);
  const { mean, variance } = ofPasses(soft.profile, spacing, soft.reach, SMOOTH_SAMPLES);
  return Math.sqrt(variance + soft.lost / spacing) / mean;
}

/** How far a fan is misjudged in the comparison of overlaps, and how well a hand keeps a lap. */
export const MISJUDGED = [0.9, 1, 1.1] as const;
export const HAND_SCATTER = 0.05;

/**
 * Mean film variation of an overlap with the width misjudged by ±10 % and the hand's own scatter.
 * @param visible share of the support that the eye takes for the width: the one the overlap is a share of
 */
export function expectedVariation(
  profile: FanProfile,
  overlap: number,
  scatter = HAND_SCATTER,
  visible = 1,
): number {
  const all = MISJUDGED.map((ratio) => filmVariation(profile, overlap, ratio / visible, scatter));
  return all.reduce((sum, one) => sum + one, 0) / all.length;
}
