import { z } from 'zod';
import { id, line } from '../../primitives';
import { entryKind } from '../kind';
import { batch, litres } from '../parts';
import { joined } from '../say';

export const containerOpened = entryKind({
  name: 'Container opened',
  payload: () =>
    z
      .object({
        coatingId: id,
        batch,
        size: litres('A container', 0.1, 1200),
        /** Batches it was mixed with before it was sprayed. */
        boxedWith: z.array(line('Batch', 60)).max(12, { error: 'Twelve batches at most.' }),
      })
      .strict(),
  words: ({ coatingId, size, batch: which, boxedWith }, { show, coating }) =>
    joined([
      `${show(size, 'volume')} ${coating(coatingId)}`,
      which && `batch ${which}`,
      boxedWith.length > 0 && `boxed with ${boxedWith.join(' and ')}`,
    ]),
  core: ({ coatingId: coating, batch: which, boxedWith }, surface) => ({
    kind: 'container opened',
    coating,
    batch: which,
    boxedWith,
    surface,
  }),
});
