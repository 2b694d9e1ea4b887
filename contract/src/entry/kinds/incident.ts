import { z } from 'zod';
import { oneOf, text } from '../../primitives';
import { entryKind, saysNothing } from '../kind';
import { joined } from '../say';

export const INCIDENT_LEVELS = ['near miss', 'incident'] as const;

/** What hurt, or nearly did. */
export const incident = entryKind({
  name: 'Near miss or incident',
  trouble: true,
  payload: () =>
    z
      .object({
        level: oneOf('Level', INCIDENT_LEVELS),
        what: text('What happened', 4000, 1),
        done: text('What was done', 4000),
      })
      .strict(),
  words: ({ level, what, done }) =>
    joined([`${level === 'incident' ? 'Incident' : 'Near miss'}: ${what}`, done && `Done: ${done}`], '. '),
  core: saysNothing,
});
