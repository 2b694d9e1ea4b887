import { accept, refuse, type Result } from '../units';

/** Where the gun is and how it points at a moment. */
export interface GunPoint {
  /** Foot of the perpendicular from the tip to the wall, m. */
  readonly x: number;
  readonly y: number;
  /** Tip to wall, m. */
  readonly distance: number;
  /** Tilt in the plane of the fan and through it, radians; 0 is square to the wall. */
  readonly tiltAcross: number;
  readonly tiltThrough: number;
  /** Direction of the long axis of the fan on the wall, radians from the x axis: π/2 is an upright fan. */
  readonly orientation: number;
}

export interface TimedPoint extends GunPoint {
  /** Seconds from the start of the stroke. */
  readonly time: number;
}

/** A stroke of the gun: its way in time, straight between the points, and when the trigger is open. */
export interface Stroke {
  readonly points: readonly TimedPoint[];
  readonly triggers: readonly { readonly open: number; readonly close: number }[];
}

export interface StraightStroke {
  readonly from: { readonly x: number; readonly y: number };
  readonly to: { readonly x: number; readonly y: number };
  readonly speed: number;
  readonly distance: number;
  readonly orientation: number;
  /** m/s² from rest and to rest; missing: the gun is at speed throughout. */
  readonly acceleration?: number;
  /** Stretches of the way with the trigger open, m from the start; all of it where missing. */
  readonly open?: readonly { readonly from: number; readonly to: number }[];
}

/** Parts a run-up is cut into; film while accelerating is right to about (1/parts)². */
const RUN_UP_PARTS = 16;

/** Times at which the gun passes places along a straight way that starts and ends at rest. */
function timing(
  length: number,
  speed: number,
  acceleration: number | undefined,
): { at: number; time: number }[] {
  if (acceleration === undefined) {
    return [
      { at: 0, time: 0 },
      { at: length, time: length / speed },
    ];
  }
  const ramp = Math.min(length / 2, (speed * speed) / (2 * acceleration));
  const top = Math.sqrt(2 * acceleration * ramp);
  const rampTime = top / acceleration;
  const flatTime = (length - 2 * ramp) / top;
  const up = Array.from({ length: RUN_UP_PARTS + 1 }, (_, part) => {
    const time = (rampTime * part) / RUN_UP_PARTS;
    return { at: (acceleration * time * time) / 2, time };
  });
  const end = 2 * rampTime + flatTime;
  return [...up, ...up.map(({ at, time }) => ({ at: length - at, time: end - time })).reverse()];
}

/** A straight stroke at constant distance, square to the wall. */
export function straightStroke(stroke: StraightStroke): Stroke {
  const { from, to, speed, distance, orientation, acceleration } = stroke;
  const length = Math.hypot(to.x - from.x, to.y - from.y);
  const times = timing(length, speed, acceleration);
  const open = stroke.open ?? [{ from: 0, to: length }];
  const points = times.map(({ at, time }) => {
    const share = length > 0 ? at / length : 0;
    return {
      time,
      x: from.x + share * (to.x - from.x),
      y: from.y + share * (to.y - from.y),
      distance,
      tiltAcross: 0,
      tiltThrough: 0,
      orientation,
    };
  });
  return {
    points,
    triggers: open.map((part) => ({ open: timeAt(times, part.from), close: timeAt(times, part.to) })),
  };
}

function timeAt(times: readonly { at: number; time: number }[], at: number): number {
  const after = times.findIndex((point) => point.at >= at);
  const next = times[after];
  const last = times[times.length - 1];
  if (!next) return last?.time ?? 0;
  const before = times[after - 1];
  if (!before || next.at === before.at) return next.time;
  return before.time + ((at - before.at) / (next.at - before.at)) * (next.time - before.time);
}

/** How far a gun may be tilted before the model has no sense, radians. */
const TILT_LIMIT = (50 * Math.PI) / 180;

/** A stroke the simulation can lay; refuses times that run backwards, places off the earth, wild tilts. */
export function checkStroke({ points, triggers }: Stroke, field = 'stroke'): Result<Stroke> {
  if (points.length === 0)
    return refuse('stroke.empty', `${field}.points`, 'A stroke needs at least one place of the gun.');
  for (const [index, point] of points.entries()) {
    const at = `${field}.points.${index}`;
    const before = points[index - 1];
    if (!Number.isFinite(point.time) || (before && point.time < before.time)) {
      return refuse('stroke.time', at, 'The times of a stroke run forwards.');
    }
    if (!(Math.abs(point.x) <= 100 && Math.abs(point.y) <= 100)) {
      return refuse('stroke.place', at, 'The gun is nowhere near the wall.');
    }
    if (!(point.distance >= 0.05 && point.distance <= 1)) {
      return refuse('stroke.distance', at, 'The gun is 50 mm to 1 m from the wall.');
    }
    if (!(Math.abs(point.tiltAcross) <= TILT_LIMIT && Math.abs(point.tiltThrough) <= TILT_LIMIT)) {
      return refuse('stroke.tilt', at, 'The gun is tilted by 50° at most.');
    }
    if (!Number.isFinite(point.orientation)) return refuse('stroke.fan', at, 'The fan has no direction.');
  }
  if (
    !triggers.every(({ open, close }) => Number.isFinite(open) && Number.isFinite(close) && close >= open)
  ) {
    return refuse('stroke.trigger', `${field}.triggers`, 'The trigger closes after it opens.');
  }
  return accept({ points, triggers });
}

/** The gun between two places. */
export function between(a: GunPoint, b: GunPoint, share: number): GunPoint {
  const mix = (one: number, other: number) => one + share * (other - one);
  return {
    x: mix(a.x, b.x),
    y: mix(a.y, b.y),
    distance: mix(a.distance, b.distance),
    tiltAcross: mix(a.tiltAcross, b.tiltAcross),
    tiltThrough: mix(a.tiltThrough, b.tiltThrough),
    orientation: mix(a.orientation, b.orientation),
  };
}
