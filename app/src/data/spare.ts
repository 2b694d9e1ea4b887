import type { KeptEntry } from './device';
import { keptNames, readKept, writeKept } from './kept';
import { newId } from './newId';

/** Each entry has a name of its own: pages of one device do not write over each other's. */
const NAME = (id: string) => `outbox.${id}`;
/** Where older versions had all of them in one list. */
const LIST = 'outbox';
/** How many are written here while the database takes them: a tap is one, and each costs a write. What comes by the thousand shows its progress. */
const AT_HAND = 20;

/** Something a page left in the spare place. */
export interface Left {
  readonly stored: unknown;
  /** It is kept elsewhere: its place is free. */
  readonly done: () => void;
}

/**
 * The spare place of entries that wait: storage of the browser that has what is written into it at once. An entry stands here
 * until the database has it, which takes a while on a busy device, and a page may be closed or loaded anew right after a tap; and it
 * stands here as long as there is no room in the database.
 */
export class Spare {
  private readonly held = new Map<string, KeptEntry>();
  private readonly written = new Set<string>();

  /** Entries of this page that the database does not have. */
  get all(): readonly KeptEntry[] {
    return [...this.held.values()];
  }

  readonly has = (id: string): boolean => this.held.has(id);

  /** Holds an entry, and writes it down where only few are held. */
  hold(entry: KeptEntry): void {
    this.held.set(entry.id, entry);
    this.written.delete(entry.id);
    if (this.held.size <= AT_HAND) this.write(entry);
  }

  private write(entry: KeptEntry): boolean {
    if (this.written.has(entry.id)) return true;
    if (!writeKept(NAME(entry.id), entry)) return false;
    this.written.add(entry.id);
    return true;
  }

  /** Writes down all that is held; false where this storage is full too. */
  keepAll(): boolean {
    return this.all.every((entry) => this.write(entry));
  }

  /** Lets go of what is kept elsewhere, or wanted no more. */
  release(ids: readonly string[]): void {
    for (const id of ids) {
      this.written.delete(id);
      if (this.held.delete(id)) writeKept(NAME(id), undefined);
    }
  }

  /** What pages before this one left here. What this page holds it takes care of itself. */
  left(): readonly Left[] {
    spread();
    return keptNames(NAME(''))
      .filter((name) => !this.held.has(name.slice(NAME('').length)))
      .map((name) => ({ stored: anything(name), done: () => writeKept(name, undefined) }));
  }
}

const anything = (name: string): unknown => readKept<unknown>(name, (stored) => stored, undefined);

/** Gives what an older version left in its list names of their own; where there is no room for that the list stays. */
function spread(): void {
  const list = anything(LIST);
  if (list === undefined) return;
  const names = (Array.isArray(list) ? list : []).map((one) => {
    const { id } = (one ?? {}) as { readonly id?: unknown };
    return { name: NAME(typeof id === 'string' ? id : newId()), one: one as unknown };
  });
  if (names.every(({ name, one }) => writeKept(name, one))) writeKept(LIST, undefined);
}
