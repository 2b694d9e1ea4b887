import type { Piece, Point } from '../shape';
import { extentOf, outlineOf, rectangle, usualSill, type Opening, type PieceGeometry } from '../takeoff';

const onePerOpening = (openings: readonly Opening[]) =>
  openings.flatMap((opening) => Array.from({ length: opening.count }, () => opening));

/** Openings one after the other along a piece, with even gaps; ones that do not fit side by side are left out. */
function evenlyApart(
  openings: readonly Opening[],
  width: number,
  height: number,
): readonly (readonly Point[])[] {
  const fitting: Opening[] = [];
  let taken = 0;
  for (const opening of onePerOpening(openings)) {
    if (taken + opening.width > width * 0.95 || opening.height > height) continue;
    fitting.push(opening);
    taken += opening.width;
  }
  const gap = (width - taken) / (fitting.length + 1);
  let x = gap;
  return fitting.map((opening) => {
    const shape = rectangle(
      x,
      usualSill(opening.kind, opening.height, height),
      opening.width,
      opening.height,
    );
    x += opening.width + gap;
    return shape;
  });
}

/**
 * One piece of a surface as an outline with openings. Where nobody has measured the places of all of them, doors stand on
 * the floor, windows on a usual sill, evenly apart.
 */
export function pieceOf(piece: PieceGeometry): Piece {
  const { width, height } = piece.shape === 'outline' ? extentOf(piece) : piece;
  const there = piece.openings.filter(({ count }) => count > 0);
  const measured = there.every(({ at }) => at !== undefined);
  return {
    outline: outlineOf(piece),
    openings: measured
      ? there.map((one) => rectangle(one.at ?? 0, one.sill ?? 0, one.width, one.height))
      : evenlyApart(there, width, height),
  };
}
