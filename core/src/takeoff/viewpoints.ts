import { boxOf, type Point } from '../shape';
import { extentOf, type PieceGeometry } from './geometry';
import { itemOf } from './items';
import { featureName, sizesOf, type Feature, type PlaceMeasure, type RoomMeasure } from './place';
import { slopeFactor, wallLengths } from './plan';

/** Somewhere a ceiling is seen from. */
export interface Viewpoint {
  readonly name: string;
  /** On the plane of the ceiling, m. */
  readonly at: Point;
}

/** A point of a room's plan on the plane of its ceiling, which a slope stretches. */
function onCeiling(room: RoomMeasure, { x, y }: Point): Point {
  const { ceiling } = room;
  if (ceiling.shape === 'flat') return { x, y };
  const factor = slopeFactor(room);
  return ceiling.rises === 'x' ? { x: x * factor, y } : { x, y: y * factor };
}

/** The doors and windows of a room that have a wall: the middle of each on its plan, half way along the wall where nobody measured its place. */
export function openingsOnPlan(
  room: RoomMeasure,
): readonly { readonly feature: Feature; readonly wall: number; readonly at: Point }[] {
  const lengths = wallLengths(room.plan);
  return room.features.flatMap((feature) => {
    const { item, wall, count, at } = feature;
    if (itemOf(item).opening === undefined || wall === undefined || count === 0) return [];
    const [a, b] = [room.plan[wall], room.plan[(wall + 1) % room.plan.length]];
    const length = lengths[wall] ?? 0;
    if (!a || !b || length <= 0) return [];
    const middle = at === undefined ? length / 2 : at + (sizesOf(feature, room).width ?? 0) / 2;
    const share = Math.min(1, middle / length);
    return [{ feature, wall, at: { x: a.x + share * (b.x - a.x), y: a.y + share * (b.y - a.y) } }];
  });
}

/**
 * Where a ceiling can be seen from: windows and doors that are measured in its room, and its four sides as they are drawn.
 * @param place the room it was measured in, where it was
 */
export function viewpointsOf(piece: PieceGeometry, place?: PlaceMeasure): readonly Viewpoint[] {
  const { width, height } = extentOf(piece);
  const { left, low } = piece.shape === 'outline' ? boxOf(piece.corners) : { left: 0, low: 0 };
  const [x, y] = [left + width / 2, low + height / 2];
  const sides: readonly Viewpoint[] = [
    { name: 'Left side', at: { x: left - 1, y } },
    { name: 'Right side', at: { x: left + width + 1, y } },
    { name: 'Top', at: { x, y: low + height + 1 } },
    { name: 'Foot', at: { x, y: low - 1 } },
  ];
  if (place?.kind !== 'room') return sides;
  const openings = openingsOnPlan(place).map(({ feature, wall, at }) => ({
    name: `${featureName(feature)}, wall ${wall + 1}`,
    at: onCeiling(place, at),
  }));
  return [...openings, ...sides];
}
