import { ENTRY_KINDS, kindOf, type EntryKind } from './kinds';

type Payload = Readonly<Record<string, unknown>>;

/** The form this program writes payloads of each kind in, counted from 1; asked for each entry of a log each time it is read. */
const FORMS: ReadonlyMap<string, number> = new Map(
  ENTRY_KINDS.map((kind) => [kind, (kindOf(kind).older?.length ?? 0) + 1]),
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
  const steps = kindOf(entry.kind).older?.slice(Math.max(0, entry.schema - 1)) ?? [];
  if (steps.length === 0) return entry;
  return {
    ...entry,
    schema: schemaOf(entry.kind),
    payload: steps.reduce<Payload>((payload, step) => step(payload), entry.payload),
  };
}
