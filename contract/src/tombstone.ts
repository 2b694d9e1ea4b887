import { z } from 'zod';
import { id, version } from './primitives';

/** The version of a row that is deleted, as the query of a DELETE carries it. */
export const deletedVersion = z.coerce
  .number({ error: 'Say which version is deleted.' })
  .pipe(version.min(1, { error: 'Say which version is deleted.' }))
  .meta({ type: 'integer', minimum: 1, maximum: 2_147_483_647 });

/**
 * What stays of a row that was deleted: a write over an older version is refused with it, and one over its own version brings
 * the row back.
 */
export const tombstone = z
  .object({ id, version: version.min(2), deletedAt: z.iso.datetime() })
  .strict()
  .meta({ id: 'Tombstone' });
export type Tombstone = z.infer<typeof tombstone>;
