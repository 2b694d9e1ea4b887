import { CARE, CARES } from '@fine-spray/core/record';
import { z } from 'zod';
import { id, oneOf } from '../../primitives';
import { entryKind, saysNothing } from '../kind';
import { joined } from '../say';

/** Something that is looked after during a day: the pump lubricated, strainer and filters cleaned, the mask's filter changed, the pressure off. */
export const care = entryKind({
  name: 'Looked after',
  byTool: true,
  payload: () =>
    z
      .object({
        what: oneOf('What', CARES),
        /** The machine it was; null where it was none. */
        sprayerId: id.nullable(),
      })
      .strict(),
  words: ({ what, sprayerId }, { sprayer }) =>
    joined([CARE[what].done, sprayerId !== null && sprayer(sprayerId)]),
  core: saysNothing,
});
