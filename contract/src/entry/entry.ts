import { inForce, type Replacing } from '@fine-spray/core/grouping';
import { z } from 'zod';
import { id, line, oneOf, stored } from '../primitives';
import { ENTRY_KINDS, kindOf, type EntryKind, type PayloadOf } from './kinds';
import { isKnown, schemaOf, upgraded } from './migrations';

/** Forms of a payload there can ever be. */
const SCHEMA_LIMIT = 99;

/** Times an entry can have, ms: a clock that was never set stands at the first; every reader can work with either end. */
const EARLIEST = Date.UTC(1970, 0, 1);
const LATEST = Date.UTC(2200, 0, 1);
const isTime = (at: string): boolean => Date.parse(at) >= EARLIEST && Date.parse(at) <= LATEST;

/** How far a device's clock can be from the server's and still be put right, s: a hundred years. */
export const SKEW_LIMIT = 100 * 365.25 * 24 * 3600;
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

/** A device clock is taken as right within this, s: sending takes its time. */
export const CLOCK_TOLERANCE = 120;

/** When it happened: by the device's clock, put right where that was known to be wrong. Milliseconds since 1970. */
export function timeOf({ at, clockSkew }: Pick<Entry, 'at' | 'clockSkew'>): number {
  const wrong = clockSkew !== null && Math.abs(clockSkew) > CLOCK_TOLERANCE;
  return Date.parse(at) + (wrong ? clockSkew * 1000 : 0);
}

/** The same moment as ISO text. */
export const isoTimeOf = (one: Pick<Entry, 'at' | 'clockSkew'>): string =>
  new Date(timeOf(one)).toISOString();

/** An entry of a kind with its payload in today's form. */
export interface Read<Kind extends EntryKind> {
  readonly entry: Entry;
  readonly payload: PayloadOf<Kind>;
}

const isText = (value: unknown): value is string => typeof value === 'string';
const isTextOrNull = (value: unknown) => value === null || isText(value);

/**
 * Whether something stored is an entry by its head: what every list of entries reads of each. Written out, since a schema
 * would take the time of ten thousand of them while somebody waits; what an entry says is looked at when it is read.
 */
export function isEntry(stored: unknown): stored is Entry {
  const one = (stored ?? {}) as Partial<Record<keyof Entry, unknown>>;
  return (
    isText(one.id) &&
    isText(one.kind) &&
    isText(one.author) &&
    isText(one.at) &&
    isTime(one.at) &&
    Number.isInteger(one.schema) &&
    [one.jobId, one.surfaceId, one.replaces].every(isTextOrNull) &&
    (one.clockSkew === null ||
      (Number.isFinite(one.clockSkew) && Math.abs(one.clockSkew as number) <= SKEW_LIMIT)) &&
    typeof one.payload === 'object' &&
    one.payload !== null
  );
}

const READABLE = new WeakMap<Entry, boolean>();

/**
 * Whether this program can read what an entry says: it knows the kind and the form, and the payload is as they want it.
 * Looked at once for each: entries never change.
 */
export function isReadable(one: Entry): boolean {
  let readable = READABLE.get(one);
  if (readable === undefined) {
    readable = isKnown(one) && kindOf(one.kind).payload.safeParse(upgraded(one).payload).success;
    READABLE.set(one, readable);
  }
  return readable;
}

/** The payload of an entry that is readable (`isReadable`); older forms are brought up. */
export function payloadOf<Kind extends EntryKind>(one: Entry & { readonly kind: Kind }): PayloadOf<Kind> {
  return upgraded(one).payload as PayloadOf<Kind>;
}

/** When an entry was stored that waits on a device still: after all that the server has. */
export const NOT_YET_STORED = '9999-12-31T23:59:59.999Z';

/** An entry as what stands in the place of another. */
export const replacing = ({ id, kind, replaces, createdAt }: Entry): Required<Replacing> => ({
  id,
  replaces,
  takesBack: kind === 'withdrawn',
  stored: Date.parse(createdAt),
});

const HELD = new WeakMap<readonly Entry[], readonly Entry[]>();

/** The entries that hold, those replaced left out, in the order of time. A list is sorted once, however often it is asked. */
export function entriesInForce(entries: readonly Entry[]): readonly Entry[] {
  const known = HELD.get(entries) ?? sorted(entries);
  HELD.set(entries, known);
  return known;
}

function sorted(entries: readonly Entry[]): readonly Entry[] {
  const timed = entries.map((one) => ({ ...replacing(one), at: timeOf(one), one }));
  // One that cannot be read says nothing here, but what it replaces does not hold.
  return inForce(timed).flatMap(({ one }) => (isReadable(one) ? [one] : []));
}

/** The entries of a kind that hold, oldest first. */
export function entriesOfKind<Kind extends EntryKind>(
  entries: readonly Entry[],
  kind: Kind,
): readonly Read<Kind>[] {
  const isKind = (one: Entry): one is Entry & { kind: Kind } => one.kind === kind;
  return entriesInForce(entries)
    .filter(isKind)
    .map((one) => ({ entry: one, payload: payloadOf(one) }));
}
