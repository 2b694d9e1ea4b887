import { boxOf, signedArea, type Point, type Polygon } from '../shape';

const unit = (a: Point, b: Point): Point => {
  const length = Math.hypot(b.x - a.x, b.y - a.y);
  return { x: (b.x - a.x) / length, y: (b.y - a.y) / length };
};
const at = (plan: Polygon, index: number): Point => plan[index % plan.length] ?? { x: 0, y: 0 };

/**
 * A plan with one wall of another length. The walls after it move along up to the next wall that runs the other way,
 * which changes by as much, so that all corners keep their angles; where there is none, only the next corner moves.
 */
export function withWallLength(plan: Polygon, wall: number, length: number): Polygon {
  const [a, b] = [at(plan, wall), at(plan, wall + 1)];
  const way = unit(a, b);
  const more = length - Math.hypot(b.x - a.x, b.y - a.y);
  const moved = { x: way.x * more, y: way.y * more };
  let opposite = wall + 1;
  for (let index = wall + 1; index < wall + plan.length; index += 1) {
    const [c, d] = [at(plan, index), at(plan, index + 1)];
    const other = unit(c, d);
    if (other.x * way.x + other.y * way.y < -1 + 1e-9) {
      opposite = index;
      break;
    }
  }
  const moves = new Set(
    Array.from({ length: opposite - wall }, (_unused, step) => (wall + 1 + step) % plan.length),
  );
  return plan.map((corner, index) =>
    moves.has(index) ? { x: corner.x + moved.x, y: corner.y + moved.y } : corner,
  );
}

/** A plan with a corner put into the middle of a wall. */
export function withCorner(plan: Polygon, wall: number): Polygon {
  const [a, b] = [at(plan, wall), at(plan, wall + 1)];
  return [...plan.slice(0, wall + 1), { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 }, ...plan.slice(wall + 1)];
}

/** A plan without one corner; a triangle stays as it is. */
export function withoutCorner(plan: Polygon, corner: number): Polygon {
  return plan.length <= 3 ? plan : plan.filter((_point, index) => index !== corner);
}

/** An L: a rectangle with a piece out of the far right corner. */
export function lPlan(length: number, width: number, outLength = length / 2, outWidth = width / 2): Polygon {
  return [
    { x: 0, y: 0 },
    { x: length - outLength, y: 0 },
    { x: length - outLength, y: outWidth },
    { x: length, y: outWidth },
    { x: length, y: width },
    { x: 0, y: width },
  ];
}

/** A drawn outline as a plan: clockwise on the page, from its upper left, so that walls are seen from inside. */
export function asPlan(outline: Polygon): Polygon {
  const clockwise = signedArea(outline) < 0 ? [...outline].reverse() : [...outline];
  const { left, low } = boxOf(outline);
  const moved = clockwise.map(({ x, y }) => ({ x: tidy(x - left), y: tidy(y - low) }));
  let first = 0;
  moved.forEach(({ x, y }, index) => {
    const best = moved[first];
    if (best && x + y < best.x + best.y - 1e-9) first = index;
  });
  return [...moved.slice(first), ...moved.slice(0, first)];
}
/** Without the dust of a subtraction: to a hundredth of a millimetre. */
const tidy = (value: number) => Math.round(value * 1e5) / 1e5;

/** A drawn point on the grid, and straight above or beside the last corner where it nearly is. */
export function snapped(point: Point, grid: number, from?: Point): Point {
  const onGrid = (value: number) => Number((Math.round(value / grid) * grid).toFixed(9));
  const to = { x: onGrid(point.x), y: onGrid(point.y) };
  if (!from) return to;
  const [dx, dy] = [Math.abs(to.x - from.x), Math.abs(to.y - from.y)];
  if (dx < dy * STRAIGHT) return { x: from.x, y: to.y };
  if (dy < dx * STRAIGHT) return { x: to.x, y: from.y };
  return to;
}
/** Walls nearer to square than this slope are meant to be square. */
const STRAIGHT = 0.15;
