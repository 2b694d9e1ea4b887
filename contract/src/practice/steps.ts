import type { TimedPoint } from '@fine-spray/core/simulation';

// Without a schema: it is asked for while somebody sprays.

const DEGREE = Math.PI / 180;
/** Steps that a stroke is recorded in: a millisecond, a tenth of a millimetre, a hundredth of a degree. */
const STEP = { time: 1e-3, place: 1e-4, angle: 0.01 } as const;

const stepped = (value: number, step: number): number => Math.round(value / step);
const angle = (hundredths: number): number => (hundredths / 100) * DEGREE;

/** A time as it is recorded, ms. */
export const timeSteps = (seconds: number): number => stepped(seconds, STEP.time);

/** A place of the gun as it is recorded: time ms, x, y, distance in tenths of a millimetre, tilt across, tilt through, direction of the fan in hundredths of a degree. */
export type Packed = [number, number, number, number, number, number, number];

export const packed = (gun: TimedPoint): Packed => [
  timeSteps(gun.time),
  stepped(gun.x, STEP.place),
  stepped(gun.y, STEP.place),
  stepped(gun.distance, STEP.place),
  stepped(gun.tiltAcross / DEGREE, STEP.angle),
  stepped(gun.tiltThrough / DEGREE, STEP.angle),
  stepped(gun.orientation / DEGREE, STEP.angle),
];

export const pointOf = ([time, x, y, distance, across, through, orientation]: Packed): TimedPoint => ({
  time: time / 1000,
  x: x / 10_000,
  y: y / 10_000,
  distance: distance / 10_000,
  tiltAcross: angle(across),
  tiltThrough: angle(through),
  orientation: angle(orientation),
});

/** A place of the gun as it is recorded: to its steps, so that what is laid live is what a file of it lays. */
export const steppedPoint = (gun: TimedPoint): TimedPoint => pointOf(packed(gun));
