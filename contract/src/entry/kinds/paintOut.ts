import { WAYS_OUT } from '@fine-spray/core/record';
import { quantity } from '@fine-spray/core/units';
import { z } from 'zod';
import { id, oneOf } from '../../primitives';
import { entryKind } from '../kind';
import { litres } from '../parts';
import { joined } from '../say';

/** Paint that left the job without being used on it. */
export const paintOut = entryKind({
  name: 'Paint given back',
  payload: () =>
    z
      .object({
        coatingId: id,
        how: oneOf('What became of it', WAYS_OUT),
        /** As it was sold, m³. */
        volume: litres('Paint', 0.01, 10_000),
      })
      .strict(),
  words: ({ coatingId, how, volume }, { show, coating }) =>
    joined([`${show(volume, 'volume')} ${coating(coatingId)}`, how]),
  core: ({ coatingId: coating, how, volume }) => ({
    kind: 'paint out',
    coating,
    how,
    volume: quantity(volume),
  }),
});
