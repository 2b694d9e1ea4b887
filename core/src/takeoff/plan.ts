import { areaOf, boxOf, checkPiece, type Point, type Polygon } from '../shape';
import { accept, refuse, showText, within, type Result, type UnitSystem } from '../units';
import { SIZE_LIMITS, type OutlineGeometry, type PieceGeometry, type SheetGeometry } from './geometry';

/** A ceiling: flat, one slope from the wall height up to the ridge, or two slopes with the ridge in the middle. */
export type Ceiling =
  | { readonly shape: 'flat' }
  | {
      readonly shape: 'sloped' | 'vaulted';
      /** Height of the ridge above the floor, m. */
      readonly ridge: number;
      /** The way it rises: over the x or over the y of the plan; the ridge runs the other way. */
      readonly rises: 'x' | 'y';
    };

/** The inside of a room: its plan, the height of its lowest walls and its ceiling. Metres. */
export interface RoomShape {
  /** Corners in order, y down the page; clockwise on the page (positive area), walls are seen from inside. */
  readonly plan: Polygon;
  readonly height: number;
  readonly ceiling: Ceiling;
}

/** The shortest wall a plan may have, m: below it two corners are one. */
const SHORTEST_WALL = 0.02;

/** A rectangular plan. */
export function rectanglePlan(length: number, width: number): Polygon {
  return [
    { x: 0, y: 0 },
    { x: length, y: 0 },
    { x: length, y: width },
    { x: 0, y: width },
  ];
}

/** Length and width of a plan that is a rectangle along its axes; nothing for any other plan. */
export function rectangleOf(plan: Polygon): { length: number; width: number } | undefined {
  if (plan.length !== 4) return undefined;
  const { left, right, low, high } = boxOf(plan);
  const onCorners = plan.every(({ x, y }) => (x === left || x === right) && (y === low || y === high));
  return onCorners ? { length: right - left, width: high - low } : undefined;
}

/** How far a plan reaches along an axis. */
function span(plan: Polygon, axis: 'x' | 'y'): { low: number; high: number } {
  const { left, right, low, high } = boxOf(plan);
  return axis === 'x' ? { low: left, high: right } : { low, high };
}

const distance = (a: Point, b: Point) => Math.hypot(b.x - a.x, b.y - a.y);
const between = (a: Point, b: Point, share: number): Point => ({
  x: a.x + share * (b.x - a.x),
  y: a.y + share * (b.y - a.y),
});

/** The walls of a plan: from each corner to the next. */
function sidesOf(plan: Polygon): readonly (readonly [Point, Point])[] {
  return plan.map((corner, index) => [corner, plan[(index + 1) % plan.length] ?? corner]);
}

/** Lengths of the walls, in the order of the corners, m. */
export function wallLengths(plan: Polygon): readonly number[] {
  return sidesOf(plan).map(([a, b]) => distance(a, b));
}

export function perimeterOf(plan: Polygon): number {
  return wallLengths(plan).reduce((sum, length) => sum + length, 0);
}

/** How high a room is above any point of its plan, m: its extent is looked up once. */
function heights({ plan, height, ceiling }: RoomShape): (point: Point) => number {
  if (ceiling.shape === 'flat') return () => height;
  const { low, high } = span(plan, ceiling.rises);
  return (point) => {
    const share = (point[ceiling.rises] - low) / (high - low);
    const rise = ceiling.shape === 'sloped' ? share : 1 - Math.abs(2 * share - 1);
    return height + (ceiling.ridge - height) * rise;
  };
}

/** Height of the room above a point of its plan, m. */
export function heightAt(room: RoomShape, point: Point): number {
  return heights(room)(point);
}

/** Where a wall passes below the ridge of a vaulted ceiling, as a share of its length. */
function ridgeOn([a, b]: readonly [Point, Point], { plan, ceiling }: RoomShape): number | undefined {
  if (ceiling.shape !== 'vaulted') return undefined;
  const { low, high } = span(plan, ceiling.rises);
  const share = ((low + high) / 2 - a[ceiling.rises]) / (b[ceiling.rises] - a[ceiling.rises]);
  return share > 1e-9 && share < 1 - 1e-9 ? share : undefined;
}

/** The walls of a room as pieces, from corner to corner, without openings: rectangles, and outlines below a slope. */
export function wallPieces(room: RoomShape): readonly PieceGeometry[] {
  const heightOver = heights(room);
  return sidesOf(room.plan).map((side, index) => {
    const [a, b] = side;
    const width = distance(a, b);
    const [left, right] = [heightOver(a), heightOver(b)];
    const ridge = ridgeOn(side, room);
    const base = { name: `Wall ${index + 1}`, count: 1, openings: [] };
    if (ridge === undefined && Math.abs(left - right) < 1e-9) {
      return { ...base, shape: 'rectangle', width, height: left } satisfies SheetGeometry;
    }
    const peak = ridge === undefined ? [] : [{ x: ridge * width, y: heightOver(between(a, b, ridge)) }];
    return {
      ...base,
      shape: 'outline',
      corners: [{ x: 0, y: 0 }, { x: width, y: 0 }, { x: width, y: right }, ...peak, { x: 0, y: left }],
    } satisfies OutlineGeometry;
  });
}

/** True length over the length on plan, along the way a ceiling rises. */
export function slopeFactor({ plan, height, ceiling }: RoomShape): number {
  if (ceiling.shape === 'flat') return 1;
  const { low, high } = span(plan, ceiling.rises);
  const run = ceiling.shape === 'sloped' ? high - low : (high - low) / 2;
  return Math.hypot(run, ceiling.ridge - height) / run;
}

/** The ceiling of a room as one piece, laid flat: a plan stretched by its slope the way it rises. */
export function ceilingPiece(room: RoomShape): PieceGeometry {
  const { plan, ceiling } = room;
  const factor = slopeFactor(room);
  const along = ceiling.shape === 'flat' ? undefined : ceiling.rises;
  const base = {
    name: ceiling.shape === 'flat' ? 'Ceiling' : `Ceiling, ${ceiling.shape}`,
    count: 1,
    openings: [],
  };
  const sides = rectangleOf(plan);
  if (sides) {
    return {
      ...base,
      shape: 'rectangle',
      width: sides.length * (along === 'x' ? factor : 1),
      height: sides.width * (along === 'y' ? factor : 1),
    };
  }
  return {
    ...base,
    shape: 'outline',
    corners: plan.map(({ x, y }) => ({
      x: along === 'x' ? x * factor : x,
      y: along === 'y' ? y * factor : y,
    })),
  };
}

/** The slopes of a ceiling one by one: of two the one over the lower x or y first. A ceiling that is no rectangle, or has one slope, is one. */
export function ceilingSlopes(room: RoomShape): readonly PieceGeometry[] {
  const whole = ceilingPiece(room);
  const { ceiling } = room;
  if (ceiling.shape !== 'vaulted' || whole.shape !== 'rectangle') return [whole];
  const half =
    ceiling.rises === 'x' ? { ...whole, width: whole.width / 2 } : { ...whole, height: whole.height / 2 };
  return [1, 2].map((slope) => ({ ...half, name: `Ceiling, slope ${slope}` }));
}

/** Whether a room can be one: an outline that does not cross itself, walls that are walls, a ridge above the walls. */
export function checkRoom(room: RoomShape, system: UnitSystem = 'metric'): Result<RoomShape> {
  const { plan, height, ceiling } = room;
  const sides = rectangleOf(plan);
  if (sides) {
    for (const [name, value] of Object.entries(sides)) {
      const label = name === 'length' ? 'Length' : 'Width';
      const checked = within(value, SIZE_LIMITS, 'size', system, `plan.${name}`, label);
      if (!checked.ok) return checked;
    }
  }
  const short = wallLengths(plan).findIndex((length) => !(length >= SHORTEST_WALL));
  if (short >= 0) {
    return refuse(
      'plan.wall',
      `plan.${short}`,
      `Wall ${short + 1} has no length. Move one of its corners or take it out.`,
    );
  }
  const outline = checkPiece({ outline: plan, openings: [] });
  if (!outline.ok) {
    const message =
      outline.code === 'shape.crosses'
        ? 'The plan crosses itself. Move a corner so that no wall runs through another.'
        : outline.message;
    return { ...outline, message, field: 'plan' };
  }
  const tall = within(height, SIZE_LIMITS, 'size', system, 'height', 'Height');
  if (!tall.ok) return tall;
  if (ceiling.shape !== 'flat') {
    const ridge = within(ceiling.ridge, SIZE_LIMITS, 'size', system, 'ceiling.ridge', 'Height at the ridge');
    if (!ridge.ok) return ridge;
    if (ceiling.ridge < height) {
      return refuse(
        'ceiling.ridge',
        'ceiling.ridge',
        `The ridge must be at least as high as the walls (${showText(height, 'size', system)}).`,
      );
    }
  }
  return accept(room);
}

/** Floor area of a room, m². */
export function floorArea({ plan }: RoomShape): number {
  return areaOf(plan);
}
