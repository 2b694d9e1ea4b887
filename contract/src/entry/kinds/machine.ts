import { FLUIDS, FLUID_IDS } from '@fine-spray/core/procedure';
import { z } from 'zod';
import { id, oneOf } from '../../primitives';
import { entryKind, saysNothing } from '../kind';
import { joined } from '../say';

/** What stands in a machine after a start-up or a shut-down. */
export const machine = entryKind({
  name: 'Machine left with',
  byTool: true,
  payload: () =>
    z
      .object({
        sprayerId: id,
        holds: oneOf('Fluid', FLUID_IDS),
        coatingId: id.nullable(),
        procedure: oneOf('Procedure', ['start-up', 'shut-down']),
      })
      .strict(),
  words: ({ sprayerId, holds, coatingId }, { sprayer, coating }) =>
    joined([sprayer(sprayerId), coatingId !== null ? coating(coatingId) : FLUIDS[holds].name.toLowerCase()]),
  core: saysNothing,
});
