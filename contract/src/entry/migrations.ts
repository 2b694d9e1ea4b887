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

/** The form this program writes payloads of each kind in, counted from 1; asked for each entry of a log each time it is read. */
const FORMS: ReadonlyMap<string, number> = new Map(
  ENTRY_KINDS.map((kind) => [kind, (STEPS[kind]?.length ?? 0) + 1]),
);

/** The form this program writes payloads of a kind in; 0 for a kind it does not know. */
export const schemaOf = (kind: string): number => FORMS.get(kind) ?? 0;

interface Versioned {
  readonly kind: string;
  readonly schema: number;
  readonly payload: Payload;
}

export const isKnownKind = (kind: string): kind is EntryKind => FORMS.has(kind);

/** Whether this program knows the kind and the form of an entry; a newer program may have written one it does not. */
export function isKnown({ kind, schema }: Pick<Versioned, 'kind' | 'schema'>): boolean {
  return schema <= schemaOf(kind);
}

/** An entry with its payload in the form of this program; one of a newer form as it is. */
export function upgraded<Entry extends Versioned>(entry: Entry): Entry {
  if (entry.schema >= schemaOf(entry.kind) || !isKnownKind(entry.kind)) return entry;
  const steps = STEPS[entry.kind]?.slice(Math.max(0, entry.schema - 1)) ?? [];
  if (steps.length === 0) return entry;
  return {
    ...entry,
    schema: schemaOf(entry.kind),
    payload: steps.reduce<Payload>((payload, step) => step(payload), entry.payload),
  };
}
