import type { Point, Polygon } from '@fine-spray/core/shape';
import { line } from 'd3-shape';

/** A polygon as the path of a drawing. */
export const pathOf = (polygon: Polygon) => `M${polygon.map(({ x, y }) => `${x} ${y}`).join('L')}Z`;

const through = line<Point>()
  .x(({ x }) => x)
  .y(({ y }) => y)
  .digits(null);

/** Points joined by straight lines, left open; nothing where there are none. */
export const lineThrough = (points: readonly Point[]): string => through([...points]) ?? '';
