import { quantity } from '@fine-spray/core/units';
import { z } from 'zod';
import { tipChoice } from '../../kit';
import { id, oneOf } from '../../primitives';
import { entryKind } from '../kind';
import { fanWidth, fraction, knobAt, paintTemperature, pressure } from '../parts';
import { joined, knobWords, tipWords } from '../say';

/** What the pressure of a dial-in was set by: read at a gauge or a display, by marks that were read before, or nothing of these. */
export const SET_BYS = ['gauge', 'display', 'marks', 'guess'] as const;
export type SetBy = (typeof SET_BYS)[number];

/** A dial-in that ended with an even fan, or was set by hand. */
export const setupConfirmed = entryKind({
  name: 'Set-up confirmed',
  byTool: true,
  payload: () =>
    z
      .object({
        coatingId: id,
        tip: tipChoice,
        /** Which one of the kit; null where nobody said. */
        tipId: id.nullable(),
        sprayerId: id,
        hoseIds: z.array(id).max(8),
        thinning: fraction('Thinner'),
        temperature: paintTemperature.nullable(),
        /** At the gun, Pa; at the pump; and what the card had expected at the gun. */
        gun: pressure('Gun pressure'),
        pump: pressure('Pump setting'),
        expected: pressure('Expected pressure'),
        certainty: fraction('Certainty'),
        sure: z.boolean(),
        cards: z.int().min(0).max(500),
        /** Measured width of the fan, m. */
        width: fanWidth.nullable(),
        /** What the pressure was set by; by the knob alone it was guessed, and is not learned from. */
        setBy: oneOf('Set by', SET_BYS),
        /** Where the knob stood; null where nobody said. */
        knob: knobAt.nullable(),
      })
      .strict(),
  // 2: which tip of the kit it was. 3: what its pressure was set by, and where the knob stood.
  older: [
    (payload) => ({ ...payload, tipId: null }),
    (payload) => ({ ...payload, setBy: 'gauge', knob: null }),
  ],
  words: ({ coatingId, tip, gun, pump, sure, setBy, knob }, { show, coating }) =>
    joined([
      tipWords(tip),
      coating(coatingId),
      knob && `knob ${knobWords(knob)}`,
      `${show(gun, 'pressure')} at the gun, ${show(pump, 'pressure')} at the pump${setBy === 'guess' ? ' by the card, not measured' : ''}`,
      !sure && 'cards did not agree',
    ]),
  core: ({ coatingId, tip, tipId, sure, gun, expected, setBy }, surface = '') =>
    // A pressure nobody read says nothing of the paint or of the tip.
    setBy === 'guess'
      ? undefined
      : {
          kind: 'set-up confirmed',
          surface,
          coating: coatingId,
          family: tip.family,
          tip: tipId ?? undefined,
          sure,
          pressure: quantity(gun),
          expected: quantity(expected),
        },
});
