import { fanProfileAt, visibleShare, type FanProfile } from '../film';
import { FAMILY_DATA, type TipFamily } from '../tip';
import type { Flow, Fraction } from '../units';

/** A fan as the simulation lays it. */
export interface SprayFan {
  readonly flow: Flow;
  readonly transferEfficiency: Fraction;
  /** Half the support across the fan over the gun distance. */
  readonly spread: number;
  /** Half the support through the fan over the gun distance. */
  readonly thickness: number;
  readonly profile: FanProfile;
}

/** Half-thickness of a fan's sheet on the wall over the gun distance: about 25 mm at 12 in. Judgement. */
export const SHEET_THICKNESS = 0.08;

/** What names a fan: plain data, so that it can be sent to a worker. */
export interface FanSettings {
  readonly family: TipFamily;
  readonly fan: number;
  readonly flow: Flow;
  readonly transferEfficiency: Fraction;
  /** Gun pressure over the even-fan pressure; tails below 1. */
  readonly pressureRatio: number;
}

/** The fan of a tip: the visible width of its number, the profile of its family at this pressure. */
export function sprayFan({ family, fan, flow, transferEfficiency, pressureRatio }: FanSettings): SprayFan {
  const { profileExponent } = FAMILY_DATA[family];
  return {
    flow,
    transferEfficiency,
    spread: fan / 12 / visibleShare(profileExponent),
    thickness: SHEET_THICKNESS,
    profile: fanProfileAt(profileExponent, pressureRatio),
  };
}

/** Through the sheet film falls as 1 − t²: share of the paint below t, in closed form. */
export function sheetBelow(t: number): number {
  if (t <= -1) return 0;
  if (t >= 1) return 1;
  return (2 + 3 * t - t * t * t) / 4;
}

/** ∫ of `sheetBelow` up to t: what a stroke through the sheet lays is a difference of it. */
export function sheetIntegral(t: number): number {
  if (t <= -1) return 0;
  if (t >= 1) return t;
  return (3 + 8 * t + 6 * t * t - t ** 4) / 16;
}
