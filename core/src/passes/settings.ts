import type { Input } from '../explain';
import { FAN_WIDTH_LIMITS, GUN_DISTANCE_LIMITS, type TipFamily } from '../tip';
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

/** The fan that passes are laid out for. */
export interface FanOnPiece {
  readonly family: TipFamily;
  readonly fanWidth: Length;
  readonly overlap: Fraction;
}

/** How the gun moves and what the fan lays: what a pass plan stands on. */
export interface PassSettings extends FanOnPiece {
  readonly distance: Length;
  readonly gunSpeed: Speed;
  readonly flow: Input;
  /** Share of the paint over the piece that stays on it: what is left is lost in the air. */
  readonly air: Input;
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
  /** Gaps shorter than this are sprayed through: at 0.6 m/s a finger is not quicker, m. */
  shortestGap: 0.15,
  /** Speed of the gun between passes, m/s. */
  moving: 0.8,
} as const;

/** Whether passes can be laid out by these settings at all. */
export function checkSettings(settings: PassSettings, system: UnitSystem = 'metric'): Result<PassSettings> {
  const { fanWidth, distance, overlap, gunSpeed, flow, air } = settings;
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
    within(air.value, { min: 0.05, max: 1 }, 'percent', system, 'air', 'Share not lost in the air'),
  );
  return failed ?? accept(settings);
}
