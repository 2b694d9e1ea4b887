import { inForce, type Replacing } from '@fine-spray/core/grouping';
import { timeOf } from './clock';
import type { Entry } from './entry';
import { kindOf, type EntryKind, type PayloadOf } from './kinds';
import { isKnown, upgraded } from './migrations';

/** An entry of a kind with its payload in today's form. */
export interface Read<Kind extends EntryKind> {
  readonly entry: Entry;
  readonly payload: PayloadOf<Kind>;
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

/** Takes entries for readable (`isReadable`) that were checked whole by this very contract: by a server that has it. */
export function takeAsReadable(entries: readonly Entry[]): void {
  for (const one of entries) READABLE.set(one, true);
}

/** The payload of an entry that is readable (`isReadable`); older forms are brought up. */
export function payloadOf<Kind extends EntryKind>(one: Entry & { readonly kind: Kind }): PayloadOf<Kind> {
  return upgraded(one).payload as PayloadOf<Kind>;
}

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
