import { z } from 'zod';
import { company } from './kit';
import { id } from './primitives';
import { unreadable } from './resource';
import { RESOURCES, RESOURCE_NAMES } from './resources';
import { tombstone } from './tombstone';

/** What is told of in changes: rows of every resource, and the company itself. */
export const TOLD = ['company', ...RESOURCE_NAMES] as const;
export type Told = (typeof TOLD)[number];

/** Changes of one answer at most, and roughly how long it is, characters. */
export const CHANGES_AT_ONCE = 1000;
export const ANSWER_LENGTH = 500_000;

export const changesQuery = z
  .object({
    since: z.string().max(4000).optional().meta({
      description:
        '`cursor` of the answer before; `now` for the cursor of this moment and nothing else; without it from the beginning',
    }),
  })
  .strict();

const row = z.union([company, ...RESOURCE_NAMES.map((name) => RESOURCES[name].row as z.ZodType)]);

/** One thing that changed: the row as it stands, what is left of it, or why it cannot be read. */
export const change = z
  .object({
    resource: z.enum(TOLD),
    id,
    row: row.optional(),
    gone: tombstone.optional(),
    unreadable: unreadable.optional(),
  })
  .meta({ id: 'Change' });
export type Change = Omit<z.infer<typeof change>, 'row'> & { readonly row?: unknown };

/**
 * What changed, in an order from which nothing is missed: ask on with `cursor`, at once while there is `more`. A row that
 * changed twice comes once as it stands, and may come again.
 */
export const changes = z
  .object({ items: z.array(change), cursor: z.string(), more: z.boolean() })
  .meta({ id: 'Changes' });
export type Changes = Omit<z.infer<typeof changes>, 'items'> & { readonly items: readonly Change[] };
