import type { Input } from '../explain';
import { FAN_WIDTH_LIMITS, GUN_DISTANCE_LIMITS } from '../tip';
import {
  accept,
  firstRefusal,
  refuse,
  within,
  type Fraction,
  type Length,
  type Result,
  type Speed,
  type UnitSystem,
} from '../units';
import type { Point } from '../shape';

/** How the gun moves and what the fan lays: what a pass plan stands on. */
export interface PassSettings {
  readonly fanWidth: Length;
  readonly distance: Length;
  readonly overlap: Fraction;
  readonly gunSpeed: Speed;
  readonly flow: Input;
  readonly transfer: Input;
}

/** Which way the passes run. */
export type Direction =
  | { readonly kind: 'across' }
  | { readonly kind: 'up and down' }
  | { readonly kind: 'angle'; readonly angle: number }
  /** Across the line of sight from a door or window: what a ceiling wants. */
  | { readonly kind: 'across sight'; readonly viewpoint: Point };

/** Working habits of the arm (judgement, editable). */
export const ARM = {
  /** How far off the piece the trigger opens and closes, m. */
  lead: 0.05,
  /** Run-up and run-out, m/s². */
  acceleration: 4,
  /** Gaps shorter than this are sprayed through: a finger is not quicker, s. */
  shortestGap: 0.25,
  /** Speed of the gun between passes, m/s. */
  moving: 0.8,
} as const;

/** Whether passes can be laid out by these settings at all. */
export function checkSettings(settings: PassSettings, system: UnitSystem = 'metric'): Result<PassSettings> {
  const { fanWidth, distance, overlap, gunSpeed, flow, transfer } = settings;
  if (!(overlap >= 0 && overlap <= 0.9)) {
    return refuse(
      'overlap',
      'overlap',
      'The overlap is a share of the fan from 0 to 90 %: at 100 % every pass lies on the one before.',
    );
  }
  const failed = firstRefusal(
    within(fanWidth, FAN_WIDTH_LIMITS, 'fanWidth', system, 'fanWidth', 'Fan width'),
    within(distance, GUN_DISTANCE_LIMITS, 'distance', system, 'distance', 'Gun distance'),
    within(gunSpeed, { min: 0.05, max: 3 }, 'speed', system, 'gunSpeed', 'Gun speed'),
    within(flow.value, { min: 1e-7, max: 1e-3 }, 'flow', system, 'flow', 'Flow'),
    within(transfer.value, { min: 0.05, max: 1 }, 'percent', system, 'transfer', 'Transfer efficiency'),
  );
  return failed ?? accept(settings);
}
