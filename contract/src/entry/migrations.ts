import { ENTRY_KINDS, type EntryKind } from './kinds';

type Payload = Readonly<Record<string, unknown>>;

/**
 * Steps from each older form of a payload to the next. A stored entry is never rewritten: it is read through its steps.
 * An outbox that waited on a device since before a step is sent through them too.
 */
const STEPS: Partial<Readonly<Record<EntryKind, readonly ((payload: Payload) => Payload)[]>>> = {
  // 2: which tip of the kit it was.
  'set-up confirmed': [(payload) => ({ ...payload, tipId: null })],
  // 2: the pressure at the gun.
  'fan measured': [(payload) => ({ ...payload, gun: null })],
};

/** The form this program writes payloads of a kind in, counted from 1. */
export const schemaOf = (kind: EntryKind): number => (STEPS[kind]?.length ?? 0) + 1;

interface Versioned {
  readonly kind: string;
  readonly schema: number;
  readonly payload: Payload;
}

export const isKnownKind = (kind: string): kind is EntryKind =>
  (ENTRY_KINDS as readonly string[]).includes(kind);

/** Whether this program knows the kind and the form of an entry; a newer program may have written one it does not. */
export function isKnown({ kind, schema }: Pick<Versioned, 'kind' | 'schema'>): boolean {
  return isKnownKind(kind) && schema <= schemaOf(kind);
}

/** An entry with its payload in the form of this program; one of a newer form as it is. */
export function upgraded<Entry extends Versioned>(entry: Entry): Entry {
  if (!isKnownKind(entry.kind) || entry.schema >= schemaOf(entry.kind)) return entry;
  const steps = STEPS[entry.kind]?.slice(Math.max(0, entry.schema - 1)) ?? [];
  if (steps.length === 0) return entry;
  return {
    ...entry,
    schema: schemaOf(entry.kind),
    payload: steps.reduce<Payload>((payload, step) => step(payload), entry.payload),
  };
}
