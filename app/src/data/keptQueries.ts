import type { Entry } from '@fine-spray/contract';
import type { QueryClient } from '@tanstack/react-query';
import type { Device } from './device';
import { inTime } from './patience';
import { allVouched, ownContract, vouchFor } from './vouched';

/** The log is kept entry by entry, by who takes it over from the server: rewriting ten thousand for one more would hold up a thumb. */
const LOG = JSON.stringify(['entries']);
/** Changes in quick succession are kept once. */
const PAUSE = 100;
const PATIENCE = 3000;

/** Puts into a client what this device last saw of the server, but for the log, so that everything opens without it. */
async function restore(client: QueryClient, device: Device): Promise<void> {
  const now = Date.now();
  for (const { key, data, updatedAt, contract } of await device.queries()) {
    if (contract !== undefined && contract === ownContract()) vouchFor(Array.isArray(data) ? data : [data]);
    // Read in the future, by a clock that was put right since: as old as can be.
    if (JSON.stringify(key) !== LOG)
      client.setQueryData(key, data, { updatedAt: updatedAt > now ? 0 : updatedAt });
  }
  // Shown at once and asked for again: the server may have more by now.
  await client.invalidateQueries({ refetchType: 'none' });
}

/** Keeping what a client reads on a device. */
export interface Keeping {
  /** Keeps at once what would have been kept a moment later; done when it is on the device, or cannot be. */
  readonly keepNow: () => Promise<void>;
}

/**
 * Keeps what a client has read on this device from now on, and gives back first what was kept. Where the device keeps
 * nothing, the client works as before.
 * @returns done when what was kept is in the client, or could not be had in three seconds; the log, which may be long, is
 * read by who asks for it (`keptLog`)
 */
export async function keepQueries(client: QueryClient, device: Device): Promise<Keeping> {
  await inTime(restore(client, device), PATIENCE).catch(() => undefined);
  const changed = new Map<string, readonly unknown[]>();
  let timer: ReturnType<typeof setTimeout> | undefined;
  const keep = async () => {
    const now = [...changed];
    changed.clear();
    for (const [name, key] of now) {
      const { data, dataUpdatedAt: updatedAt } = client.getQueryState(key) ?? {};
      if (data === undefined || updatedAt === undefined) continue;
      const contract = allVouched(data) ? ownContract() : undefined;
      await device.keepQuery(name, { key, data, updatedAt, ...(contract ? { contract } : {}) });
    }
  };
  // A device that is full keeps what it had; the page goes on.
  const keepNow = () => {
    clearTimeout(timer);
    return keep().catch(() => undefined);
  };
  globalThis.addEventListener?.('pagehide', () => void keepNow());
  client.getQueryCache().subscribe(({ type, query }) => {
    if (type !== 'updated' || query.state.status !== 'success' || query.state.isInvalidated) return;
    const name = JSON.stringify(query.queryKey);
    if (name === LOG) return;
    changed.set(name, query.queryKey as readonly unknown[]);
    clearTimeout(timer);
    timer = setTimeout(() => void keepNow(), PAUSE);
  });
  return { keepNow };
}

/** Entries of a first picture, and of one turn of reading the rest: what a hundred thousand take at once a thumb would feel. */
const FIRST = 200;
const TURN = 2000;

/**
 * The log as this device has it, those stored last at once and the rest in turns; nothing where it has none.
 * @param more told of what comes after, and at the end that it was all
 */
export async function keptLog(
  device: Device,
  more: (entries: readonly Entry[], all: boolean) => void = () => undefined,
): Promise<readonly Entry[] | undefined> {
  const first = await device.newestEntries(FIRST).catch(() => []);
  if (first.length === 0) return undefined;
  if (first.length < FIRST) {
    more([], true);
    return first;
  }
  const rest = async () => {
    for (let last: string | undefined; ;) {
      const some = await device.entriesBehind(last, TURN);
      last = some.at(-1)?.id;
      more(some, some.length < TURN);
      if (some.length < TURN) return;
      await new Promise((resolve) => setTimeout(resolve));
    }
  };
  // What cannot be read on is not waited for.
  void rest().catch(() => more([], true));
  return first;
}
