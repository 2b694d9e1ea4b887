import type { Point } from '../shape';
import {
  extentOf,
  itemOf,
  openingsOnPlan,
  piecesOf,
  type Element,
  type PlaceMeasure,
  type RoomMeasure,
  type Side,
  type SurfaceGeometry,
} from '../takeoff';
import { farthestWay, longestWay, type FloorWay } from './floor';

/** The doors of a room that are measured on its plan: their middles. */
export const doorsOf = (room: RoomMeasure): readonly Point[] =>
  openingsOnPlan(room)
    .filter(({ feature }) => itemOf(feature.item).opening === 'door')
    .map(({ at }) => at);

/** The way in a measured room from its door to its far corner; from its worst corner where no door has a place. */
export function acrossRoom(room: RoomMeasure): FloorWay {
  const [door] = doorsOf(room);
  return door ? farthestWay(room.plan, door) : longestWay(room.plan);
}

/** Lower than this no wall of a room or house is, m. */
const LOW = 1;

/** A surface as far as its room's size can be told from it. */
export interface SurfaceInRoom {
  readonly element: Element;
  readonly side: Side;
  readonly geometry: SurfaceGeometry;
}

/**
 * How far it is from the door of a room to its far corner, m. Of a measured room by its plan; else from what is sprayed there: corner to corner
 * of its ceiling, or of its two widest walls; outside half way round. Nothing where there is nothing to tell it from.
 */
export function acrossOf(
  surfaces: readonly SurfaceInRoom[],
  place?: PlaceMeasure,
): { readonly across: number; readonly measured: boolean } {
  if (place?.kind === 'room') return { across: acrossRoom(place).length, measured: true };
  const widths = (element: Element) =>
    surfaces
      .filter((one) => one.element === element)
      .flatMap(({ geometry }) => piecesOf(geometry))
      // A plinth runs along a wall that is counted by itself.
      .filter((piece) => extentOf(piece).height >= LOW)
      .flatMap((piece) => Array.from({ length: Math.min(piece.count, 8) }, () => extentOf(piece).width))
      .sort((a, b) => b - a);
  const walls = widths('wall');
  if (surfaces.some(({ side, element }) => side === 'outside' && element === 'wall')) {
    const round = walls.reduce((sum, width) => sum + width, 0);
    return { across: Math.max(round / 2, walls[0] ?? 0), measured: false };
  }
  const ceilings = surfaces
    .filter(({ element }) => element === 'ceiling')
    .flatMap(({ geometry }) => piecesOf(geometry))
    .map((piece) => {
      const { width, height } = extentOf(piece);
      return Math.hypot(width, height);
    });
  if (ceilings.length > 0) return { across: Math.max(...ceilings), measured: false };
  const longest = surfaces
    .flatMap(({ geometry }) => piecesOf(geometry))
    .reduce((most, piece) => Math.max(most, Math.max(...Object.values(extentOf(piece)))), 0);
  const [widest = 0, second = 0] = [
    walls[0],
    walls.find((width) => width < (walls[0] ?? 0) - 0.05) ?? walls[1],
  ];
  return { across: walls.length > 0 ? Math.hypot(widest, second) : longest, measured: false };
}
