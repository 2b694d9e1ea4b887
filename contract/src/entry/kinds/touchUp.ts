import { quantity } from '@fine-spray/core/units';
import { z } from 'zod';
import { id, line } from '../../primitives';
import { entryKind } from '../kind';
import { litres } from '../parts';
import { joined } from '../say';

export const touchUp = entryKind({
  name: 'Touch-up',
  trouble: true,
  payload: () =>
    z
      .object({ coatingId: id.nullable(), volume: litres('Paint', 0, 100).nullable(), why: line('Why', 300) })
      .strict(),
  words: ({ coatingId, volume, why }, { show, coating }) =>
    joined([why, coatingId !== null && coating(coatingId), volume !== null && show(volume, 'volume')]),
  core: ({ coatingId: coating, volume }, surface) =>
    coating === null || volume === null || volume === 0
      ? undefined
      : { kind: 'used', on: 'touch-up', surface, coating, volume: quantity(volume) },
});
