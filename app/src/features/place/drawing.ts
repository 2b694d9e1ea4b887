import { boxOf, type Point, type Polygon } from '@fine-spray/core';

/** A box around points, with some margin. */
export interface Frame {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

export function frameOf(points: Polygon, margin: number): Frame {
  const { left, right, low, high } = boxOf(points);
  const [width, height] = [right - left, high - low];
  return { x: left - margin, y: low - margin, width: width + 2 * margin, height: height + 2 * margin };
}

/** Middle of a wall, moved to the left of its way by so much: into a room that runs clockwise on the page. */
export function besideWall(a: Point, b: Point, by: number): Point {
  const length = Math.hypot(b.x - a.x, b.y - a.y) || 1;
  return {
    x: (a.x + b.x) / 2 - ((b.y - a.y) / length) * by,
    y: (a.y + b.y) / 2 + ((b.x - a.x) / length) * by,
  };
}
