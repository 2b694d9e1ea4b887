import { TAILS, evenFanProfile, type FanProfile } from '../../film';
import { normal, type Random } from '../../random';

/** What a test card can show. */
export const SEEN = [
  'even',
  'tails',
  'heavy edges',
  'split',
  'one-sided',
  'fog',
  'spitting',
  'pulsing',
] as const;
export type Seen = (typeof SEEN)[number];

/** A fan's pattern as a few numbers, each 0 for an even fan. */
export interface PatternShape {
  /** Exponent of the family's even profile. */
  readonly exponent: number;
  /** Height of the tails over the middle of an even fan. */
  readonly tails: number;
  /** Extra film in broad bands towards both edges. */
  readonly edges: number;
  /** Depth of a trough in the middle, 1 = down to nothing. */
  readonly split: number;
  /** Film to the right over film to the left, −1 to 1. */
  readonly skew: number;
  /** Mist beyond the edges. */
  readonly fog: number;
  /** Drops thrown beside and in the pattern. */
  readonly spatter: number;
  /** Swing of the film along the stroke. */
  readonly pulse: number;
}

/** Width of the trough and place of the heavy bands, as shares of the half-width. */
const TROUGH = 0.22;
const BAND = { place: 0.68, sigma: 0.16 } as const;
const MIST = 0.55;

const bell = (x: number, sigma: number) => Math.exp(-((x / sigma) ** 2) / 2);

/** Film across the fan of a pattern at s; mist reaches beyond ±1. */
export function patternProfile(shape: PatternShape): FanProfile {
  const even = evenFanProfile(shape.exponent);
  return (s) => {
    const size = Math.abs(s);
    const inside = size < 1 ? 1 : 0;
    const body = even(s) * (1 - shape.split * bell(s, TROUGH)) * (1 + shape.skew * s);
    const tails = inside * shape.tails * bell(size - TAILS.place, TAILS.sigma) * (1 + shape.skew * s);
    const bands = inside * shape.edges * bell(size - BAND.place, BAND.sigma);
    const mist = shape.fog * 0.25 * bell(s, 1 + MIST);
    return Math.max(0, body + tails + bands + mist);
  };
}

const EVEN: PatternShape = {
  exponent: 1,
  tails: 0,
  edges: 0,
  split: 0,
  skew: 0,
  fog: 0,
  spatter: 0,
  pulse: 0,
};

/** How strong a fault is drawn for somebody to compare with. Judgement. */
const TYPICAL: Readonly<Record<Seen, Partial<PatternShape>>> = {
  even: {},
  tails: { tails: 0.7 },
  'heavy edges': { edges: 0.55 },
  split: { split: 0.75, edges: 0.25 },
  'one-sided': { skew: 0.55 },
  fog: { fog: 1 },
  spitting: { spatter: 1 },
  pulsing: { pulse: 0.45 },
};

/** The pattern that is drawn for what may be seen, with a family's profile. */
export function typicalPattern(seen: Seen, exponent: number): PatternShape {
  return { ...EVEN, exponent, ...TYPICAL[seen] };
}

export interface PatternDrawing {
  readonly columns: number;
  readonly rows: number;
  /** Film over the middle of an even fan, row by row along the stroke. */
  readonly film: Float64Array;
}

/** Half-widths of the support that the drawing shows to each side. */
export const DRAWN_REACH = 1.3;
const PULSES = 3;
const DROPS = 60;

/** Draws a pattern: the fan across the columns, the stroke along the rows. The same random numbers, the same drawing. */
export function drawPattern(
  shape: PatternShape,
  columns: number,
  rows: number,
  random: Random,
): PatternDrawing {
  const film = new Float64Array(columns * rows);
  const profile = patternProfile(shape);
  const across = Array.from({ length: columns }, (_, column) =>
    profile(DRAWN_REACH * (-1 + (2 * (column + 0.5)) / columns)),
  );
  for (let row = 0; row < rows; row += 1) {
    const swing = 1 + shape.pulse * Math.sin((2 * Math.PI * PULSES * (row + 0.5)) / rows);
    for (let column = 0; column < columns; column += 1)
      film[row * columns + column] = swing * (across[column] ?? 0);
  }
  for (let drop = 0; drop < Math.round(DROPS * shape.spatter); drop += 1) {
    const column = Math.round(columns / 2 + (normal(random) * columns) / 4);
    const row = Math.floor(random() * rows);
    if (column >= 0 && column < columns) film[row * columns + column] = 1.5 + random();
  }
  return { columns, rows, film };
}
