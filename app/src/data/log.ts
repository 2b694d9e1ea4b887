import { isEntry, isReadable, type Entry, type EntryKind, type PayloadOf } from '@fine-spray/contract';
import { useQuery, useQueryClient, type QueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useSyncExternalStore } from 'react';
import { device } from './device';
import { useWriter } from './me';
import { keptLog } from './keptQueries';
import { outbox, type OutboxState, type Waiting, type Written } from './outbox';
import { keys, listed } from './resources';
import { sendLost } from './restored';
import { noteUnreadable } from './sound';

export interface NewEntry<Kind extends EntryKind> {
  readonly kind: Kind;
  readonly payload: PayloadOf<Kind>;
  readonly jobId: string | null;
  readonly surfaceId: string | null;
  readonly replaces?: string;
  /** When, where it is not now: a correction keeps the time of what it corrects. */
  readonly at?: string;
}

/** Lets the list of entries follow what is sent, and sends when there is a reason to try. */
function send(client: QueryClient): () => void {
  outbox.onSent = (taken) => {
    const ids = new Set(taken.map(({ id }) => id));
    client.setQueryData<Entry[]>(keys.list('entries'), (list) =>
      list ? [...list.filter(({ id }) => !ids.has(id)), ...taken] : list,
    );
  };
  void outbox.send();
  const again = () => void outbox.send();
  globalThis.addEventListener?.('online', again);
  globalThis.addEventListener?.('focus', again);
  return () => {
    globalThis.removeEventListener?.('online', again);
    globalThis.removeEventListener?.('focus', again);
  };
}

/** Sends what waits while the page is open. Used once, by what stands on every screen. */
export function useSending(): void {
  const client = useQueryClient();
  useEffect(() => send(client), [client]);
}

/** What waits on this device. */
export const useOutbox = (): OutboxState =>
  useSyncExternalStore(outbox.subscribe, outbox.current, outbox.current);

/** An entry that waits as it will be once the server has it. */
export const asEntry = ({ id, fields, personId }: Waiting): Entry => ({
  ...fields,
  id,
  personId: personId ?? null,
  version: 1,
  createdAt: fields.at,
  updatedAt: fields.at,
  clockSkew: null,
});

const MERGED = new WeakMap<
  readonly Entry[],
  { readonly state: OutboxState; readonly merged: readonly Entry[] }
>();
const NONE: readonly Entry[] = [];

/** The server's list with what it has taken since, and what waits. Made once for all who ask. */
function merged(stored: readonly Entry[], state: OutboxState): readonly Entry[] {
  const known = MERGED.get(stored);
  if (known?.state.waiting === state.waiting && known.state.sent === state.sent) return known.merged;
  if (state.sent.size + state.waiting.length === 0) return stored;
  const ids = new Set(stored.map(({ id }) => id));
  const sent = [...state.sent.values()].filter(({ id }) => !ids.has(id));
  sent.forEach(({ id }) => ids.add(id));
  const waiting = state.waiting.filter(({ id }) => !ids.has(id)).map(asEntry);
  const all = sent.length + waiting.length === 0 ? stored : [...stored, ...sent, ...waiting];
  MERGED.set(stored, { state, merged: all });
  return all;
}

/** Entries never change: a list with the same ids is the same list, and nothing is worked out again. */
function sameEntries(before: unknown, now: unknown): unknown {
  const [old, fresh] = [before as readonly Entry[] | undefined, now as readonly Entry[]];
  return old?.length === fresh.length && fresh.every(({ id }, index) => old[index]?.id === id) ? old : fresh;
}

/** The entries among what came or was kept; what is none is noted and left out. */
function entriesAmong(rows: readonly unknown[]): Entry[] {
  const wrong = rows.filter((row) => !isEntry(row));
  noteUnreadable(
    'entries here',
    wrong.map((row) => ({
      id: String((row as { id?: unknown } | null)?.id),
      name: 'An entry of the log',
      why: 'It has another shape.',
    })),
  );
  return wrong.length === 0 ? (rows as Entry[]) : rows.filter(isEntry);
}

/** Entries are looked at ahead of their use once what came with them stands on the screen, ms. */
const SETTLED = 2000;
/** How long one turn of it takes, ms: less than a frame. */
const TURN = 6;
let ahead: readonly Entry[] | undefined;

/** Looks at what entries say while nothing else is to be done, so that the screen that reads them does not wait for it. */
function lookAhead(entries: readonly Entry[]): void {
  if (ahead === entries) return;
  ahead = entries;
  let next = 0;
  const turn = () => {
    if (ahead !== entries) return;
    for (const end = Date.now() + TURN; next < entries.length && Date.now() < end; next += 1) {
      const one = entries[next];
      if (one) isReadable(one);
    }
    if (next < entries.length) later(turn);
  };
  const timer: unknown = setTimeout(() => later(turn), SETTLED);
  // Under Node, where tests run, it would keep the process.
  (timer as { unref?: () => void }).unref?.();
}
const later = (work: () => void) => {
  if (typeof requestIdleCallback === 'function') requestIdleCallback(work);
  else setTimeout(work, TURN);
};

/**
 * The stored log. What this device has of it comes first, then what the server has; where the server does not answer, that
 * of the device stays.
 */
function useStored() {
  const client = useQueryClient();
  return useQuery({
    queryKey: keys.list('entries'),
    structuralSharing: sameEntries,
    queryFn: async () => {
      const had = client.getQueryData<Entry[]>(keys.list('entries'));
      // Not ended with who asked: what comes is kept for all who ask later.
      const asked = listed('/api/entries').then(({ items, unreadable }) => {
        const there = entriesAmong(items);
        void sendLost(new Set([...there, ...unreadable].map(({ id }) => id))).catch(() => undefined);
        return there;
      });
      if (had) return asked;
      // Whichever comes first is shown; a server that fails leaves what the device has.
      const kept = keptLog(device).then((found) => (found ? entriesAmong(found) : undefined));
      const first = await Promise.race([asked.catch(() => undefined), kept]);
      if (!first) return (await kept) ?? asked;
      void asked.then((all) => client.setQueryData(keys.list('entries'), all)).catch(() => undefined);
      return first;
    },
  });
}

/** The site log: what the server has and what waits on this device, and a way to write into it. */
export function useLog() {
  const stored = useStored();
  const state = useOutbox();
  const { writer } = useWriter();
  const author = writer?.initials ?? '';
  const personId = writer?.id;
  const { data } = stored;
  const entries = merged(data ?? NONE, state);
  useEffect(() => {
    if (data) lookAhead(data);
  }, [data]);
  const write = useCallback(
    <Kind extends EntryKind>({ kind, payload, jobId, surfaceId, replaces, at }: NewEntry<Kind>): Written => {
      // Asked once there is something to lose: a browser short of room clears other pages first.
      void globalThis.navigator?.storage?.persist?.();
      const fields = { kind, payload, jobId, surfaceId, replaces: replaces ?? null, author };
      return outbox.write({ ...fields, at: at ?? new Date().toISOString() }, personId);
    },
    [author, personId],
  );
  const { waiting, full, aside } = state;
  const failed = data ? undefined : (stored.error ?? undefined);
  return { entries, waiting, full, aside, write, failed, loading: stored.isPending };
}
