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

/** Paint, or the air and surface it goes into, colder than its film forms. */
function coldDoubts(
  { coating, paintTemperature, coldest }: SetupRequest,
  system: UnitSystem,
): readonly Doubt[] {
  const lowest = coatingValues(coating).minimumTemperature;
  const text = (value: number) => showText(value, 'temperature', system);
  const doubt = (what: string): Doubt => ({
    code: 'cold',
    what,
    why: `Below ${text(lowest)} this coating forms no film.`,
    instead: `Bring paint, surface and air to ${text(lowest)} or more, and keep them there until it is dry.`,
  });
  const paint = paintTemperature !== undefined && paintTemperature < lowest;
  const place = coldest !== undefined && coldest < lowest;
  return [
    ...(paint ? [doubt(`the paint has ${text(paintTemperature)}`)] : []),
    ...(place
      ? [doubt(`air or surface had ${text(coldest)} when the weather was written down here last`)]
      : []),
  ];
}

/** So near the end of the comfortable range nothing is said. */
const NEARLY = 0.9;

/**
 * What speaks against spraying this here: paint too cold for its film, a coating that is not for this ground or place, a gun speed that
 * is none.
 */
export function doubtsOf(request: SetupRequest, speed: number, system: UnitSystem): readonly Doubt[] {
  const { coating, coats, kind, condition, side } = request;
  const cold = coldDoubts(request, system);
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
