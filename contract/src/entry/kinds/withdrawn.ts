import { z } from 'zod';
import { line } from '../../primitives';
import { entryKind, saysNothing } from '../kind';

/** Takes an entry back: it stays to be seen and counts no more. */
export const withdrawn = entryKind({
  name: 'Taken back',
  byTool: true,
  payload: () => z.object({ why: line('Why', 200, 0) }).strict(),
  words: ({ why }) => why,
  core: saysNothing,
});
