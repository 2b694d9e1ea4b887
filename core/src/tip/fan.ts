import { quantity, type Length } from '../units';

/** Gun distance at which fan numbers are defined: 12 in. */
export const NOMINAL_DISTANCE = quantity<Length>(0.3048);

export const FAN_SCHOOLS = ['double inches', 'five centimetres', 'ten degrees'] as const;
export type FanSchool = (typeof FAN_SCHOOLS)[number];

/**
 * Width of the fan on the wall from the fan number F at distance D.
 * "Double inches" and "five centimetres" are both W = D·F/6; "ten degrees" takes 10·F° as spray angle,
 * W = 2·D·tan(5°·F), which grows senseless from F = 18 (180°): Infinity there.
 */
export function fanWidth(fan: number, distance: Length, school: FanSchool = 'double inches'): Length {
  if (school !== 'ten degrees') return quantity((distance * fan) / 6);
  const halfAngle = (5 * fan * Math.PI) / 180;
  return quantity(halfAngle >= Math.PI / 2 ? Infinity : 2 * distance * Math.tan(halfAngle));
}
