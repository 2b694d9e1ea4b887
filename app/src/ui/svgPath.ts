import type { Polygon } from '@fine-spray/core/shape';

/** A polygon as the path of a drawing. */
export const pathOf = (polygon: Polygon) => `M${polygon.map(({ x, y }) => `${x} ${y}`).join('L')}Z`;
