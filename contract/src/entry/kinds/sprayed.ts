import { quantity } from '@fine-spray/core/units';
import { z } from 'zod';
import { id } from '../../primitives';
import { entryKind } from '../kind';
import { coatOf, litres } from '../parts';
import { coatName, joined } from '../say';

export const sprayed = entryKind({
  name: 'Litres sprayed',
  payload: z
    .object({
      ...coatOf,
      tipId: id.nullable(),
      /** Through the gun with its thinner, m³. */
      volume: litres('What was sprayed', 0.01, 500),
    })
    .strict(),
  words: ({ coatingId, coat, tipId, volume }, { show, coating, tip }) =>
    joined([`${show(volume, 'volume')} ${coating(coatingId)}`, coatName(coat).toLowerCase(), tip(tipId)]),
  core: ({ coatingId: coating, coat, tipId, volume }, surface) =>
    surface === undefined
      ? undefined
      : { kind: 'sprayed', surface, coating, coat, tip: tipId ?? undefined, volume: quantity(volume) },
});
