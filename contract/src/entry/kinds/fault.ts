import { z } from 'zod';
import { line } from '../../primitives';
import { entryKind, saysNothing } from '../kind';
import { joined } from '../say';

export const fault = entryKind({
  name: 'Fault and cure',
  trouble: true,
  payload: z.object({ what: line('What went wrong', 200), cure: line('What cured it', 400, 0) }).strict(),
  words: ({ what, cure }) => joined([what, cure && `cured by: ${cure}`], '; '),
  core: saysNothing,
});
