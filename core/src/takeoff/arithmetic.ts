import { quantity, showText, type Area, type UnitSystem } from '../units';
import { openingsArea, pieceArea, piecesOf, type PieceGeometry, type SurfaceGeometry } from './geometry';

/** One line of how an area was worked out. */
export interface AreaLine {
  readonly name: string;
  /** The sum as one would write it: "6.20 × 2.60", "2 × 0.90 × 2.10". */
  readonly sum: string;
  /** What it comes to, m²; less than nothing where it is taken off. */
  readonly area: Area;
}

const OPENING_WORDS = {
  door: ['Door', 'Doors'],
  window: ['Window', 'Windows'],
  other: ['Opening', 'Openings'],
} as const;

function pieceSum(piece: PieceGeometry, length: (value: number) => string, system: UnitSystem): string {
  const times = piece.count === 1 ? '' : `${piece.count} × `;
  if (piece.shape === 'outline') {
    const one = `${piece.corners.length} corners`;
    return piece.count === 1 ? one : `${times}${showText(pieceArea(piece), 'area', system)} (${one})`;
  }
  const { shape, width, height, ridge = height } = piece;
  if (shape === 'gable') return `${times}${length(width)} × (${length(height)} + ${length(ridge)}) ÷ 2`;
  return `${times}${length(width)} × ${length(height)}`;
}

/** How the area of a surface was worked out: each piece, each group of openings taken off it. The lines add up to the net area. */
export function areaLines(geometry: SurfaceGeometry, system: UnitSystem): readonly AreaLine[] {
  const length = (value: number) => showText(value, 'size', system);
  return piecesOf(geometry).flatMap((piece): AreaLine[] => [
    {
      name: piece.name ?? 'Piece',
      sum: pieceSum(piece, length, system),
      area: quantity(pieceArea(piece) * piece.count),
    },
    ...piece.openings
      .filter(({ count }) => count > 0)
      .map((opening): AreaLine => ({
        name: OPENING_WORDS[opening.kind][opening.count === 1 ? 0 : 1],
        sum: `${opening.count === 1 ? '' : `${opening.count} × `}${length(opening.width)} × ${length(opening.height)}`,
        area: quantity(-openingsArea({ ...piece, openings: [opening] })),
      })),
  ]);
}
