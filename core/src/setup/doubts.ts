import { archetypeOf, coatingValues } from '../coating';
import { checkSystem } from '../system';
import { refuse, showText, type Refusal, type UnitSystem } from '../units';
import type { SetupRequest } from './request';

/** Something a painter would not sign as it is: what, why, and what to do instead. */
export interface Doubt {
  readonly code: 'cold' | 'system';
  readonly what: string;
  readonly why: string;
  readonly instead: string;
}

/** What speaks against spraying this here: paint too cold for its film, a coating that is not for this ground or place. */
export function doubtsOf(request: SetupRequest, system: UnitSystem): readonly Doubt[] {
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
  return [...cold, ...unfit];
}

/** Heavy coatings through a machine that is rated for no tip they are made for: a finer one clogs or spits. */
export function tooHeavyFor({ coating, sprayer }: SetupRequest): Refusal | undefined {
  const { abrasionClass, orifices } = archetypeOf(coating.archetype);
  if (abrasionClass < 3 || sprayer.largestOrificeThou >= orifices.low) return undefined;
  return refuse(
    'sprayer.heavy',
    'sprayerId',
    `This coating wants an orifice of ${orifices.low} to ${orifices.high} thou and this sprayer carries ${sprayer.largestOrificeThou} at most. Choose a larger sprayer, or roll it on.`,
  );
}
