import { sliceAt, unite, without, type Interval, type Piece, type Polygon } from '../shape';

/** Heights no further apart are one, m. */
const HAIR = 1e-9;

/** A level band of a piece in which no corner lies, so that every edge in it is straight. */
export interface Band {
  readonly low: number;
  readonly high: number;
  /** What of a level line is inside the outline, less the openings. */
  readonly solid: (y: number) => readonly Interval[];
  /** What of it strips painted before have covered. */
  readonly painted: (y: number) => readonly Interval[];
  /** All its edges are upright: it is the same at every height. */
  readonly upright: boolean;
}

/** What a level line of a piece holds: inside the outline, less the openings. */
function solidOf({ outline, openings }: Piece, y: number): readonly Interval[] {
  const solid = sliceAt(outline, y);
  const holes = openings.flatMap((opening) => sliceAt(opening, y));
  return holes.length === 0 ? solid : without(solid, unite(holes));
}

const paintedOf = (strips: readonly Polygon[], y: number): readonly Interval[] =>
  strips.length === 0 ? [] : unite(strips.flatMap((strip) => sliceAt(strip, y)));

const alike = (one: readonly Interval[], other: readonly Interval[]): boolean =>
  one.length === other.length &&
  one.every(
    ({ from, to }, index) =>
      Math.abs(from - (other[index]?.from ?? NaN)) < HAIR && Math.abs(to - (other[index]?.to ?? NaN)) < HAIR,
  );

/** Intervals between those at two heights: the ends run straight from the one to the other. */
const between = (one: readonly Interval[], other: readonly Interval[], share: number): readonly Interval[] =>
  one.map(({ from, to }, index) => {
    const end = other[index] ?? { from, to };
    return { from: from + share * (end.from - from), to: to + share * (end.to - to) };
  });

/** A part of a piece at every height of a band, from what it is just inside both ends. */
function throughBand(at: (y: number) => readonly Interval[], low: number, high: number) {
  const inside = (high - low) * 1e-6;
  const [first, last] = [low + inside, high - inside];
  const [below, above] = [at(first), at(last)];
  if (alike(below, above)) return { upright: true, at: () => below };
  // Edges that cross inside the band: looked at line by line.
  if (below.length !== above.length) return { upright: false, at };
  return { upright: false, at: (y: number) => between(below, above, (y - first) / (last - first)) };
}

const known = new WeakMap<Piece, readonly Band[]>();

/** A piece, and strips of it painted before, cut into bands at the height of every corner, from the lowest up. */
export function bandsOf(piece: Piece, strips: readonly Polygon[] = []): readonly Band[] {
  if (strips.length > 0) return cut(piece, strips);
  const bands = known.get(piece) ?? cut(piece, strips);
  known.set(piece, bands);
  return bands;
}

function cut(piece: Piece, strips: readonly Polygon[]): readonly Band[] {
  const heights = [piece.outline, ...piece.openings, ...strips]
    .flatMap((polygon) => polygon.map(({ y }) => y))
    .sort((a, b) => a - b);
  const bands: Band[] = [];
  let low = heights[0] ?? 0;
  for (const high of heights) {
    if (high - low < HAIR) continue;
    const solid = throughBand((y) => solidOf(piece, y), low, high);
    const painted = throughBand((y) => paintedOf(strips, y), low, high);
    const upright = solid.upright && painted.upright;
    bands.push({ low, high, solid: solid.at, painted: painted.at, upright });
    low = high;
  }
  return bands;
}
