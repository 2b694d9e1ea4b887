/** What start.js puts on the window when a new version waits in the service worker. */
interface WithUpdate {
  fineSprayUpdate?: ServiceWorker | null;
}

const NAME = 'fine-spray-update';
/** How long the new version gets to take over before it is asked again, ms. */
const AGAIN_AFTER = 2_000;
const waiting = () => (globalThis as WithUpdate).fineSprayUpdate ?? undefined;

let asking: ReturnType<typeof setInterval> | undefined;

/** A new version of the program: fetched already, used when somebody says so. */
export const update = {
  ready: (): boolean => waiting() !== undefined,
  subscribe: (listener: () => void): (() => void) => {
    globalThis.addEventListener?.(NAME, listener);
    return () => globalThis.removeEventListener?.(NAME, listener);
  },
  /**
   * Lets the new version take over; start.js opens the page anew then. It is asked until it has: a worker that was asleep may
   * miss the first, and where the page missed its taking over it is opened anew from here. A second tap asks nothing more.
   */
  use: (): void => {
    const worker = waiting();
    if (worker === undefined || asking !== undefined) return;
    const ask = () => worker.postMessage({ type: 'SKIP_WAITING' });
    ask();
    asking = setInterval(() => {
      if (worker.state === 'installed') return ask();
      clearInterval(asking);
      asking = undefined;
      if (worker.state === 'activated') globalThis.location.reload();
    }, AGAIN_AFTER);
  },
};
