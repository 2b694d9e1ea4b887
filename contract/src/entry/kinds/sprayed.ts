import { quantity, type Volume } from '@fine-spray/core/units';
import { z } from 'zod';
import { id } from '../../primitives';
import { entryKind } from '../kind';
import { abrasion, coatOf, litres } from '../parts';
import { coatName, joined } from '../say';

export const sprayed = entryKind({
  name: 'Litres sprayed',
  payload: () =>
    z
      .object({
        ...coatOf,
        tipId: id.nullable(),
        /** Through the gun with its thinner, m³. */
        volume: litres('What was sprayed', 0.01, 500),
        /** How hard the paint is on a tip, 1 to 3, whatever becomes of its coating; null where it was not written down. */
        abrasion: abrasion.nullable(),
        /** Somebody read it off the containers. Forms of an older program were filled with the plan: what they wrote may only repeat it. */
        counted: z.boolean(),
      })
      .strict(),
  // 2: how hard it is on a tip; from then on forms began empty. 3: whether it was counted.
  older: [
    (payload) => ({ ...payload, abrasion: null, counted: false }),
    (payload) => ({ counted: true, ...payload }),
  ],
  words: ({ coatingId, coat, tipId, volume }, { show, coating, tip }) =>
    joined([`${show(volume, 'volume')} ${coating(coatingId)}`, coatName(coat).toLowerCase(), tip(tipId)]),
  core: ({ coatingId: coating, coat, tipId, volume, abrasion: hard, counted }, surface) => {
    const paint = {
      coating,
      tip: tipId ?? undefined,
      volume: quantity<Volume>(volume),
      abrasion: hard ?? undefined,
    };
    return surface === undefined
      ? { kind: 'used', on: 'no surface', ...paint }
      : { kind: 'sprayed', surface, coat, ...paint, counted };
  },
});
