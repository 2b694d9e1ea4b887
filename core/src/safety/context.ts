import type { CoatingBase } from '../coating';
import type { Element, Side, Wind } from '../takeoff';

/** Steps of the work at which something can hurt. */
export const STEPS = [
  'prepare',
  'set up',
  'check paint',
  'dial in',
  'spray',
  'clear a clog',
  'shut down',
] as const;
export type Step = (typeof STEPS)[number];

export const SURFACE_AGES = ['old', 'unknown', 'new'] as const;
/** Painted before lead was taken out of house paint; not known; or surely after. */
export type SurfaceAge = (typeof SURFACE_AGES)[number];

export const POWERS = ['electric', 'engine'] as const;
export type Power = (typeof POWERS)[number];

/** What is known of a site besides the piece; what is left out nobody knows. */
export interface SiteFacts {
  readonly power?: Power | undefined;
  readonly surfaceAge?: SurfaceAge | undefined;
  readonly wetGround?: boolean | undefined;
}

/** Facts as the rules take them: mains where the machine is not known, paint of unknown age, ground as dry as it was last seen. */
export function siteOf({ power = 'electric', surfaceAge = 'unknown', wetGround = false }: SiteFacts = {}) {
  return { power, surfaceAge, wetGround } as const;
}

export interface SafetyContext {
  readonly step: Step;
  readonly base: CoatingBase;
  readonly element: Element;
  readonly side: Side;
  readonly wind: Wind;
  /** Top edge of the piece above the floor, metres. */
  readonly reach: number;
  readonly power: Power;
  readonly surfaceAge: SurfaceAge;
  /** Rain, dew or water where the cord lies or the feet stand. */
  readonly wetGround: boolean;
}

/** Height that a painter still sprays from the floor, metres. */
export const FLOOR_REACH = 2.7;

/** Whether the work is above what is reached from the floor. */
export function isHigh({ reach, element, side }: Pick<SafetyContext, 'reach' | 'element' | 'side'>): boolean {
  return reach > FLOOR_REACH || (element === 'ceiling' && side === 'inside');
}
