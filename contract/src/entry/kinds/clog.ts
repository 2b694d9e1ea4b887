import { z } from 'zod';
import { id, line, oneOf } from '../../primitives';
import { entryKind, saysNothing } from '../kind';
import { joined } from '../say';

/** Where paint stops. */
export const CLOG_PLACES = [
  'tip',
  'gun filter',
  'manifold filter',
  'inlet strainer',
  'hose',
  'valve',
] as const;

export const clog = entryKind({
  name: 'Clog',
  trouble: true,
  payload: () =>
    z
      .object({
        where: oneOf('Where', CLOG_PLACES),
        tipId: id.nullable(),
        cure: line('What cured it', 200, 0),
      })
      .strict(),
  words: ({ where, tipId, cure }, { tip }) =>
    joined([`At the ${where}`, tip(tipId), cure && `cured by: ${cure}`]),
  core: saysNothing,
});
