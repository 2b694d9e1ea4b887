import {
  boxOf,
  centroid,
  checkPiece,
  signedArea,
  sliceAt,
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
import { ARM, checkSettings, type Direction, type PassSettings } from './settings';

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

/** A piece turned by an angle, openings and all. */
function turnedPiece({ outline, openings }: Piece, angle: number): Piece {
  return { outline: turned(outline, angle), openings: openings.map((opening) => turned(opening, angle)) };
}

/** Middles of the passes from top to bottom of a height: the fan laps the edge as it laps a pass. */
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
  const spacing = (first - last) / (count - 1);
  return { at: Array.from({ length: count }, (_, index) => first - index * spacing), spacing };
}

/**
 * Heights at which a band of the piece is looked at: its edges, and just below and above every corner in it. Between
 * them the outline is straight, so that it is widest at one of them.
 */
function slicesOf(corners: readonly number[], low: number, high: number): number[] {
  const hair = (high - low) * 1e-6;
  const slices = [low + hair, high - hair];
  for (const y of corners) if (y > low && y < high) slices.push(y - hair, y + hair);
  return slices;
}

/** What a line of a piece holds: inside the outline, less the openings. */
function solidAt({ outline, openings }: Piece, y: number): readonly Interval[] {
  const solid = sliceAt(outline, y);
  const holes: Interval[] = [];
  for (const opening of openings) holes.push(...sliceAt(opening, y));
  return holes.length === 0 ? solid : without(solid, unite(holes));
}

/** Length that two sets of intervals have in common. */
function overlapLength(a: readonly Interval[], b: readonly Interval[]): number {
  let sum = 0;
  for (const one of a) {
    for (const other of b) sum += Math.max(0, Math.min(one.to, other.to) - Math.max(one.from, other.from));
  }
  return sum;
}

/** Weights of the parts of a fan across its width: 1 − s². An even number, so that none lies on a middle line. */
const FAN_PARTS = 10;
const PART_PLACES = Array.from({ length: FAN_PARTS }, (_, part) => -1 + (2 * part + 1) / FAN_PARTS);
const PART_WEIGHTS = PART_PLACES.map((s) => 1 - s * s);
const PART_SUM = PART_WEIGHTS.reduce((sum, weight) => sum + weight, 0);

/** Share of an open fan along a line that is over the piece. */
function shareOver(piece: Piece, y: number, fanWidth: number, open: readonly Interval[]): number {
  const length = open.reduce((sum, { from, to }) => sum + to - from, 0);
  if (length <= 0) return 0;
  const over = PART_PLACES.reduce(
    (sum, s, part) =>
      sum +
      ((PART_WEIGHTS[part] ?? 0) / PART_SUM) * overlapLength(open, solidAt(piece, y + (s * fanWidth) / 2)),
    0,
  );
  return over / length;
}

/**
 * Where the trigger is open along a line of a piece: from off its edges and over its openings, and from where strips
 * painted before end.
 */
function openAt(piece: Piece, strips: readonly Polygon[], y: number): Interval[] {
  const solid = solidAt(piece, y);
  const painted = strips.flatMap((strip) => sliceAt(strip, y));
  return without(solid, unite(painted)).map(({ from, to }) => ({
    from: solid.some((one) => one.from === from) ? from - ARM.lead : from,
    to: solid.some((one) => one.to === to) ? to + ARM.lead : to,
  }));
}

/**
 * Passes over a piece whose passes run along x, from the top down, turning at each end; what lies in strips painted
 * before is left out.
 */
function fieldPasses(
  piece: Piece,
  settings: PassSettings,
  strips: readonly Polygon[],
): { passes: PlannedPass[]; spacing: number } {
  const { low, high } = boxOf(piece.outline);
  const { fanWidth, overlap, gunSpeed } = settings;
  const { at, spacing } = lines(low, high, fanWidth, overlap);
  const half = at.length === 1 ? (high - low) / 2 : spacing / 2;
  const polygons = [piece.outline, ...piece.openings, ...strips];
  const corners = [...new Set(polygons.flatMap((polygon) => polygon.map(({ y }) => y)))];
  const passes: PlannedPass[] = [];
  for (const y of at) {
    const band = [Math.max(low, y - half), Math.min(high, y + half)] as const;
    const open = unite(
      slicesOf(corners, ...band).flatMap((slice) => openAt(piece, strips, slice)),
      ARM.shortestGap * gunSpeed,
    );
    const [first] = open;
    const last = open[open.length - 1];
    if (!first || !last) continue;
    const back = passes.length % 2 === 1;
    const [start, end] = back ? [last.to, first.from] : [first.from, last.to];
    const stretch = ({ from, to }: Interval) =>
      back ? { from: start - to, to: start - from } : { from: from - start, to: to - start };
    const stretches = open.map(stretch);
    passes.push({
      kind: 'field',
      from: { x: start, y },
      to: { x: end, y },
      open: back ? stretches.reverse() : stretches,
      overPiece: shareOver(piece, y, fanWidth, open),
    });
  }
  return { passes, spacing };
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
function edgePasses(piece: Piece, settings: PassSettings): PlannedPass[] {
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
      overPiece: shareOver(turnedPiece(piece, -angle), line.y, settings.fanWidth, [there]),
    };
  });
}

/** The strips that the edge passes fill: as every pass, half a spacing to each side of its middle. */
function edgeStrips(outline: Polygon, { fanWidth, overlap }: PassSettings): Polygon[] {
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
function levelPasses(piece: Piece, settings: PassSettings, edgesFirst: boolean) {
  if (!edgesFirst) return { edges: [], ...fieldPasses(piece, settings, []), order: '' };
  const between = fieldPasses(piece, settings, edgeStrips(piece.outline, settings));
  if (between.passes.length > 0)
    return { edges: edgePasses(piece, settings), ...between, order: 'Edges first, then the field. ' };
  const order = 'Too narrow for edges first: they would lay the film twice. ';
  return { edges: [], ...fieldPasses(piece, settings, []), order };
}

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
  if (!checked.ok) return checked;
  const { angle, reason } = angleOf(options.direction, piece.outline);
  const level = levelPasses(turnedPiece(piece, -angle), settings, options.edgesFirst);
  const { passes: field, spacing } = level;
  const passes = turnPasses([...level.edges, ...field], angle);
  const lapLines = field.slice(1).flatMap((pass, index) => {
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
  return accept({
    ...accountFor(passes, settings),
    passes,
    angle,
    spacing,
    overlap: Math.max(0, 1 - spacing / settings.fanWidth),
    lapLines,
    reason: `${level.order}${reason}`,
  });
}
