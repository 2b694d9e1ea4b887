import type { CoatingBase } from '../coating';
import type { Element, Side, SurfaceKind, Wind } from '../takeoff';

/** Steps of the work at which something can hurt. */
export const STEPS = [
  'prepare',
  'set up',
  'check paint',
  'dial in',
  'spray',
  'clear a clog',
  'shut down',
  'leave',
] as const;
export type Step = (typeof STEPS)[number];

export const SURFACE_AGES = ['old', 'unknown', 'new'] as const;
/** Painted before lead was taken out of house paint; not known; or surely after. */
export type SurfaceAge = (typeof SURFACE_AGES)[number];

export const POWERS = ['electric', 'engine'] as const;
export type Power = (typeof POWERS)[number];

export const HARDENERS = ['none', 'unknown', 'isocyanate'] as const;
/** The second part of a coating: none, nobody has said, or one with isocyanate. */
export type Hardener = (typeof HARDENERS)[number];

/** What is known of a site besides the piece; what is left out nobody knows. */
export interface SiteFacts {
  readonly power?: Power | undefined;
  readonly surfaceAge?: SurfaceAge | undefined;
  readonly wetGround?: boolean | undefined;
  readonly hardener?: Hardener | undefined;
  /** Hot when the weather was last written down. */
  readonly hot?: boolean | undefined;
}

/** Facts as the rules take them: mains where the machine is not known, paint and hardener unknown, ground as dry as it was last seen. */
export function siteOf({
  power = 'electric',
  surfaceAge = 'unknown',
  wetGround = false,
  hardener = 'unknown',
  hot = false,
}: SiteFacts = {}) {
  return { power, surfaceAge, wetGround, hardener, hot } as const;
}

export interface SafetyContext {
  readonly step: Step;
  readonly base: CoatingBase;
  readonly element: Element;
  readonly side: Side;
  readonly kind: SurfaceKind;
  readonly wind: Wind;
  /** Height of the piece itself, metres: from where the painter stands to its top edge. */
  readonly reach: number;
  readonly power: Power;
  readonly surfaceAge: SurfaceAge;
  readonly hardener: Hardener;
  /** The sprayer is made for water-borne coatings only. */
  readonly waterOnly: boolean;
  /** Rain, dew or water where the cord lies or the feet stand. */
  readonly wetGround: boolean;
  /** Air or paint warm enough to make a painter ill, or as warm as usual. */
  readonly hot: boolean;
}

/** Height that a painter still sprays from the floor, metres. */
export const FLOOR_REACH = 2.7;

/** Warmth from which heat itself is a hazard in coverall and respirator: 28 °C, kelvin. */
export const HOT = 301.15;

/** Whether the work is above what is reached from the floor: soffit, fascia and gutter always are. */
export function isHigh({ reach, element, side }: Pick<SafetyContext, 'reach' | 'element' | 'side'>): boolean {
  return (
    reach > FLOOR_REACH ||
    (element === 'ceiling' && side === 'inside') ||
    (element === 'edge' && side === 'outside')
  );
}
