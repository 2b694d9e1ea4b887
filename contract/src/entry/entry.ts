import { z } from 'zod';
import { id, line, oneOf, stored } from '../primitives';
import { SKEW_LIMIT, isTime } from './clock';
import { ENTRY_KINDS, kindOf } from './kinds';
import { isKnown, schemaOf, upgraded } from './migrations';

/** Forms of a payload there can ever be. */
const SCHEMA_LIMIT = 99;

export const clockSkewSchema = z
  .number()
  .min(-SKEW_LIMIT, { error: 'A clock is wrong by a hundred years at most.' })
  .max(SKEW_LIMIT, { error: 'A clock is wrong by a hundred years at most.' })
  .nullable();

/** An entry of the site log. It is never changed: a correction is a new entry that names the one it replaces. */
export const entryFields = z
  .object({
    kind: oneOf('Kind', ENTRY_KINDS),
    /** Form of the payload; older forms are read through their migrations. */
    schema: z.int().min(1).max(SCHEMA_LIMIT).default(1),
    /** When, as the device had it. */
    at: z.iso
      .datetime({ error: 'Time is missing.' })
      .refine(isTime, { error: 'A time is between 1970 and 2200. Put the clock of this device right.' }),
    author: line('Initials', 40, 0),
    jobId: id.nullable(),
    surfaceId: id.nullable(),
    replaces: id.nullable(),
    payload: z.record(z.string(), z.unknown(), { error: 'What happened is missing.' }),
  })
  .strict()
  .superRefine((fields, context) => {
    const { kind, schema, replaces } = fields;
    if (!isKnown(fields)) {
      context.addIssue({
        code: 'custom',
        path: ['schema'],
        message: `This entry is of form ${schema}; this program knows up to ${schemaOf(kind)}. Bring it up to date.`,
      });
      return;
    }
    if (kind === 'withdrawn' && replaces === null) {
      context.addIssue({ code: 'custom', path: ['replaces'], message: 'Say which entry is taken back.' });
    }
    const checked = kindOf(kind).payload.safeParse(upgraded(fields).payload);
    for (const issue of checked.error?.issues ?? []) {
      context.addIssue({ code: 'custom', path: ['payload', ...issue.path], message: issue.message });
    }
  });

/**
 * An entry as the server has it. `clockSkew`: server clock less device clock when it first came, s; null where the device
 * did not say. `personId`: who wrote it, by the server's word; null where nobody signed in. `author` are their initials then.
 */
export const entry = entryFields
  .safeExtend({ ...stored, clockSkew: clockSkewSchema, personId: id.nullable().optional() })
  .meta({ id: 'Entry' });
export type EntryFields = z.infer<typeof entryFields>;
export type Entry = z.infer<typeof entry>;
