import { ARM, runUp, type PlannedPass } from '../passes';
import type { Point } from '../shape';

/** A pass on the clock, s from where its stage begins: the gun starts, runs up, is at speed, runs out, stops. */
export interface TimedPass extends PlannedPass {
  readonly start: number;
  readonly end: number;
}

const lengthOf = ({ from, to }: PlannedPass): number => Math.hypot(to.x - from.x, to.y - from.y);

/**
 * Passes one after the other at a speed, with run-up, run-out and the moves between them. The last ends after `gunTime` of their account.
 * @param speed m/s
 */
export function timedPasses(passes: readonly PlannedPass[], speed: number): readonly TimedPass[] {
  const ramps = (4 * runUp(speed)) / speed;
  let now = 0;
  return passes.map((pass, index) => {
    const start = now;
    const end = start + lengthOf(pass) / speed + ramps;
    const next = passes[index + 1];
    now = end + (next ? Math.hypot(next.from.x - pass.to.x, next.from.y - pass.to.y) / ARM.moving : 0);
    return { ...pass, start, end };
  });
}

/** Where the gun is on the piece, and whether it sprays. */
export interface GunAt {
  /** Which pass is on, or the one it moves to. */
  readonly pass: number;
  readonly at: Point;
  readonly open: boolean;
  /** How far along the pass the gun is, m: negative in the run-up. */
  readonly way: number;
}

/** A place on the line of a pass, m from its start: before and beyond its ends, too. */
export function onPass(pass: PlannedPass, way: number): Point {
  const length = lengthOf(pass) || 1;
  return {
    x: pass.from.x + ((pass.to.x - pass.from.x) * way) / length,
    y: pass.from.y + ((pass.to.y - pass.from.y) * way) / length,
  };
}

/** Way along a pass at a time since its start, m from where it opens at the earliest. */
function wayAt(time: number, length: number, speed: number): number {
  const ramp = runUp(speed);
  const rising = (2 * ramp) / speed;
  const cruising = length / speed;
  if (time < rising) return (time / rising) ** 2 * ramp - ramp;
  if (time <= rising + cruising) return (time - rising) * speed;
  const left = Math.max(0, 2 * rising + cruising - time);
  return length + ramp - (left / rising) ** 2 * ramp;
}

/**
 * Where the gun is at a moment of a stage.
 * @param time s from the start of its first pass; before and after it the gun stands at the ends
 */
export function gunAt(passes: readonly TimedPass[], time: number, speed: number): GunAt | undefined {
  const last = passes[passes.length - 1];
  if (!last) return undefined;
  const now = Math.min(Math.max(0, time), last.end);
  const on = passes.findIndex(({ end }) => now <= end);
  const index = on < 0 ? passes.length - 1 : on;
  const pass = passes[index] ?? last;
  if (now < pass.start) {
    // On the way from the pass before: from where the one runs out to where the other runs up.
    const before = passes[index - 1] ?? pass;
    const share = (now - before.end) / Math.max(1e-9, pass.start - before.end);
    const ramp = runUp(speed);
    const [here, there] = [onPass(before, lengthOf(before) + ramp), onPass(pass, -ramp)];
    const at = { x: here.x + share * (there.x - here.x), y: here.y + share * (there.y - here.y) };
    return { pass: index, at, open: false, way: -ramp };
  }
  const way = wayAt(now - pass.start, lengthOf(pass), speed);
  return {
    pass: index,
    at: onPass(pass, way),
    open: pass.open.some(({ from, to }) => way >= from && way <= to),
    way,
  };
}
