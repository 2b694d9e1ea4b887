import type { FanOnPiece, PassSettings } from '../passes';
import { areaOf, boxOf, netArea, type Piece, type Point, type Polygon } from '../shape';
import { CHANGE, OPEN_TIME, ROLLED } from './habits';

export const CREWS = ['alone', 'two'] as const;
/** Who rolls behind the gun: the one who sprays, or somebody else meanwhile. */
export type RollingCrew = (typeof CREWS)[number];

/** A stretch of a piece that is sprayed and rolled while its film is open. */
export interface Stretch {
  readonly piece: Piece;
  /** Time to roll it, s. */
  readonly rolling: number;
}

/** What is left of a polygon on one side of an upright line (Sutherland and Hodgman, 1974). */
function beyond(polygon: Polygon, at: number, side: 1 | -1): Polygon {
  const inside = ({ x }: Point) => side * (x - at) >= 0;
  return polygon.flatMap((b, index) => {
    const a = polygon[(index + polygon.length - 1) % polygon.length] ?? b;
    const cut = { x: at, y: a.y + ((b.y - a.y) * (at - a.x)) / (b.x - a.x || 1) };
    if (inside(b)) return inside(a) ? [b] : [cut, b];
    return inside(a) ? [cut] : [];
  });
}

const between = (polygon: Polygon, left: number, right: number): Polygon =>
  beyond(beyond(polygon, left, 1), right, -1);

/** Area that a gun covers at speed, m²/s. */
const sprayed = ({ fanWidth, overlap }: FanOnPiece, gunSpeed: number): number =>
  fanWidth * (1 - overlap) * gunSpeed;

/** The largest area that is sprayed and rolled within the open time, m²: by one after the other, or at the pace of the one who rolls. */
export function openArea(settings: PassSettings, crew: RollingCrew): number {
  if (crew === 'two') return OPEN_TIME.least * ROLLED;
  return (OPEN_TIME.least - CHANGE) / (1 / sprayed(settings, settings.gunSpeed) + 1 / ROLLED);
}

/** A piece in stretches from left to right, each no larger than is rolled into before its film sets; all as wide. */
export function stretchesOf(piece: Piece, settings: PassSettings, crew: RollingCrew): readonly Stretch[] {
  const { left, right } = boxOf(piece.outline);
  const count = Math.max(1, Math.ceil(netArea(piece) / openArea(settings, crew)));
  const width = (right - left) / count;
  return Array.from({ length: count }, (_unused, index): Stretch => {
    const [from, to] = [left + index * width, left + (index + 1) * width];
    const openings = piece.openings
      .map((opening) => between(opening, from, to))
      .filter((opening) => opening.length > 2 && areaOf(opening) > 1e-6);
    const stretch = { outline: between(piece.outline, from, to), openings };
    return { piece: stretch, rolling: netArea(stretch) / ROLLED };
  });
}
