import {
  accept,
  firstRefusal,
  of,
  within,
  type Length,
  type Result,
  type Speed,
  type UnitSystem,
} from '../units';

/** Way of the gun in one beat: a stroke of 2.4 m is two. Trade practice: a hand keeps a speed by counting. */
export const BEAT_WAY = of(1.2, 'm');

const STROKE_LIMITS = { min: of(0.2, 'm'), max: of(12, 'm') };
const SPEED_LIMITS = { min: of(0.05, 'm/s'), max: of(5, 'm/s') };

/** The tempo that moves a gun at a speed: every stroke begins and ends on a beat. */
export interface Beat {
  readonly stroke: Length;
  readonly speed: Speed;
  /** Beats of a stroke, at least one. */
  readonly beats: number;
  /** Of a stroke, s. */
  readonly time: number;
  /** From beat to beat, s. */
  readonly interval: number;
  readonly perMinute: number;
}

/**
 * The tempo of a stroke.
 * @param stroke way of the gun from end to end, 0.2 to 12 m
 * @param speed of the gun, 0.05 to 5 m/s
 * @returns a refusal for a stroke or a speed outside of these
 */
export function beatFor(stroke: Length, speed: Speed, system: UnitSystem = 'metric'): Result<Beat> {
  const failed = firstRefusal(
    within(stroke, STROKE_LIMITS, 'size', system, 'stroke', 'Stroke'),
    within(speed, SPEED_LIMITS, 'speed', system, 'speed', 'Gun speed'),
  );
  if (failed) return failed;
  const beats = Math.max(1, Math.round(stroke / BEAT_WAY));
  const time = stroke / speed;
  return accept({ stroke, speed, beats, time, interval: time / beats, perMinute: (60 * beats) / time });
}
