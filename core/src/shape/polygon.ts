import { accept, refuse, type Result } from '../units';

export interface Point {
  readonly x: number;
  readonly y: number;
}

/** Corners in order, metres; the last is joined to the first. */
export type Polygon = readonly Point[];

export interface Interval {
  readonly from: number;
  readonly to: number;
}

/** Area with its sign: positive when the corners run anticlockwise (shoelace formula). */
export function signedArea(polygon: Polygon): number {
  let sum = 0;
  polygon.forEach((a, index) => {
    const b = polygon[(index + 1) % polygon.length] ?? a;
    sum += a.x * b.y - b.x * a.y;
  });
  return sum / 2;
}

export function areaOf(polygon: Polygon): number {
  return Math.abs(signedArea(polygon));
}

/** Turn of c as seen along a → b: positive to the left. */
function turn(a: Point, b: Point, c: Point): number {
  return (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x);
}

function onSegment(a: Point, b: Point, p: Point): boolean {
  return (
    Math.min(a.x, b.x) <= p.x &&
    p.x <= Math.max(a.x, b.x) &&
    Math.min(a.y, b.y) <= p.y &&
    p.y <= Math.max(a.y, b.y)
  );
}

/** Whether two segments touch or cross. */
export function segmentsMeet(a: Point, b: Point, c: Point, d: Point): boolean {
  const [p, q, r, s] = [turn(a, b, c), turn(a, b, d), turn(c, d, a), turn(c, d, b)];
  if (((p > 0 && q < 0) || (p < 0 && q > 0)) && ((r > 0 && s < 0) || (r < 0 && s > 0))) return true;
  return (
    (p === 0 && onSegment(a, b, c)) ||
    (q === 0 && onSegment(a, b, d)) ||
    (r === 0 && onSegment(c, d, a)) ||
    (s === 0 && onSegment(c, d, b))
  );
}

const edgesOf = (polygon: Polygon) =>
  polygon.map((from, index) => [from, polygon[(index + 1) % polygon.length] ?? from] as const);

/** Whether the outline crosses or touches itself anywhere but at neighbouring corners. */
function crossesItself(polygon: Polygon): boolean {
  const edges = edgesOf(polygon);
  return edges.some(([a, b], i) =>
    edges.some(([c, d], j) => {
      if (j <= i) return false;
      const neighbours = j === i + 1 || (i === 0 && j === edges.length - 1);
      if (!neighbours) return segmentsMeet(a, b, c, d);
      // Neighbours share a corner; they fold back on each other when they also run along one another.
      const [shared, one, other] = j === i + 1 ? [b, a, d] : [a, b, c];
      const along = (one.x - shared.x) * (other.x - shared.x) + (one.y - shared.y) * (other.y - shared.y);
      return turn(one, shared, other) === 0 && along > 0;
    }),
  );
}

/** Whether a point lies inside (even-odd rule); points on the outline may fall either way. */
export function contains(polygon: Polygon, { x, y }: Point): boolean {
  let inside = false;
  for (const [a, b] of edgesOf(polygon)) {
    if (a.y > y !== b.y > y && x < ((b.x - a.x) * (y - a.y)) / (b.y - a.y) + a.x) inside = !inside;
  }
  return inside;
}

/** Parts of a horizontal line inside a polygon, left to right. */
export function sliceAt(polygon: Polygon, y: number): readonly Interval[] {
  const crossings: number[] = [];
  let a = polygon[polygon.length - 1];
  for (const b of polygon) {
    if (a && a.y > y !== b.y > y) crossings.push(((b.x - a.x) * (y - a.y)) / (b.y - a.y) + a.x);
    a = b;
  }
  if (crossings.length > 2) crossings.sort((one, other) => one - other);
  const slices: Interval[] = [];
  for (let index = 0; index + 1 < crossings.length; index += 2) {
    const [one = 0, other = 0] = [crossings[index], crossings[index + 1]];
    slices.push({ from: Math.min(one, other), to: Math.max(one, other) });
  }
  return slices;
}

/** Joins intervals that touch, or lie no more than `gap` apart. */
export function unite(intervals: readonly Interval[], gap = 0): readonly Interval[] {
  const sorted = [...intervals].sort((a, b) => a.from - b.from);
  const united: { from: number; to: number }[] = [];
  for (const { from, to } of sorted) {
    const last = united[united.length - 1];
    if (last && from <= last.to + gap + 1e-12) last.to = Math.max(last.to, to);
    else united.push({ from, to });
  }
  return united;
}

/** What is left of intervals when others are taken out. */
export function without(intervals: readonly Interval[], holes: readonly Interval[]): readonly Interval[] {
  let rest = intervals;
  for (const hole of holes) {
    const parts: Interval[] = [];
    for (const { from, to } of rest) {
      const [before, after] = [Math.min(to, hole.from), Math.max(from, hole.to)];
      if (before > from) parts.push({ from, to: before });
      if (to > after) parts.push({ from: after, to });
    }
    rest = parts;
  }
  return rest;
}

export function turned(polygon: Polygon, angle: number): Polygon {
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  return polygon.map(({ x, y }) => ({ x: c * x - s * y, y: s * x + c * y }));
}

/** The smallest upright box around points; without points there is none: everything is infinite. */
export interface Box {
  readonly left: number;
  readonly right: number;
  readonly low: number;
  readonly high: number;
}

export function boxOf(points: readonly Point[]): Box {
  let [left, right, low, high] = [Infinity, -Infinity, Infinity, -Infinity];
  for (const { x, y } of points) {
    left = Math.min(left, x);
    right = Math.max(right, x);
    low = Math.min(low, y);
    high = Math.max(high, y);
  }
  return { left, right, low, high };
}

export function centroid(polygon: Polygon): Point {
  const area = signedArea(polygon);
  let x = 0;
  let y = 0;
  for (const [a, b] of edgesOf(polygon)) {
    const cross = a.x * b.y - b.x * a.y;
    x += (a.x + b.x) * cross;
    y += (a.y + b.y) * cross;
  }
  return { x: x / (6 * area), y: y / (6 * area) };
}

/** A flat piece to paint: its outline and what is left out of it. */
export interface Piece {
  readonly outline: Polygon;
  readonly openings: readonly Polygon[];
}

export function netArea({ outline, openings }: Piece): number {
  return areaOf(outline) - openings.reduce((sum, opening) => sum + areaOf(opening), 0);
}

/** Largest reach of a piece, m; beyond it a coordinate is a slip of the hand. */
export const REACH = 200;
const CORNERS = 200;
/** Openings may lie on the outline: so much off counts as on it. */
const TOUCH = 1e-6;

/** Whether all corners lie on one line. */
function isLine(polygon: Polygon): boolean {
  const [origin] = polygon;
  return (
    origin === undefined || !polygon.some((b) => polygon.some((c) => Math.abs(turn(origin, b, c)) > 2e-6))
  );
}

function checkPolygon(polygon: Polygon, field: string, what: string): Result<Polygon> {
  if (polygon.length < 3 || polygon.length > CORNERS) {
    return refuse('shape.corners', field, `${what} needs 3 to ${CORNERS} corners.`);
  }
  if (!polygon.every(({ x, y }) => Math.abs(x) <= REACH && Math.abs(y) <= REACH)) {
    return refuse(
      'shape.size',
      field,
      `${what} has a corner that is no place on a house: within ${REACH} m.`,
    );
  }
  if (isLine(polygon)) return refuse('shape.flat', field, `${what} has no area.`);
  if (crossesItself(polygon)) {
    return refuse('shape.crosses', field, `${what} crosses itself. Give its corners in order around it.`);
  }
  return accept(polygon);
}

/** Whether a point is inside a polygon or within a hair of its outline. */
function insideOrOn(polygon: Polygon, point: Point): boolean {
  return contains(polygon, point) || edgesOf(polygon).some(([a, b]) => distanceTo(a, b, point) <= TOUCH);
}

function distanceTo(a: Point, b: Point, p: Point): number {
  const length = (b.x - a.x) ** 2 + (b.y - a.y) ** 2;
  const t = Math.min(1, Math.max(0, ((p.x - a.x) * (b.x - a.x) + (p.y - a.y) * (b.y - a.y)) / length));
  return Math.hypot(p.x - a.x - t * (b.x - a.x), p.y - a.y - t * (b.y - a.y));
}

/** Points along the edges of a polygon, to see whether any lies outside another. */
const along = (polygon: Polygon) =>
  edgesOf(polygon).flatMap(([a, b]) =>
    [0, 0.25, 0.5, 0.75].map((t) => ({ x: a.x + t * (b.x - a.x), y: a.y + t * (b.y - a.y) })),
  );

function properlyCross(one: Polygon, other: Polygon): boolean {
  return edgesOf(one).some(([a, b]) =>
    edgesOf(other).some(([c, d]) => {
      const [p, q, r, s] = [turn(a, b, c), turn(a, b, d), turn(c, d, a), turn(c, d, b)];
      return p * q < -1e-15 && r * s < -1e-15;
    }),
  );
}

/**
 * A piece that can be painted: outlines that do not cross themselves, openings inside it and apart from each other,
 * something left to paint.
 */
export function checkPiece(piece: Piece): Result<Piece> {
  const outline = checkPolygon(piece.outline, 'outline', 'The outline');
  if (!outline.ok) return outline;
  for (const [index, opening] of piece.openings.entries()) {
    const field = `openings.${index}`;
    const checked = checkPolygon(opening, field, 'This opening');
    if (!checked.ok) return checked;
    if (properlyCross(opening, piece.outline) || !along(opening).every((p) => insideOrOn(piece.outline, p))) {
      return refuse(
        'opening.outside',
        field,
        'This opening lies outside the piece it is in, or reaches out of it.',
      );
    }
    const clash = piece.openings.slice(0, index).findIndex((other) => overlaps(opening, other));
    if (clash >= 0) {
      return refuse(
        'opening.overlap',
        field,
        `This opening lies over opening ${clash + 1}. Move one of them.`,
      );
    }
  }
  if (netArea(piece) <= 1e-6)
    return refuse('openings.cover', 'openings', 'The openings leave nothing to paint.');
  return accept(piece);
}

/** Where a segment meets the edges of a polygon, from 0 at its start to 1 at its end, in order. */
function meetings(a: Point, b: Point, polygon: Polygon): readonly number[] {
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  const length = dx * dx + dy * dy;
  const found = [0, 1];
  for (const [c, d] of edgesOf(polygon)) {
    found.push(((c.x - a.x) * dx + (c.y - a.y) * dy) / length);
    const [ex, ey] = [d.x - c.x, d.y - c.y];
    const across = dx * ey - dy * ex;
    if (across !== 0) found.push(((c.x - a.x) * ey - (c.y - a.y) * ex) / across);
  }
  return found.filter((t) => t >= 0 && t <= 1).sort((one, other) => one - other);
}

/**
 * Whether the outline of one polygon runs inside another: parts of its edges between the places where they meet the other's
 * are looked at a hair inside their own polygon, so that outlines that only touch do not count.
 */
function runsInside(one: Polygon, other: Polygon): boolean {
  const left = signedArea(one) > 0 ? 1 : -1;
  return edgesOf(one).some(([a, b]) => {
    const length = Math.hypot(b.x - a.x, b.y - a.y);
    if (length <= TOUCH) return false;
    const [nx, ny] = [(-left * (b.y - a.y)) / length, (left * (b.x - a.x)) / length];
    const parts = meetings(a, b, other);
    return parts.some((from, index) => {
      const to = parts[index + 1];
      if (to === undefined || (to - from) * length <= TOUCH) return false;
      const t = (from + to) / 2;
      const inner = { x: a.x + t * (b.x - a.x) + TOUCH * nx, y: a.y + t * (b.y - a.y) + TOUCH * ny };
      return contains(other, inner);
    });
  });
}

/** Whether two polygons share more than a hair of area. */
function overlaps(one: Polygon, other: Polygon): boolean {
  return runsInside(one, other) || runsInside(other, one);
}
