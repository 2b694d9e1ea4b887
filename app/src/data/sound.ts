import type { ResourceName, Rows, Unreadable } from '@fine-spray/contract';
import { useMemo, useSyncExternalStore } from 'react';
import { isVouched } from './vouched';

/** What rows are kept by name: those of the resources, and the company's own. */
export type RowName = ResourceName | 'company';

/** Whether a row is as its schema says, and what is wrong with it where it is not. */
export type RowCheck = (name: RowName, row: unknown) => Unreadable | undefined;

const isText = (value: unknown): value is string => typeof value === 'string';

/**
 * Until the schemas have come, which the first load does without: what the first screen shows of jobs and company. Any other
 * row is shown by a screen that comes with them.
 */
const first: RowCheck = (name, row) => {
  const { id, name: called, place, status, surfaceCount } = (row ?? {}) as Readonly<Record<string, unknown>>;
  const shown = name === 'jobs' ? isText(place) && isText(status) && Number.isFinite(surfaceCount) : true;
  if (isText(id) && (isText(called) || (name !== 'jobs' && name !== 'company')) && shown) return undefined;
  return { id: String(id), name: isText(called) ? called : 'A row', why: 'It has another shape.' };
};

let check = first;
const listeners = new Set<() => void>();
const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};
const tell = () => listeners.forEach((listener) => listener());

/** The schemas have come: rows are looked at again by all of them. */
export function checkRowsBy(next: RowCheck): void {
  check = next;
  seen = new WeakMap();
  tell();
}

type Fill = (name: RowName, row: object) => object;
let fill: Fill | undefined;
let filled = new WeakMap<object, object>();

/** The schemas have come: what an older program left out of a row is filled in by them. */
export function fillRowsBy(next: Fill): void {
  fill = next;
  filled = new WeakMap();
}

/** A sound row with what an older program left out of it, such as one this device has kept since; the same object for the same row. */
export function filledRow<Row extends object>(name: RowName, row: Row): Row {
  if (!fill || isVouched(row)) return row;
  const known = filled.get(row) ?? fill(name, row);
  filled.set(row, known);
  return known as Row;
}

/** Rows are checked once however often they are read: a row that changes is another object. */
let seen = new WeakMap<object, Unreadable | false>();

function wrongWith(name: RowName, row: unknown): Unreadable | false {
  if (typeof row !== 'object' || row === null) return { id: '', name: 'A row', why: 'It has another shape.' };
  if (isVouched(row)) return false;
  const known = seen.get(row);
  if (known !== undefined) return known;
  const found = check(name, row) ?? false;
  seen.set(row, found);
  return found;
}

let unreadable: ReadonlyMap<string, readonly Unreadable[]> = new Map();
const watchers = new Set<() => void>();

/** Keeps which rows of a list could not be read, as the server or this device found them. */
export function noteUnreadable(list: string, rows: readonly Unreadable[]): void {
  const had = unreadable.get(list) ?? [];
  if (
    had.length === rows.length &&
    had.every(({ id, why }, index) => id === rows[index]?.id && why === rows[index].why)
  )
    return;
  const next = new Map(unreadable);
  if (rows.length === 0) next.delete(list);
  else next.set(list, rows);
  unreadable = next;
  // A list is looked at while it is drawn: who says it is told afterwards.
  queueMicrotask(() => watchers.forEach((watcher) => watcher()));
}

const watch = (watcher: () => void) => {
  watchers.add(watcher);
  return () => watchers.delete(watcher);
};

/** Rows that cannot be read, each once: a line of its own says so, and the rest goes on without them. */
export function useUnreadable(): readonly Unreadable[] {
  const all = useSyncExternalStore(
    watch,
    () => unreadable,
    () => unreadable,
  );
  return useMemo(
    () => [...new Map([...all.values()].flat().map((one) => [`${one.id} ${one.why}`, one])).values()],
    [all],
  );
}

/** Rows of a list that are as their schema says; the others are noted. The same list where all are. */
export function soundRows<Name extends ResourceName>(
  name: Name,
  rows: readonly unknown[],
  list: string = name,
): Rows[Name][] {
  const wrong = rows.flatMap((row) => wrongWith(name, row) || []);
  noteUnreadable(`${list} here`, wrong);
  if (wrong.length === 0) return rows as Rows[Name][];
  return rows.filter((row) => !wrongWith(name, row)) as Rows[Name][];
}

/** What is wrong with one row that came by itself; nothing where it is as its schema says. */
export const wrongRow = (name: RowName, row: unknown): Unreadable | undefined =>
  wrongWith(name, row) || undefined;

/** How a list is read by what is known of its rows now: another function once the schemas have come. */
export function useSound<Name extends ResourceName>(name: Name, list: string = name) {
  const by = useSyncExternalStore(
    subscribe,
    () => check,
    () => check,
  );
  // eslint-disable-next-line react-hooks/exhaustive-deps -- Another check makes another function: a query reads its rows anew.
  return useMemo(() => (rows: readonly unknown[]) => soundRows(name, rows, list), [by, name, list]);
}
