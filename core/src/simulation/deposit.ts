import { axisOf, layAlong, stamp } from './footprint';
import { between, type GunPoint, type Stroke } from './stroke';
import type { WallSimulation } from './wall';

/** Whether a move can be laid at once: straight, square to the fan, nothing else changing, the gun not tilted through. */
function squareMove(from: GunPoint, to: GunPoint): boolean {
  const axis = axisOf(from.orientation);
  const tilted = [from, to].some((gun) => gun.tiltAcross !== 0 || gun.tiltThrough !== 0);
  if (axis === 'slanted' || tilted) return false;
  if (from.distance !== to.distance || from.orientation !== to.orientation) return false;
  return axis === 'upright' ? from.y === to.y && from.x !== to.x : from.x === to.x && from.y !== to.y;
}

/** Stamps lie so close that the sheet of the fan covers several of them. */
const STAMP_SHARE = 0.25;

/** Lays what the gun sprays on its way between two places in a time, trigger open. One pointer move of a live stroke. */
export function layMove(simulation: WallSimulation, from: GunPoint, to: GunPoint, seconds: number): void {
  if (!(seconds > 0)) return;
  const { fan, grid } = simulation;
  const sprayed = fan.flow * seconds;
  const volume = sprayed * fan.transferEfficiency;
  simulation.sprayed += sprayed;
  simulation.overspray += sprayed - volume;
  if (simulation.method === 'along' && squareMove(from, to)) {
    layAlong(simulation, from, to, volume);
    return;
  }
  const way =
    Math.hypot(to.x - from.x, to.y - from.y) + Math.abs(to.tiltThrough - from.tiltThrough) * from.distance;
  const step = Math.max(grid.cell, fan.thickness * Math.min(from.distance, to.distance)) * STAMP_SHARE;
  const stamps = Math.max(1, Math.ceil(way / step));
  for (let index = 0; index < stamps; index += 1) {
    stamp(simulation, between(from, to, (index + 0.5) / stamps), volume / stamps);
  }
}

/** Lays a whole stroke: every stretch between its points in which the trigger is open. */
export function layStroke(simulation: WallSimulation, { points, triggers }: Stroke): void {
  const [first] = points;
  if (points.length === 1 && first) {
    for (const { open, close } of triggers) layMove(simulation, first, first, close - open);
    return;
  }
  for (let index = 1; index < points.length; index += 1) {
    const a = points[index - 1];
    const b = points[index];
    if (!a || !b || b.time <= a.time) continue;
    for (const { open, close } of triggers) {
      const from = Math.max(open, a.time);
      const to = Math.min(close, b.time);
      if (to <= from) continue;
      const share = (time: number) => (time - a.time) / (b.time - a.time);
      layMove(simulation, between(a, b, share(from)), between(a, b, share(to)), to - from);
    }
  }
}
