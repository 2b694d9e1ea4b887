import type { Polygon } from '@fine-spray/core/shape';

/** A polygon as the path of a drawing. */
export const pathOf = (polygon: Polygon) => `M${polygon.map(({ x, y }) => `${x} ${y}`).join('L')}Z`;

/** Points joined by straight lines, left open. */
export const lineThrough = (points: readonly { readonly x: number; readonly y: number }[]) =>
  points.map(({ x, y }, index) => `${index === 0 ? 'M' : 'L'}${x} ${y}`).join('');
