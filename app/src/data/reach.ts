/** Where this device stands to the server. */
export interface Reach {
  /** Whether the last call was answered; nothing before the first. */
  readonly reached: boolean | undefined;
  /** When it last answered, ms since 1970 by this device. */
  readonly at: number | undefined;
  /** Server clock less the clock of this device, s; as told by its last answer. */
  readonly skew: number | undefined;
  /** Why the server stores nothing though it answers, in its words. */
  readonly storesNothing: string | undefined;
}

let now: Reach = { reached: undefined, at: undefined, skew: undefined, storesNothing: undefined };
const listeners = new Set<() => void>();

function set(next: Reach): void {
  now = next;
  listeners.forEach((listener) => listener());
}

export const reach = {
  current: (): Reach => now,
  subscribe: (listener: () => void): (() => void) => {
    listeners.add(listener);
    return () => listeners.delete(listener);
  },
  /** A call was answered, with the time the server had then. */
  answered: (date: string | null | undefined): void => {
    const at = Date.now();
    const server = Date.parse(date ?? '');
    const skew = Number.isNaN(server) ? now.skew : Math.round((server - at) / 1000);
    // Told at most once a minute while nothing changes: no screen needs it more often.
    if (now.reached === true && now.skew === skew && now.at !== undefined && at - now.at < 60_000) return;
    set({ ...now, reached: true, at, skew });
  },
  /** A write was taken, or refused for want of room: with what the server said. */
  stores: (refusal?: string): void => {
    if (now.storesNothing !== refusal) set({ ...now, storesNothing: refusal });
  },
  failed: (): void => {
    if (now.reached !== false) set({ ...now, reached: false });
  },
};

/** How often a server that was not reached is asked again, ms. */
const ASK_AGAIN = 10_000;

/**
 * Finds out whether the server is reached when the page opens, when the device says that its network came or went, and again
 * and again while it is not.
 * @param ask one call of the server; it tells `reach` how it went
 * @param back told when the server is reached again
 * @returns ends it
 */
export function watchReach(ask: () => Promise<unknown>, back: () => void): () => void {
  const look = () => void ask().catch(() => undefined);
  const gone = () => reach.failed();
  let before = now.reached;
  const end = reach.subscribe(() => {
    if (before === false && now.reached === true) back();
    before = now.reached;
  });
  const timer = setInterval(() => {
    if (now.reached === false) look();
  }, ASK_AGAIN);
  look();
  globalThis.addEventListener?.('online', look);
  globalThis.addEventListener?.('offline', gone);
  return () => {
    end();
    clearInterval(timer);
    globalThis.removeEventListener?.('online', look);
    globalThis.removeEventListener?.('offline', gone);
  };
}
