import { NOT_YET_STORED, type Entry, type EntryKind, type PayloadOf } from '@fine-spray/contract';
import { useQuery, useQueryClient, type QueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useSyncExternalStore } from 'react';
import { Following } from './changes';
import { device, deviceName } from './device';
import { addEntries, entriesAmong, readableInSteps, wholeLog, withEntries, withWaiting } from './entries';
import { useWriter } from './me';
import { keptLog } from './keptQueries';
import { outbox, type OutboxState, type Waiting, type Written } from './outbox';
import { oldJobs, openTouched } from './oldJobs';
import { pictures } from './pictures';
import { plans } from './plans';
import { becameOld, type PutAwayOrder } from './putAway';
import { keys } from './resources';
import { eachInTurn, idle, inTurns } from './turns';
import { runWorker, type StartWorker } from './worker';

export interface NewEntry<Kind extends EntryKind> {
  /** Where what goes with it names it; else it is made when it is written. */
  readonly id?: string;
  readonly kind: Kind;
  readonly payload: PayloadOf<Kind>;
  readonly jobId: string | null;
  readonly surfaceId: string | null;
  readonly replaces?: string;
  /** What it corrects, where it keeps the time of that: as that device had it, put right by what was found of its clock. */
  readonly timeOf?: Pick<Entry, 'at' | 'clockSkew'>;
}

/** Lets the log follow what is sent and what others write, and sends when there is a reason to try. */
function send(client: QueryClient): () => void {
  outbox.onSent = (taken) => addEntries(client, taken);
  const left = new AbortController();
  const again = () =>
    void eachInTurn([() => plans.send(), () => outbox.send(), () => pictures.send(), openWaiting], {
      left: left.signal,
    });
  /** Somebody writes for an old job: it is none any more. */
  const openWaiting = () => {
    if (oldJobs.current().size === 0) return;
    // Stored only once it is sent, whatever time it is about.
    const createdAt = new Date().toISOString();
    const waiting = outbox.current().waiting.map((one) => ({ ...asEntry(one), createdAt }));
    void openTouched(client, waiting).catch(() => undefined);
  };
  let waited = 0;
  const unwatch = outbox.subscribe(() => {
    const { length } = outbox.current().waiting;
    // What goes up opens nothing.
    if (length > waited) openWaiting();
    waited = length;
  });
  again();
  globalThis.addEventListener?.('online', again, { signal: left.signal });
  globalThis.addEventListener?.('focus', again, { signal: left.signal });
  const unfollow = followingOf(client).follow();
  const leave = putAwayLater(client);
  return () => {
    left.abort();
    unwatch();
    unfollow();
    leave();
  };
}

const FOLLOWING = new WeakMap<QueryClient, Following>();

/** What keeps a page as the server has it. */
function followingOf(client: QueryClient): Following {
  const known = FOLLOWING.get(client) ?? new Following(client, device, outbox);
  FOLLOWING.set(client, known);
  return known;
}

/** Sends what waits, and follows what others do, while the page is open. Used once, by what stands on every screen. */
export function useSending(): void {
  const client = useQueryClient();
  useEffect(() => send(client), [client]);
}

/** What waits on this device. */
export const useOutbox = (): OutboxState =>
  useSyncExternalStore(outbox.subscribe, outbox.current, outbox.current);

/** An entry that waits as it will be once the server has it. */
export const asEntry = ({ id, fields, personId, clockSkew }: Waiting): Entry => ({
  ...fields,
  id,
  personId: personId ?? null,
  version: 1,
  createdAt: NOT_YET_STORED,
  updatedAt: fields.at,
  clockSkew: clockSkew ?? null,
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

/** Entries never change and none goes: what was read is put beside what came meanwhile, and the same list stays the same. */
const together = (before: unknown, now: unknown): unknown =>
  before ? withEntries(before as readonly Entry[], now as readonly Entry[]) : now;

/** Entries are looked at ahead of their use once what came with them stands on the screen, ms. */
const SETTLED = 2000;
let ahead: readonly Entry[] | undefined;
let leaveAhead = (): void => undefined;

/** Looks at what entries say while nothing else is to be done, so that the screen that reads them does not wait for it. */
function lookAhead(entries: readonly Entry[]): void {
  if (ahead === entries) return;
  ahead = entries;
  leaveAhead();
  const left = new AbortController();
  leaveAhead = () => left.abort();
  const timer: unknown = setTimeout(() => void inTurns(readableInSteps(entries), left.signal, idle), SETTLED);
  // Under Node, where tests run, it would keep the process.
  (timer as { unref?: () => void }).unref?.();
}
/** Old jobs are put away once the page has long stood, ms: nobody waits for it. */
const PUT_AWAY = 20_000;
const startPuttingAway: StartWorker = () =>
  new Worker(new URL('../workers/oldJobs.worker', window.location.href));

/**
 * Puts away, in a worker, jobs that have become old: from the next page on only what they leave is read.
 * @returns how to let it be
 */
function putAwayLater(client: QueryClient): () => void {
  let end = (): void => undefined;
  const timer: unknown = setTimeout(() => {
    const list = client.getQueryData<readonly Entry[]>(keys.list('entries')) ?? [];
    if (!wholeLog.current() || becameOld(list, oldJobs.current(), Date.now()).length === 0) return;
    const busy = outbox.current().waiting.flatMap(({ fields }) => fields.jobId ?? []);
    const order: PutAwayOrder = { name: deviceName(), now: Date.now(), busy };
    const done = new Promise<void>((resolve) => {
      end = runWorker(startPuttingAway, order, () => resolve(), resolve);
    });
    void done.then(() => end());
  }, PUT_AWAY);
  (timer as { unref?: () => void }).unref?.();
  return () => {
    clearTimeout(timer as ReturnType<typeof setTimeout>);
    end();
  };
}

/**
 * The stored log. What this device has of it comes first, then what the server has besides; where the server does not answer,
 * that of the device stays.
 */
function useStored() {
  const client = useQueryClient();
  return useQuery({
    queryKey: keys.list('entries'),
    structuralSharing: together,
    queryFn: async () => {
      const following = followingOf(client);
      const now = () => client.getQueryData<readonly Entry[]>(keys.list('entries'));
      const had = now();
      if (had) {
        await following.catchUp();
        return now() ?? had;
      }
      const whole = await following.beganWhole();
      // Added in one go: everything that is worked out from it is worked out twice, not fifty times.
      const rest: Entry[] = [];
      let readAll = (): void => undefined;
      const all = new Promise<void>((resolve) => (readAll = resolve));
      const add = (more: readonly Entry[], isAll: boolean) => {
        rest.push(...entriesAmong(more));
        if (!isAll) return;
        addEntries(client, rest);
        if (whole) wholeLog.isHere();
        readAll();
      };
      const kept = following.hasDevice ? await keptLog(device, add) : undefined;
      if (kept) {
        void all.then(() => following.keptWasRead([...entriesAmong(kept), ...rest])).catch(() => undefined);
        // Where the server is away, what there is is all there is.
        void following.catchUp().catch(() => wholeLog.isHere());
        return withWaiting(entriesAmong(kept));
      }
      await following.first();
      // Nothing is kept here and nothing is on its way: what is there is all.
      if (!following.readsAll) wholeLog.isHere();
      return withWaiting(now() ?? NONE);
    },
  });
}

/** Whether all of the log is here: numbers that come from all of it wait for that, and do not jump under the eye. */
const useWhole = (): boolean => useSyncExternalStore(wholeLog.subscribe, wholeLog.current, wholeLog.current);

/**
 * The site log: what the server has and what waits on this device, and a way to write into it.
 * @param how `as it comes`: those stored last are enough to begin with
 */
export function useLog(how: 'whole' | 'as it comes' = 'whole') {
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
    <Kind extends EntryKind>(entry: NewEntry<Kind>): Written => {
      const { id, kind, payload, jobId, surfaceId, replaces, timeOf: kept } = entry;
      // Asked once there is something to lose: a browser short of room clears other pages first.
      void globalThis.navigator?.storage?.persist?.();
      const fields = { kind, payload, jobId, surfaceId, replaces: replaces ?? null, author };
      // What the server has not seen yet goes by the clock of this device, as its correction does.
      const seen = kept && !outbox.current().waiting.some((one) => one.id === replaces);
      const at = kept?.at ?? new Date().toISOString();
      return outbox.write({ ...fields, at }, personId, seen ? kept.clockSkew : undefined, id);
    },
    [author, personId],
  );
  const { waiting, full, aside } = state;
  const old = useSyncExternalStore(oldJobs.subscribe, oldJobs.current, oldJobs.current);
  const failed = data ? undefined : (stored.error ?? undefined);
  const whole = useWhole();
  const loading = stored.isPending || (how === 'whole' && !whole && !failed);
  return { entries, old, waiting, full, aside, write, failed, loading, whole };
}
