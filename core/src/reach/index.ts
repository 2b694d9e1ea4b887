export {
  IN_HAND,
  standsFor,
  type Reached,
  type ReachedRoom,
  type Stand,
  type Stands,
  type WayBetween,
} from './stands';
export { acrossOf, acrossRoom, doorsOf, type SurfaceInRoom } from './across';
export { farthestWay, floorWay, longestWay, type FloorWay } from './floor';
