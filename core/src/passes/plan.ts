import { cumulative, evenFanProfile, shareBelow, visibleShare } from '../film';
import {
  boxOf,
  centroid,
  checkPiece,
  signedArea,
  turned,
  unite,
  without,
  type Interval,
  type Piece,
  type Point,
  type Polygon,
} from '../shape';
import { accept, type Result, type UnitSystem } from '../units';
import { accountFor, type PassAccount, type PlannedPass } from './account';
import { FAMILY_DATA } from '../tip';
import { ARM, checkSettings, type Direction, type FanOnPiece, type PassSettings } from './settings';
import { bandsOf, type Band } from './slices';

export interface PlanOptions {
  readonly direction: Direction;
  /** One pass along every edge of the outline before the field. */
  readonly edgesFirst: boolean;
}

export interface PassPlan extends PassAccount {
  readonly passes: readonly PlannedPass[];
  /** Direction of the passes, radians from the x axis. */
  readonly angle: number;
  /** Distance between the middles of neighbouring passes, and the overlap that comes of it. */
  readonly spacing: number;
  readonly overlap: number;
  /** Where one pass laps the next: the lap lines, to be kept wet. */
  readonly lapLines: readonly { readonly from: Point; readonly to: Point }[];
  readonly reason: string;
}

/** Direction of the passes, and why. */
function angleOf(direction: Direction, outline: Polygon): { angle: number; reason: string } {
  switch (direction.kind) {
    case 'across':
      return {
        angle: 0,
        reason: 'From top to bottom, so that each pass lies in the wet edge of the one above.',
      };
    case 'up and down':
      return { angle: Math.PI / 2, reason: 'Up and down along the length of the piece.' };
    case 'angle':
      return { angle: direction.angle, reason: 'In the direction asked for.' };
    case 'across sight': {
      const middle = centroid(outline);
      const { viewpoint } = direction;
      const sight = Math.atan2(middle.y - viewpoint.y, middle.x - viewpoint.x);
      return {
        angle: sight + Math.PI / 2,
        reason: 'Across the line of sight from where it is seen: laps along the view would show.',
      };
    }
  }
}

/** How far inside an edge the middle of the fan runs: it laps the edge as it laps a pass. */
function edgeInset(fanWidth: number, overlap: number): number {
  return fanWidth * Math.max(0, 0.5 - overlap);
}

const turnedPieces = new WeakMap<Piece, Map<number, Piece>>();

/** A piece turned by an angle, openings and all; not turned at all it is the piece itself. Made once. */
function turnedPiece(piece: Piece, angle: number): Piece {
  if (angle === 0) return piece;
  const known = turnedPieces.get(piece) ?? new Map<number, Piece>();
  turnedPieces.set(piece, known);
  const { outline, openings } = piece;
  const made = known.get(angle) ?? {
    outline: turned(outline, angle),
    openings: openings.map((opening) => turned(opening, angle)),
  };
  known.set(angle, made);
  return made;
}

/**
 * Up to so many fans high a piece is laid in two passes. So far apart, as a share of the fan, two of them lay the most even film on it; on
 * a piece narrower than that they stay inside it, since more would miss it.
 */
const NARROW = { upTo: 1.2, apart: 0.72, ofPiece: 0.8 } as const;

/**
 * Middles of the passes from top to bottom of a height: the fan laps the edge as it laps a pass. A narrow piece takes one
 * pass, or two.
 */
export function lines(
  low: number,
  high: number,
  fanWidth: number,
  overlap: number,
): { at: number[]; spacing: number } {
  const inset = edgeInset(fanWidth, overlap);
  const [first, last] = [high - inset, low + inset];
  const wanted = fanWidth * (1 - overlap);
  if (high - low <= fanWidth * (1 - overlap) || first <= last)
    return { at: [(high + low) / 2], spacing: wanted };
  const count = Math.ceil((first - last) / wanted - 1e-9) + 1;
  if (count > 2 && high - low <= NARROW.upTo * fanWidth) {
    const spacing = Math.min(NARROW.apart * fanWidth, NARROW.ofPiece * (high - low));
    const middle = (high + low) / 2;
    return { at: [middle + spacing / 2, middle - spacing / 2], spacing };
  }
  const spacing = (first - last) / (count - 1);
  return { at: Array.from({ length: count }, (_, index) => first - index * spacing), spacing };
}

/** Length that two sets of intervals have in common. */
function overlapLength(a: readonly Interval[], b: readonly Interval[]): number {
  let sum = 0;
  for (const one of a) {
    for (const other of b) sum += Math.max(0, Math.min(one.to, other.to) - Math.max(one.from, other.from));
  }
  return sum;
}

/** How the paint of a fan is shared out across it. */
interface FanAcross {
  /** Width in which it lays anything at all, m. */
  readonly support: number;
  /** Share of its paint below s, from -1 to 1 across the support. */
  readonly below: (s: number) => number;
}

const tables = new Map<number, Float64Array>();

/** An even fan of a family, as the simulation lays it: what the eye takes for its width is a little less than all of it. */
export function fanAcross({ fanWidth, family }: Pick<FanOnPiece, 'fanWidth' | 'family'>): FanAcross {
  const { profileExponent } = FAMILY_DATA[family];
  const table = tables.get(profileExponent) ?? cumulative(evenFanProfile(profileExponent));
  tables.set(profileExponent, table);
  return { support: fanWidth / visibleShare(profileExponent), below: (s) => shareBelow(table, s) };
}

/** Slanted edges are followed over a fan in so many steps. */
const STEPS = 12;

/** Where the trigger is open, and what of that each upright band has of the piece. */
interface OpenWays {
  readonly open: readonly Interval[];
  readonly length: number;
  readonly within: Map<Band, number>;
}

const waysOf = (open: readonly Interval[]): OpenWays => ({
  open,
  length: open.reduce((sum, { from, to }) => sum + to - from, 0),
  within: new Map(),
});

/** Length of the open ways that is over a band of the piece. */
function overBand({ open, within }: OpenWays, band: Band, y: number): number {
  if (!band.upright) return overlapLength(open, band.solid(y));
  const length = within.get(band) ?? overlapLength(open, band.solid(y));
  within.set(band, length);
  return length;
}

/** Share of an open fan along a line that is over the piece. */
function shareOver(bands: readonly Band[], y: number, fan: FanAcross, ways: OpenWays): number {
  if (ways.length <= 0) return 0;
  const half = fan.support / 2;
  let over = 0;
  for (const band of bands) {
    const [low, high] = [Math.max(band.low, y - half), Math.min(band.high, y + half)];
    if (high <= low) continue;
    const steps = band.upright ? 1 : Math.ceil((STEPS * (high - low)) / fan.support);
    const step = (high - low) / steps;
    let below = fan.below((low - y) / half);
    for (let index = 1; index <= steps; index += 1) {
      const next = fan.below((low + index * step - y) / half);
      over += (next - below) * overBand(ways, band, low + (index - 0.5) * step);
      below = next;
    }
  }
  return over / ways.length;
}

/** Where the trigger is open along a line: from off the edges and over the openings, and from where strips end. */
function openOn(solid: readonly Interval[], painted: readonly Interval[]): Interval[] {
  return without(solid, painted).map(({ from, to }) => ({
    from: solid.some((one) => one.from === from) ? from - ARM.lead : from,
    to: solid.some((one) => one.to === to) ? to + ARM.lead : to,
  }));
}

/** Where the trigger is open for a pass that fills a strip of the piece: wherever any line of the strip wants it. */
function openIn(bands: readonly Band[], hair: number, low: number, high: number): readonly Interval[] {
  return unite(
    bands.flatMap((band) => {
      const [from, to] = [Math.max(band.low, low) + hair, Math.min(band.high, high) - hair];
      const first = openOn(band.solid(from), band.painted(from));
      // Between corners the outline is straight: it is widest at one end of the band.
      return band.upright ? first : [...first, ...openOn(band.solid(to), band.painted(to))];
    }),
    ARM.shortestGap,
  );
}

const upright = new WeakMap<readonly Band[], Map<number, OpenWays>>();
/** More bands than a piece of 200 corners has. */
const BANDS = 10_000;

/** `openIn` of some bands: strips that touch the same upright ones are alike, whatever the fan. */
function waysIn(bands: readonly Band[], low: number, high: number): OpenWays {
  const hair = (high - low) * 1e-6;
  const touches = (band: Band) => Math.min(band.high, high) - Math.max(band.low, low) > 2 * hair;
  let [first, last, straight] = [-1, -1, true];
  for (let index = 0; index < bands.length; index += 1) {
    const band = bands[index];
    if (!band || !touches(band)) continue;
    if (first < 0) first = index;
    last = index;
    straight &&= band.upright;
  }
  const open = () => waysOf(openIn(bands.slice(Math.max(0, first), last + 1), hair, low, high));
  if (!straight) return open();
  const known = upright.get(bands) ?? new Map<number, OpenWays>();
  upright.set(bands, known);
  const key = first * BANDS + last;
  const found = known.get(key) ?? open();
  known.set(key, found);
  return found;
}

/** One line of a field: how high it runs, where the trigger is open on it, and what of the fan is over the piece then. */
interface FieldLine {
  readonly y: number;
  readonly ways: OpenWays;
  readonly over: number;
}

/** The lines of a field whose passes run along x, from the top down; what lies in strips painted before is left out. */
function fieldLines(
  piece: Piece,
  settings: FanOnPiece,
  strips: readonly Polygon[],
): { lines: FieldLine[]; spacing: number } {
  const { low, high } = boxOf(piece.outline);
  const { fanWidth, overlap } = settings;
  const fan = fanAcross(settings);
  const { at, spacing } = lines(low, high, fanWidth, overlap);
  const half = at.length === 1 ? (high - low) / 2 : spacing / 2;
  const bands = bandsOf(piece, strips);
  // What lies under a strip is painted once more by the fan that laps it.
  const whole = strips.length > 0 ? bandsOf(piece) : bands;
  const found: FieldLine[] = [];
  for (const y of at) {
    const ways = waysIn(bands, Math.max(low, y - half), Math.min(high, y + half));
    if (ways.length <= 0) continue;
    const over = shareOver(whole, y, fan, whole === bands ? ways : waysOf(ways.open));
    found.push({ y, ways, over });
  }
  return { lines: found, spacing };
}

/** Length with the trigger open in all passes of a field, m, and the share of the fan that is over the piece meanwhile. */
export function sumOfField(
  piece: Piece,
  fan: FanOnPiece,
  direction: Direction,
): { open: number; over: number } {
  const { angle } = angleOf(direction, piece.outline);
  let [open, over] = [0, 0];
  for (const { ways, over: share } of fieldLines(turnedPiece(piece, -angle), fan, []).lines) {
    open += ways.length;
    over += ways.length * share;
  }
  return { open, over: open > 0 ? over / open : 0 };
}

/** Passes over a piece whose passes run along x, turning at each end. */
function fieldPasses(
  piece: Piece,
  settings: FanOnPiece,
  strips: readonly Polygon[],
): { passes: PlannedPass[]; spacing: number } {
  const field = fieldLines(piece, settings, strips);
  const passes = field.lines.map(({ y, ways: { open }, over }, index): PlannedPass => {
    const [left, right] = [open[0]?.from ?? 0, open[open.length - 1]?.to ?? 0];
    const back = index % 2 === 1;
    const [start, end] = back ? [right, left] : [left, right];
    const stretches = open.map(({ from, to }) =>
      back ? { from: start - to, to: start - from } : { from: from - start, to: to - start },
    );
    return {
      kind: 'field',
      from: { x: start, y },
      to: { x: end, y },
      open: back ? stretches.reverse() : stretches,
      overPiece: over,
    };
  });
  return { passes, spacing: field.spacing };
}

/** An edge of an outline: its ends, its length, and unit ways along it and into the piece. */
interface Edge {
  readonly a: Point;
  readonly b: Point;
  readonly length: number;
  readonly along: Point;
  readonly inwards: Point;
}

function edgesOfOutline(outline: Polygon): Edge[] {
  const side = signedArea(outline) > 0 ? 1 : -1;
  return outline.flatMap((a, index) => {
    const b = outline[(index + 1) % outline.length] ?? a;
    const length = Math.hypot(b.x - a.x, b.y - a.y);
    if (length < 1e-6) return [];
    const along = { x: (b.x - a.x) / length, y: (b.y - a.y) / length };
    return [{ a, b, length, along, inwards: { x: -side * along.y, y: side * along.x } }];
  });
}

/** A place moved along and into the piece from an edge. */
function beside({ along, inwards }: Edge, from: Point, forward: number, inside: number): Point {
  return {
    x: from.x + forward * along.x + inside * inwards.x,
    y: from.y + forward * along.y + inside * inwards.y,
  };
}

/** One pass along each edge of the outline, the fan lapping the edge as it laps a pass. */
function edgePasses(piece: Piece, settings: FanOnPiece): PlannedPass[] {
  const fan = fanAcross(settings);
  const inset = edgeInset(settings.fanWidth, settings.overlap);
  return edgesOfOutline(piece.outline).map((edge) => {
    const angle = Math.atan2(edge.along.y, edge.along.x);
    const from = beside(edge, edge.a, -ARM.lead, inset);
    const to = beside(edge, edge.b, ARM.lead, inset);
    const [line = from] = turned([from], -angle);
    const open = { from: 0, to: edge.length + 2 * ARM.lead };
    const there = { from: line.x, to: line.x + open.to };
    return {
      kind: 'edge' as const,
      from,
      to,
      open: [open],
      overPiece: shareOver(bandsOf(turnedPiece(piece, -angle)), line.y, fan, waysOf([there])),
    };
  });
}

/** The strips that the edge passes fill: as every pass, half a spacing to each side of its middle. */
function edgeStrips(outline: Polygon, { fanWidth, overlap }: FanOnPiece): Polygon[] {
  const width = edgeInset(fanWidth, overlap) + (fanWidth * (1 - overlap)) / 2;
  return edgesOfOutline(outline).map((edge) => [
    edge.a,
    edge.b,
    beside(edge, edge.b, 0, width),
    beside(edge, edge.a, 0, width),
  ]);
}

/** Turns passes by an angle on the wall. */
function turnPasses(passes: readonly PlannedPass[], angle: number): PlannedPass[] {
  return passes.map((pass) => {
    const [from = pass.from, to = pass.to] = turned([pass.from, pass.to], angle);
    return { ...pass, from, to };
  });
}

/**
 * Passes of a piece whose field passes run along x: the field alone, or the edges and then the field between them. On
 * a piece so narrow that the edge passes would fill it, the field alone too.
 */
function levelPasses(piece: Piece, settings: FanOnPiece, edgesFirst: boolean) {
  if (!edgesFirst) return { edges: [], ...fieldPasses(piece, settings, []), order: '' };
  const between = fieldPasses(piece, settings, edgeStrips(piece.outline, settings));
  if (between.passes.length > 0)
    return { edges: edgePasses(piece, settings), ...between, order: 'Edges first, then the field. ' };
  const order = 'Too narrow for edges first: they would lay the film twice. ';
  return { edges: [], ...fieldPasses(piece, settings, []), order };
}

/** Where one pass laps the next: half way between them, as far as both reach. */
function lapLinesOf(passes: readonly PlannedPass[], angle: number): PassPlan['lapLines'] {
  const field = turnPasses(
    passes.filter(({ kind }) => kind === 'field'),
    -angle,
  );
  return field.slice(1).flatMap((pass, index) => {
    const before = field[index];
    if (!before) return [];
    const y = (pass.from.y + before.from.y) / 2;
    const left = Math.max(Math.min(pass.from.x, pass.to.x), Math.min(before.from.x, before.to.x));
    const right = Math.min(Math.max(pass.from.x, pass.to.x), Math.max(before.from.x, before.to.x));
    const [from, to] = turned(
      [
        { x: left, y },
        { x: right, y },
      ],
      angle,
    );
    return right > left && from && to ? [{ from, to }] : [];
  });
}

/** Passes as they lie on a piece, whatever the gun lays on them. */
export type LaidPasses = Pick<PassPlan, 'passes' | 'angle' | 'spacing' | 'reason'>;

/** Lays out the passes of a piece and of settings that have been checked. */
export function layPasses(piece: Piece, fan: FanOnPiece, options: PlanOptions): LaidPasses {
  const { angle, reason } = angleOf(options.direction, piece.outline);
  const { edges, passes, spacing, order } = levelPasses(turnedPiece(piece, -angle), fan, options.edgesFirst);
  return {
    passes: turnPasses([...edges, ...passes], angle),
    angle,
    spacing,
    reason: `${order}${reason}`,
  };
}

/** Passes as a plan: with what they take of way, time and paint. */
export const planOf = (laid: LaidPasses, settings: PassSettings): PassPlan => ({
  ...accountFor(laid.passes, settings),
  passes: laid.passes,
  angle: laid.angle,
  spacing: laid.spacing,
  overlap: Math.max(0, 1 - laid.spacing / settings.fanWidth),
  lapLines: lapLinesOf(laid.passes, laid.angle),
  reason: laid.reason,
});

/**
 * Passes for a flat piece with openings: direction, lap lines, trigger points off the piece, edges first where asked,
 * with gun travel, trigger time, paint and what misses the piece.
 * @returns a refusal for an outline that crosses itself, an opening outside it, or settings that cannot be
 */
export function planPasses(
  piece: Piece,
  settings: PassSettings,
  options: PlanOptions,
  system: UnitSystem = 'metric',
): Result<PassPlan> {
  const checkedPiece = checkPiece(piece);
  if (!checkedPiece.ok) return checkedPiece;
  const checked = checkSettings(settings, system);
  return checked.ok ? accept(planOf(layPasses(piece, settings, options), settings)) : checked;
}
