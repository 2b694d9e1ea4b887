import { contains, type Point, type Polygon } from '../shape';

const distance = (a: Point, b: Point): number => Math.hypot(b.x - a.x, b.y - a.y);

/** Up to so near the outline a point is on it, m. */
const ON = 1e-6;
/** A line is looked at in so many places. */
const LOOKS = 32;

function besideEdge(plan: Polygon, p: Point): boolean {
  return plan.some((a, index) => {
    const b = plan[(index + 1) % plan.length] ?? a;
    const length = distance(a, b);
    if (length < ON) return distance(a, p) < ON;
    const along = Math.min(
      1,
      Math.max(0, ((p.x - a.x) * (b.x - a.x) + (p.y - a.y) * (b.y - a.y)) / length ** 2),
    );
    return distance(p, { x: a.x + along * (b.x - a.x), y: a.y + along * (b.y - a.y) }) < ON;
  });
}

/** Whether one can go straight from a to b on a floor. */
function straight(plan: Polygon, a: Point, b: Point): boolean {
  for (let look = 0; look <= LOOKS; look += 1) {
    const share = look / LOOKS;
    const p = { x: a.x + share * (b.x - a.x), y: a.y + share * (b.y - a.y) };
    if (!contains(plan, p) && !besideEdge(plan, p)) return false;
  }
  return true;
}

/** A way on a floor: its corners from the one end to the other, and how long it is, m. */
export interface FloorWay {
  readonly points: readonly Point[];
  readonly length: number;
}

/**
 * The shortest way on a floor between two points of it, round its corners (Dijkstra over what sees what).
 * @returns the straight line where neither is on the floor
 */
export function floorWay(plan: Polygon, from: Point, to: Point): FloorWay {
  const nodes = [from, to, ...plan];
  const way = nodes.map((_node, index) => (index === 0 ? 0 : Infinity));
  const before = nodes.map(() => -1);
  const open = new Set(nodes.keys());
  while (open.size > 0) {
    const now = [...open].reduce((least, one) => ((way[one] ?? 0) < (way[least] ?? 0) ? one : least));
    open.delete(now);
    const here = nodes[now];
    if (!here || now === 1 || way[now] === Infinity) break;
    for (const next of open) {
      const there = nodes[next] ?? here;
      const length = (way[now] ?? 0) + distance(here, there);
      if (length >= (way[next] ?? 0) || !straight(plan, here, there)) continue;
      way[next] = length;
      before[next] = now;
    }
  }
  if (way[1] === Infinity) return { points: [from, to], length: distance(from, to) };
  const points: Point[] = [];
  for (let at = 1; at >= 0; at = before[at] ?? -1) points.unshift(nodes[at] ?? to);
  return { points, length: way[1] ?? 0 };
}

/** The way from a point of a floor to the corner that is furthest from it on foot. */
export const farthestWay = (plan: Polygon, from: Point): FloorWay =>
  plan
    .map((corner) => floorWay(plan, from, corner))
    .reduce((most, one) => (one.length > most.length ? one : most));

/** The longest way on a floor from any of its corners: where nobody knows where its door is. */
export const longestWay = (plan: Polygon): FloorWay =>
  plan
    .map((corner) => farthestWay(plan, corner))
    .reduce((most, one) => (one.length > most.length ? one : most));
