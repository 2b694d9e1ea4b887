import { boxOf, type Point } from '@fine-spray/core/shape';

/** A point or a way in space, m: x and y along the ground, z up. */
export interface Point3 {
  readonly x: number;
  readonly y: number;
  readonly z: number;
}

export const minus = (a: Point3, b: Point3): Point3 => ({ x: a.x - b.x, y: a.y - b.y, z: a.z - b.z });
export const dot = (a: Point3, b: Point3) => a.x * b.x + a.y * b.y + a.z * b.z;
const cross = (a: Point3, b: Point3): Point3 => ({
  x: a.y * b.z - a.z * b.y,
  y: a.z * b.x - a.x * b.z,
  z: a.x * b.y - a.y * b.x,
});
const scaled = (a: Point3, by: number): Point3 => ({ x: a.x * by, y: a.y * by, z: a.z * by });
const plus = (a: Point3, b: Point3): Point3 => ({ x: a.x + b.x, y: a.y + b.y, z: a.z + b.z });

/** The middle of the corners of an outline. */
export const middleOf = (corners: readonly Point3[]): Point3 =>
  scaled(corners.reduce(plus, { x: 0, y: 0, z: 0 }), 1 / Math.max(1, corners.length));

/** The normal of a plane outline (Newell's method): as long as twice its area, up where its corners run anticlockwise. */
function normalOf(corners: readonly Point3[]): Point3 {
  return corners.reduce(
    (sum, a, index) => {
      const b = corners[(index + 1) % corners.length] ?? a;
      return {
        x: sum.x + (a.y - b.y) * (a.z + b.z),
        y: sum.y + (a.z - b.z) * (a.x + b.x),
        z: sum.z + (a.x - b.x) * (a.y + b.y),
      };
    },
    { x: 0, y: 0, z: 0 },
  );
}

/** How far corners may lie off their plane, m. */
const OFF_PLANE = 0.05;

/** A plane in space with its own axes: u along the floor to the right of who looks against the normal, v up the slope. */
export interface Plane {
  readonly origin: Point3;
  readonly normal: Point3;
  readonly u: Point3;
  readonly v: Point3;
}

/** The plane an outline lies in; nothing where it lies in none, or is no area. */
export function planeOf(corners: readonly Point3[]): Plane | undefined {
  const normal = normalOf(corners);
  const length = Math.sqrt(dot(normal, normal));
  const [origin] = corners;
  if (!origin || length < 1e-6) return undefined;
  const unit = scaled(normal, 1 / length);
  if (corners.some((corner) => Math.abs(dot(minus(corner, origin), unit)) > OFF_PLANE)) return undefined;
  const along = cross({ x: 0, y: 0, z: 1 }, unit);
  const flat = Math.sqrt(dot(along, along));
  // A level plane has no way along the floor of its own: take the model's x.
  const u = flat < 1e-9 ? { x: 1, y: 0, z: 0 } : scaled(along, 1 / flat);
  return { origin, normal: unit, u, v: cross(unit, u) };
}

/**
 * The plane of a rectangle that is given by where it faces: its lower left corner as seen from outside, the compass bearing
 * it faces (clockwise from the model's north, y) and its tilt (0 faces up, 90° is upright), degrees.
 */
export function planeFacing(origin: Point3, azimuth: number, tilt: number): Plane {
  const [a, t] = [(azimuth * Math.PI) / 180, (tilt * Math.PI) / 180];
  const normal = { x: Math.sin(t) * Math.sin(a), y: Math.sin(t) * Math.cos(a), z: Math.cos(t) };
  const u = { x: -Math.cos(a), y: Math.sin(a), z: 0 };
  return { origin, normal, u, v: cross(normal, u) };
}

/** A point of a plane in space. */
export const inSpace = ({ origin, u, v }: Plane, { x, y }: Point): Point3 =>
  plus(origin, plus(scaled(u, x), scaled(v, y)));

const tidy = (value: number) => Math.round(value * 1e6) / 1e6;

/** Corners in the axes of a plane, seen against its normal. */
export const onPlane = ({ origin, u, v }: Plane, corners: readonly Point3[]): readonly Point[] =>
  corners.map((corner) => ({ x: dot(minus(corner, origin), u), y: dot(minus(corner, origin), v) }));

/**
 * An outline from its lower left corner, and what lies on it in the same measure.
 * @param mirrored as seen along the normal, from behind
 */
export function fromLowerLeft(
  outline: readonly Point[],
  others: readonly (readonly Point[])[],
  mirrored: boolean,
): readonly (readonly Point[])[] {
  const seen = (points: readonly Point[]) =>
    mirrored ? points.map(({ x, y }) => ({ x: -x, y })).reverse() : points;
  const { left, low } = boxOf(seen(outline));
  return [outline, ...others].map((points) =>
    seen(points).map(({ x, y }) => ({ x: tidy(x - left), y: tidy(y - low) })),
  );
}
