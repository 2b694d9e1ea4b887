import type { BuildSchool, OverlapSchool } from '../film';
import { ELEMENT_DATA, type Element } from '../takeoff';
import { FAN_SCHOOLS, NOMINAL_DISTANCE, type FanSchool } from '../tip';
import { of, type Length } from '../units';

/** The two schools of gun distance. */
export const DISTANCE_SCHOOLS = {
  'one distance': 'One distance everywhere: 12 in (305 mm)',
  closer: 'Closer on doors and small work: 8 in (200 mm)',
} as const;
export type DistanceSchool = keyof typeof DISTANCE_SCHOOLS;

/** What this crew holds with where the trade differs. */
export interface Schools {
  readonly fanWidth: FanSchool;
  /** A school, or the one with the smaller film variation for the tip in hand. */
  readonly overlap: OverlapSchool | 'smaller variation';
  readonly distance: DistanceSchool;
  readonly build: BuildSchool;
}

export const DEFAULT_SCHOOLS: Schools = {
  fanWidth: 'double inches',
  overlap: 'smaller variation',
  distance: 'one distance',
  build: 'lighter',
};

/** Distance of the closer school on small work. */
export const CLOSE_DISTANCE = of(200, 'mm');

/** Gun distance for a piece by the school held. */
export function gunDistance(element: Element, { distance }: Schools): Length {
  return distance === 'closer' && ELEMENT_DATA[element].fine ? CLOSE_DISTANCE : NOMINAL_DISTANCE;
}

/** Fan width by the school held; nothing where the school has no sense for this fan. */
export function fanWidthBy(fan: number, distance: Length, { fanWidth }: Schools): Length | undefined {
  return FAN_SCHOOLS[fanWidth].width(fan, distance);
}
