import { knobOf, type KnobKnown } from '@fine-spray/contract/log';
import type { Sprayer } from '@fine-spray/contract';
import { capital, firstPlace, placeFor, placeWordsOf, showText, type UnitSystem } from '@fine-spray/core';
import { useMemo } from 'react';
import { useLog } from '@/data/log';

/** What is known of the knob of a sprayer: its readings, and the curve once there are enough. */
export function useKnob(sprayer: Sprayer): KnobKnown {
  const { entries } = useLog();
  return useMemo(() => knobOf(entries, sprayer), [entries, sprayer]);
}

/**
 * What a crew does to have a pressure at the pump, in what its machine has: where to set the knob, or what the display is to show.
 * @param towards how this pressure is from the one before it: said while nothing is known of the knob
 */
export function knobHint(
  sprayer: Pick<Sprayer, 'readout' | 'knobMarks'>,
  { curve }: Pick<KnobKnown, 'curve'>,
  pump: number,
  system: UnitSystem,
  towards: 'first' | 'higher' | 'lower' | 'again' = 'first',
): string {
  if (sprayer.readout === 'display')
    return `Turn until the display shows ${showText(pump, 'pressure', system)} with the trigger held.`;
  const setting = curve && placeFor(curve, pump);
  if (setting) {
    const place = placeWordsOf(sprayer.knobMarks, setting.place);
    if (setting.beyond === 'above') return `Higher than ${place}, the highest that was read.`;
    if (setting.beyond === 'below') return `Lower than ${place}, the lowest that was read.`;
    return `Knob: ${capital(place)}, by ${curve.readings} readings of this sprayer.`;
  }
  if (towards === 'higher') return 'Turn the knob up a little more.';
  if (towards === 'lower') return 'Turn the knob down a little.';
  if (towards === 'again') return 'Leave the knob where it is.';
  return sprayer.knobMarks.length > 1
    ? `A first try: ${placeWordsOf(sprayer.knobMarks, firstPlace(sprayer.knobMarks))}.`
    : 'A first try: the knob a little over half.';
}
