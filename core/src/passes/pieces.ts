import type { Piece, Point } from '../shape';
import type { Opening, SurfaceGeometry } from '../takeoff';

/** Sill of a window whose place nobody has measured, m. */
const SILL = 0.9;

const rectangle = (x: number, y: number, width: number, height: number): readonly Point[] => [
  { x, y },
  { x: x + width, y },
  { x: x + width, y: y + height },
  { x, y: y + height },
];

/** Openings one after the other along a piece, with even gaps; ones that do not fit side by side are left out. */
function placed(openings: readonly Opening[], width: number, height: number): readonly (readonly Point[])[] {
  const each = openings.flatMap((opening) => Array.from({ length: opening.count }, () => opening));
  const fitting: Opening[] = [];
  let taken = 0;
  for (const opening of each) {
    if (taken + opening.width > width * 0.95 || opening.height > height) continue;
    fitting.push(opening);
    taken += opening.width;
  }
  const gap = (width - taken) / (fitting.length + 1);
  let x = gap;
  return fitting.map((opening) => {
    const sill = opening.kind === 'door' ? 0 : Math.max(0, Math.min(SILL, height - opening.height));
    const shape = rectangle(x, sill, opening.width, opening.height);
    x += opening.width + gap;
    return shape;
  });
}

/**
 * One piece of a surface as an outline with openings. Take-off knows sizes and counts of openings, not their places:
 * doors stand on the floor, windows on a usual sill, evenly apart.
 */
export function pieceOf({ shape, width, height, ridge, openings }: SurfaceGeometry): Piece {
  const outline =
    shape === 'gable'
      ? [
          { x: 0, y: 0 },
          { x: width, y: 0 },
          { x: width, y: height },
          ...(ridge !== undefined && ridge > height ? [{ x: width / 2, y: ridge }] : []),
          { x: 0, y: height },
        ]
      : rectangle(0, 0, width, height);
  return { outline, openings: placed(openings, width, height) };
}
