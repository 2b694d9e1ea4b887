import { archetypeOf, coatingValues, orificesOf } from '../coating';
import { COMFORTABLE_GUN_SPEED } from '../film';
import { checkSystem } from '../system';
import { refuse, showText, type Refusal, type UnitSystem } from '../units';
import type { SetupRequest } from './request';

/** Something a painter would not sign as it is: what, why, and what to do instead. */
export interface Doubt {
  readonly code: 'cold' | 'system' | 'slow' | 'fast';
  readonly what: string;
  readonly why: string;
  readonly instead: string;
}

/** A gun speed that no arm keeps up, or holds steady. */
function speedDoubt(speed: number, system: UnitSystem): readonly Doubt[] {
  const { low, high } = COMFORTABLE_GUN_SPEED;
  if (speed >= low * NEARLY && speed <= high / NEARLY) return [];
  const slow = speed < low;
  const shown = showText(speed, 'speed', system);
  return [
    {
      code: slow ? 'slow' : 'fast',
      what: `the gun at ${shown}`,
      why: slow ? 'That is slower than an arm holds steady.' : 'That is faster than an arm keeps up.',
      instead: slow
        ? 'Fit a larger tip, or lay the coat in two passes, the second into the first.'
        : 'Fit a smaller tip.',
    },
  ];
}

/** So near the end of the comfortable range nothing is said. */
const NEARLY = 0.9;

/**
 * What speaks against spraying this here: paint too cold for its film, a coating that is not for this ground or place, a gun speed that
 * is none.
 */
export function doubtsOf(request: SetupRequest, speed: number, system: UnitSystem): readonly Doubt[] {
  const { coating, coats, kind, condition, side, paintTemperature } = request;
  const lowest = coatingValues(coating).minimumTemperature;
  const least = showText(lowest, 'temperature', system);
  const cold: readonly Doubt[] =
    paintTemperature !== undefined && paintTemperature < lowest
      ? [
          {
            code: 'cold',
            what: `the paint has ${showText(paintTemperature, 'temperature', system)}`,
            why: `Below ${least} this coating forms no film.`,
            instead: `Bring paint, surface and air to ${least} or more, and keep them there until it is dry.`,
          },
        ]
      : [];
  const layer = { role: 'finish' as const, coating, coats, share: 1 };
  const unfit = checkSystem([layer], { kind, condition, side }).map(({ message }): Doubt => ({
    code: 'system',
    what: 'the coating on this surface',
    why: message,
    instead: 'The data sheet decides.',
  }));
  return [...cold, ...unfit, ...speedDoubt(speed, system)];
}

/** Heavy coatings through a machine that is rated for no tip they are made for: a finer one clogs or spits. */
export function tooHeavyFor({ coating, sprayer }: SetupRequest): Refusal | undefined {
  const { abrasionClass } = archetypeOf(coating.archetype);
  const orifices = orificesOf(coating);
  if (abrasionClass < 3 || sprayer.largestOrificeThou >= orifices.low) return undefined;
  return refuse(
    'sprayer.heavy',
    'sprayerId',
    `This coating wants an orifice of ${orifices.low} to ${orifices.high} thou and this sprayer carries ${sprayer.largestOrificeThou} at most. Choose a larger sprayer, or roll it on.`,
  );
}
