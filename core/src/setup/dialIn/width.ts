import { accept, refuse, showText, within, type Length, type Result, type UnitSystem } from '../../units';
import { GUN_DISTANCE_LIMITS } from '../../tip';
import type { Seen } from './pattern';

/** Shares of the fan's width that tell something: worn as in product.md; short of pressure is judgement. */
const SHARE = { worn: 0.75, full: 0.9, wide: 1.25 } as const;

export interface WidthReading {
  /** Measured over expected at this distance. */
  readonly share: number;
  /** What the width alone offers as an answer; nothing where it cannot tell. */
  readonly offers?: Seen;
  readonly worn: boolean;
  readonly words: string;
}

/**
 * What the measured width of a fan says: short of pressure, worn, or full. It cannot see tails: a full width is only
 * offered as even.
 * @param expected width of the card at the distance sprayed from
 * @returns a refusal for a width that no fan has
 */
export function readWidth(
  measured: Length,
  expected: Length,
  system: UnitSystem = 'metric',
): Result<WidthReading> {
  const bounds = { min: 0.02, max: 2 * GUN_DISTANCE_LIMITS.max };
  const checked = within(measured, bounds, 'fanWidth', system, 'width', 'Fan width');
  if (!checked.ok) return checked;
  const share = measured / expected;
  const wanted = showText(expected, 'fanWidth', system);
  if (share > SHARE.wide) {
    return refuse(
      'width.wide',
      'width',
      `This is a quarter wider than ${wanted}, which the code of the tip gives. Check the code, the unit and the distance.`,
    );
  }
  if (share < SHARE.worn) {
    return accept({
      share,
      worn: true,
      words: `A quarter or more under ${wanted}: a worn or partly clogged tip, or far too little pressure. If more pressure does not widen it, replace the tip.`,
    });
  }
  if (share < SHARE.full) {
    return accept({ share, worn: false, offers: 'tails', words: `Under ${wanted}: it wants more pressure.` });
  }
  return accept({
    share,
    worn: false,
    offers: 'even',
    words: `As wide as it should be (${wanted}). If the edges show no tails it is even.`,
  });
}
