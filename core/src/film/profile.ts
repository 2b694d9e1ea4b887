/** How a fan lays film across itself at s in [−1, 1] of its support, relative to the centre of an even fan. */
export type FanProfile = (s: number) => number;

/** The profile (1 − s²)^p of an even fan; zero outside its support. */
export function evenFanProfile(exponent: number): FanProfile {
  return (s) => (Math.abs(s) >= 1 ? 0 : (1 - s * s) ** exponent);
}

/**
 * Tails of a fan below its even-fan pressure. Place and width are those of the fan model; how fast they grow and how
 * much the middle thins is judgement: at 20 % too little pressure the tails stand 40 % high.
 */
export const TAILS = {
  place: 0.9,
  sigma: 0.06,
  growth: 2,
  highest: 1.2,
  thinning: 0.8,
  thinnest: 0.5,
} as const;

/**
 * The profile at a gun pressure over the even-fan pressure. Below 1 two tails stand near the edges and the middle
 * thins; at and above 1 the fan is even.
 */
export function fanProfileAt(exponent: number, pressureRatio: number): FanProfile {
  const shortfall = Math.max(0, 1 - pressureRatio);
  const even = evenFanProfile(exponent);
  if (shortfall === 0) return even;
  const tail = Math.min(TAILS.highest, TAILS.growth * shortfall);
  const middle = Math.max(TAILS.thinnest, 1 - TAILS.thinning * shortfall);
  return (s) => {
    const size = Math.abs(s);
    if (size >= 1) return 0;
    return middle * even(s) + tail * Math.exp(-(((size - TAILS.place) / TAILS.sigma) ** 2) / 2);
  };
}

/** Visible edge of a fan: where the film is this share of its centre. */
const VISIBLE = 0.1;

/** Share of the support that the eye takes for the fan's width: about 0.95 for a standard fan, 0.90 feathered. */
export function visibleShare(exponent: number): number {
  return Math.sqrt(1 - VISIBLE ** (1 / exponent));
}

const STEPS = 2048;

/** Shares of the paint to the left of each place across the fan: 0 at −1, 1 at 1. */
export function cumulative(profile: FanProfile): Float64Array {
  const table = new Float64Array(STEPS + 1);
  for (let step = 0; step < STEPS; step += 1) {
    const s = -1 + (2 * (step + 0.5)) / STEPS;
    table[step + 1] = (table[step] ?? 0) + Math.max(0, profile(s));
  }
  const total = table[STEPS] ?? 0;
  if (!(total > 0)) throw new Error('cumulative: the profile lays nothing');
  for (let step = 0; step <= STEPS; step += 1) table[step] = (table[step] ?? 0) / total;
  return table;
}

/** Share of the paint to the left of s, read off the table. */
export function shareBelow(table: Float64Array, s: number): number {
  if (s <= -1) return 0;
  if (s >= 1) return 1;
  const at = (s + 1) * (STEPS / 2);
  // A hair below 1 is 1 once it is added to.
  if (at >= STEPS) return 1;
  const index = at | 0;
  const here = table[index] as number;
  return here + (at - index) * ((table[index + 1] as number) - here);
}
