import { z } from 'zod';
import { id, line } from '../../primitives';
import { entryKind, saysNothing } from '../kind';
import { joined } from '../say';

export const fault = entryKind({
  name: 'Fault and cure',
  trouble: true,
  payload: () =>
    z
      .object({
        what: line('What went wrong', 200),
        cure: line('What cured it', 400, 0),
        /** The machine it was; null where nobody has said. */
        sprayerId: id.nullable(),
      })
      .strict(),
  // 2: with which machine.
  older: [(payload) => ({ ...payload, sprayerId: null })],
  words: ({ what, cure }) => joined([what, cure && `cured by: ${cure}`], '; '),
  core: saysNothing,
});
