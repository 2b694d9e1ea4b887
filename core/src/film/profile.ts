/** How a fan lays film across itself at s in [−1, 1] of its support, relative to the centre. */
export type FanProfile = (s: number) => number;

/** The profile (1 − s²)^p of an even fan; zero outside its support. */
export function evenFanProfile(exponent: number): FanProfile {
  return (s) => (Math.abs(s) >= 1 ? 0 : (1 - s * s) ** exponent);
}

const SAMPLES = 720;

/**
 * Film variation (coefficient of variation, 0.1 = 10 %) of many parallel passes.
 * @param overlap share of the believed width laid over the pass before, 0 to below 1
 * @param widthRatio true support over believed width: above 1 the fan is wider than thought
 */
export function filmVariation(profile: FanProfile, overlap: number, widthRatio = 1): number {
  const spacing = (2 * (1 - overlap)) / widthRatio;
  const reach = Math.ceil(2 / spacing) + 1;
  let sum = 0;
  let squares = 0;
  for (let sample = 0; sample < SAMPLES; sample += 1) {
    const position = ((sample + 0.5) / SAMPLES) * spacing;
    let film = 0;
    for (let pass = -reach; pass <= reach; pass += 1) film += profile(position - pass * spacing);
    sum += film;
    squares += film * film;
  }
  const mean = sum / SAMPLES;
  return Math.sqrt(Math.max(0, squares / SAMPLES - mean * mean)) / mean;
}

/** The two schools of overlap. */
export const OVERLAP_SCHOOLS = [
  { share: 1 / 2, name: 'one half' },
  { share: 1 / 3, name: 'one third' },
] as const;

export interface OverlapVerdict {
  readonly share: number;
  readonly name: string;
  /** Mean film variation of the chosen school and of the other. */
  readonly variation: number;
  readonly otherVariation: number;
}

/** How far a fan is misjudged in the comparison of schools. */
const MISJUDGED = [0.9, 1, 1.1] as const;

/** Decides between the half and the third school: the smaller mean variation with the width misjudged by ±10 %. */
export function betterOverlap(profile: FanProfile): OverlapVerdict {
  const [half, third] = OVERLAP_SCHOOLS.map((school) => {
    const all = MISJUDGED.map((ratio) => filmVariation(profile, school.share, ratio));
    return { ...school, variation: all.reduce((sum, one) => sum + one, 0) / all.length };
  });
  if (!half || !third) throw new Error('betterOverlap: both schools are needed');
  const [best, other] = half.variation <= third.variation ? [half, third] : [third, half];
  return { ...best, otherVariation: other.variation };
}
