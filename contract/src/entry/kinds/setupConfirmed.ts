import { quantity } from '@fine-spray/core/units';
import { z } from 'zod';
import { tipChoice } from '../../kit';
import { id } from '../../primitives';
import { entryKind } from '../kind';
import { fanWidth, fraction, paintTemperature, pressure } from '../parts';
import { joined, tipWords } from '../say';

/** A dial-in that ended with an even fan, or was set by hand. */
export const setupConfirmed = entryKind({
  name: 'Set-up confirmed',
  byTool: true,
  payload: z
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
    })
    .strict(),
  // 2: which tip of the kit it was.
  older: [(payload) => ({ ...payload, tipId: null })],
  words: ({ coatingId, tip, gun, pump, sure }, { show, coating }) =>
    joined([
      tipWords(tip),
      coating(coatingId),
      `${show(gun, 'pressure')} at the gun, ${show(pump, 'pressure')} at the pump`,
      !sure && 'cards did not agree',
    ]),
  core: ({ coatingId, tip, tipId, sure, gun, expected }, surface = '') => ({
    kind: 'set-up confirmed',
    surface,
    coating: coatingId,
    family: tip.family,
    tip: tipId ?? undefined,
    sure,
    pressure: quantity(gun),
    expected: quantity(expected),
  }),
});
