import { normal, type Random } from '../random';
import { straightStroke, type Stroke } from '../simulation';
import { runUp, type PlannedPass } from './account';
import { ARM, type PassSettings } from './settings';

/** How far a hand strays: standard deviations, of the lap as a share of the fan, of the speed relative. */
export interface Hand {
  readonly lap: number;
  readonly speed: number;
  readonly random: Random;
}

/**
 * Passes as strokes for the simulation: at speed while the trigger is open, with run-up and run-out, the fan square to
 * the way of the gun. With a hand each pass strays a little, the same for the same seed.
 */
export function strokesFor(
  passes: readonly PlannedPass[],
  settings: Pick<PassSettings, 'gunSpeed' | 'distance' | 'fanWidth'>,
  hand?: Hand,
): readonly Stroke[] {
  return passes.map(({ from, to, open }) => {
    const length = Math.hypot(to.x - from.x, to.y - from.y);
    const [cx, cy] = [straightened((to.x - from.x) / length), straightened((to.y - from.y) / length)];
    const aside = hand ? normal(hand.random) * hand.lap * settings.fanWidth : 0;
    const speed = settings.gunSpeed * (hand ? Math.max(0.5, 1 + normal(hand.random) * hand.speed) : 1);
    const ramp = runUp(speed);
    const off = { x: -cy * aside, y: cx * aside };
    return straightStroke({
      from: { x: from.x - cx * ramp + off.x, y: from.y - cy * ramp + off.y },
      to: { x: from.x + cx * (length + ramp) + off.x, y: from.y + cy * (length + ramp) + off.y },
      speed,
      distance: settings.distance,
      orientation: squareTo(cx, cy),
      acceleration: ARM.acceleration,
      open: open.map((part) => ({ from: part.from + ramp, to: part.to + ramp })),
    });
  });
}

const HAIR = 1e-12;

/** A hair off level or upright is level or upright, so that such strokes are laid at once. */
const straightened = (part: number) => (Math.abs(part) < HAIR ? 0 : part);

/** Direction of a fan square to the way of the gun. */
function squareTo(cx: number, cy: number): number {
  if (cy === 0) return Math.PI / 2;
  if (cx === 0) return 0;
  return Math.atan2(cy, cx) + Math.PI / 2;
}
