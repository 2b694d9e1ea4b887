import { READ_BY, READ_BYS } from '@fine-spray/core/line';
import { z } from 'zod';
import { id, oneOf } from '../../primitives';
import { entryKind, saysNothing } from '../kind';
import { knobAt, pressure } from '../parts';
import { joined, knobWords } from '../say';

/** What a knob gave: a mark of it and the pressure that was read while it sprayed. */
export const knob = entryKind({
  name: 'Knob read',
  byTool: true,
  payload: () =>
    z
      .object({
        sprayerId: id,
        at: knobAt,
        /** At the pump while it sprays, Pa. */
        pump: pressure('Pressure at the pump'),
        by: oneOf('Read by', READ_BYS),
      })
      .strict(),
  words: ({ sprayerId, at, pump, by }, { show, sprayer }) =>
    joined([
      sprayer(sprayerId),
      `${knobWords(at)}: ${show(pump, 'pressure')} at the pump`,
      `by the ${READ_BY[by].name.toLowerCase()}`,
    ]),
  core: saysNothing,
});
