import { z } from 'zod';
import { id } from '../primitives';
import { problem } from '../problem';
import { clockSkewSchema, entry, entryFields } from './entry';

/** Entries of one request at most. */
export const ENTRIES_AT_ONCE = 200;

/**
 * `clockSkew`: what the server found of the clock when it first took an entry that it no longer has, being restored from a
 * backup. Else it is taken from the request. `personId`: who of those that share the device wrote it.
 */
export const oneOfMany = entryFields.safeExtend({
  id,
  clockSkew: clockSkewSchema.optional(),
  personId: id.nullable().optional(),
});

/** Entries that waited on a device, in the order they were written. */
export const manyEntries = z
  .object({
    entries: z.array(oneOfMany).max(ENTRIES_AT_ONCE, {
      error: `${ENTRIES_AT_ONCE} entries at once at most.`,
    }),
  })
  .strict();

/** The same as far as all of it stands or falls together: each entry is then looked at for itself. */
export const manyEntriesHead = z
  .object({
    entries: z.array(z.looseObject({ id })).max(ENTRIES_AT_ONCE, {
      error: `${ENTRIES_AT_ONCE} entries at once at most.`,
    }),
  })
  .strict();

/** For each entry, in their order, the row as it is stored or why it is not. */
export const manyEntriesAnswer = z.object({
  results: z.array(z.union([z.object({ id, row: entry }), z.object({ id, problem })])),
});
export type ManyEntriesAnswer = z.infer<typeof manyEntriesAnswer>;
