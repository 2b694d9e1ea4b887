import { quantity } from '@fine-spray/core/units';
import { z } from 'zod';
import { id } from '../../primitives';
import { entryKind } from '../kind';
import { batch, litres } from '../parts';
import { joined } from '../say';

/** Paint that came to the job. */
export const delivered = entryKind({
  name: 'Paint delivered',
  payload: () =>
    z
      .object({
        coatingId: id,
        batch,
        /** Of one container, m³. */
        size: litres('A container', 0.1, 1200),
        count: z.int({ error: 'Number is missing.' }).min(1, { error: 'One container at least.' }).max(500),
      })
      .strict(),
  words: ({ coatingId, size, count, batch: which }, { show, coating }) =>
    joined([`${count} × ${show(size, 'volume')} ${coating(coatingId)}`, which && `batch ${which}`]),
  core: ({ coatingId: coating, size, count }) => ({
    kind: 'delivered',
    coating,
    volume: quantity(size * count),
  }),
});
