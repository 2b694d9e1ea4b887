import { quantity } from '@fine-spray/core/units';
import { z } from 'zod';
import { numberWithin } from '../../primitives';
import { entryKind } from '../kind';
import { meanOf } from '../readings';

/** Dry film by a gauge, m, of all coats so far. */
export const dryReading = entryKind({
  name: 'Dry film read',
  payload: () =>
    z
      .object({
        readings: z
          .array(numberWithin('Dry film', 1e-6, 5e-3, 'A dry film is between 1 and 5,000 μm.'))
          .min(1, { error: 'Take one reading at least.' })
          .max(60, { error: 'Sixty readings at most.' }),
      })
      .strict(),
  words: ({ readings }, { show }) => readings.map((one) => show(one, 'dryFilm')).join(' · '),
  core: ({ readings }, surface) =>
    surface === undefined ? undefined : { kind: 'dry gauge', surface, dry: quantity(meanOf(readings)) },
});
