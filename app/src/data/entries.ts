import { isEntry, isReadable, takeAsReadable, type Entry } from '@fine-spray/contract';
import type { InSteps } from '@fine-spray/core/steps';
import type { QueryClient } from '@tanstack/react-query';
import { keys } from './resources';
import { noteUnreadable } from './sound';
import { isVouched } from './vouched';
import { Watched } from './watched';

/** Ids of a list of entries; a list that grew out of it takes them over. */
const IDS = new WeakMap<readonly Entry[], Set<string>>();

/** Ids of a list of entries, worked out once for each. */
export function entryIdsOf(list: readonly Entry[]): Set<string> {
  const known = IDS.get(list) ?? new Set(list.map(({ id }) => id));
  IDS.set(list, known);
  return known;
}

/** A list with what is not in it yet: entries never change, and none is ever taken away. The same list where all are there. */
export function withEntries(list: readonly Entry[], more: readonly Entry[]): readonly Entry[] {
  if (list === more) return list;
  const ids = entryIdsOf(list);
  const fresh = more.filter(({ id }) => !ids.has(id));
  if (fresh.length === 0) return list;
  const next = [...list, ...fresh];
  fresh.forEach(({ id }) => ids.add(id));
  IDS.delete(list);
  IDS.set(next, ids);
  return next;
}

/** Whether a page has all of the log that comes by itself, or what is known of it: until then those stored last. */
const whole = new Watched(false);
export const wholeLog = {
  current: whole.current,
  subscribe: whole.subscribe,
  /** The rest has come, or cannot be had. */
  isHere: (): void => whole.set(true),
};

/** What this page was told of the log while no list of it was there to add it to. */
let waiting: readonly Entry[] = [];

/**
 * Adds entries to the log of a page.
 * @param begin `from nothing`: they begin the list where there is none; else a list that is yet to be read takes them up
 */
export function addEntries(
  client: QueryClient,
  entries: readonly Entry[],
  begin: 'from nothing' | 'where there is one' = 'where there is one',
): void {
  const key = keys.list('entries');
  const list = client.getQueryData<readonly Entry[]>(key);
  if (!list && begin === 'where there is one') waiting = withEntries(waiting, entries);
  else client.setQueryData(key, withEntries(list ?? [], entries));
}

/** A list that was just read, with what came while it was. */
export const withWaiting = (list: readonly Entry[]): readonly Entry[] => withEntries(list, waiting);

const isSound = (row: unknown): row is Entry => isVouched(row) || isEntry(row);

/** The entries among what came or was kept; what is none is noted and left out. */
export function entriesAmong(rows: readonly unknown[]): Entry[] {
  takeAsReadable(rows.filter(isVouched) as Entry[]);
  const wrong = rows.filter((row) => !isSound(row));
  if (wrong.length === 0) return rows as Entry[];
  noteUnreadable(
    'entries here',
    wrong.map((row) => ({
      id: String((row as { id?: unknown } | null)?.id),
      name: 'An entry of the log',
      why: 'It has another shape.',
    })),
  );
  return rows.filter(isSound);
}

/** Looks whether each entry can be read, one at a step: nobody who reads them waits for it then. */
export function* readableInSteps(entries: readonly Entry[]): InSteps<void> {
  for (const one of entries) {
    isReadable(one);
    yield;
  }
}
