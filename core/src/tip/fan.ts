import { explain, chosen, type Explained } from '../explain';
import { quantity, refuse, within, accept, type Length, type Result, type UnitSystem } from '../units';
import { FAN_LIMITS } from './code';

/** Gun distance at which fan numbers are defined: 12 in. */
export const NOMINAL_DISTANCE = quantity<Length>(0.3048);

/** Distances at which a fan has a width worth naming, metres. */
export const GUN_DISTANCE_LIMITS = { min: 0.05, max: 1 } as const;

/** Widths a fan may have, metres. */
export const FAN_WIDTH_LIMITS = { min: 0.02, max: 2 } as const;

/** Width on the wall, or nothing where the school has no sense for this fan. */
type WidthOfSchool = (fan: number, distance: Length) => Length | undefined;

/** W = D·F/6: twice the fan number in inches at 12 in, and five times in centimetres at 30 cm. */
export function fanWidth(fan: number, distance: Length): Length {
  return quantity((distance * fan) / 6);
}

/** W = 2·D·tan(5°·F), ten times the fan number as the angle; nothing from fan 18 (180°) on. */
export function sprayAngleWidth(fan: number, distance: Length): Length | undefined {
  const halfAngle = (5 * fan * Math.PI) / 180;
  return halfAngle >= Math.PI / 2 ? undefined : quantity(2 * distance * Math.tan(halfAngle));
}

interface FanSchoolData {
  readonly name: string;
  readonly width: WidthOfSchool;
}

/** The three schools of reading a fan number; the first is the default. */
export const FAN_SCHOOLS = {
  'double inches': { name: 'Twice the fan number, in inches at 12 in', width: fanWidth },
  'five centimetres': { name: 'Five times the fan number, in centimetres at 30 cm', width: fanWidth },
  'spray angle': { name: 'Ten times the fan number, as the spray angle', width: sprayAngleWidth },
} as const satisfies Record<string, FanSchoolData>;

export type FanSchool = keyof typeof FAN_SCHOOLS;
const FAN_SCHOOL_IDS = Object.keys(FAN_SCHOOLS) as FanSchool[];

export interface FanReading {
  readonly school: FanSchool;
  readonly name: string;
  /** Missing where the school has no sense for this fan. */
  readonly width?: Explained;
  /** How much wider than the default school, 0.12 = 12 %; missing with the width. */
  readonly divergence?: number;
}

/**
 * Width of a fan by each school, with how far it parts from the default one.
 * @param fan fan number, 1 to 24
 * @param distance gun to wall
 * @returns a refusal for a fan or a distance that no gun has
 */
export function fanReadings(
  fan: number,
  distance: Length,
  system: UnitSystem = 'metric',
): Result<readonly FanReading[]> {
  if (!(Number.isInteger(fan) && fan >= FAN_LIMITS.low && fan <= FAN_LIMITS.high)) {
    return refuse('tip.fan', 'fan', `The fan number is a whole number from 1 to ${FAN_LIMITS.high}.`);
  }
  const checked = within(distance, GUN_DISTANCE_LIMITS, 'distance', system, 'distance', 'Gun distance');
  if (!checked.ok) return checked;
  const usual = fanWidth(fan, distance);
  return accept(
    FAN_SCHOOL_IDS.map((school) => {
      const { name, width: widthOf } = FAN_SCHOOLS[school];
      const width = widthOf(fan, distance);
      if (width === undefined) return { school, name };
      const inputs = {
        fan: chosen('Fan number', 'count', fan, 'Tip code'),
        distance: chosen('Gun distance', 'distance', distance, 'Chosen here'),
      };
      const formula = widthOf === sprayAngleWidth ? 'spray angle width' : 'fan width';
      return {
        school,
        name,
        width: explain(formula, 'fanWidth', inputs, (v) => widthOf(v.fan, quantity(v.distance)) ?? width),
        divergence: width / usual - 1,
      };
    }),
  );
}
