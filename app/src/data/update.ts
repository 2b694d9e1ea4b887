/** What start.js puts on the window when a new version waits in the service worker. */
interface WithUpdate {
  fineSprayUpdate?: ServiceWorker | null;
}

const NAME = 'fine-spray-update';
const waiting = () => (globalThis as WithUpdate).fineSprayUpdate ?? undefined;

/** A new version of the program: fetched already, used when somebody says so. */
export const update = {
  ready: (): boolean => waiting() !== undefined,
  subscribe: (listener: () => void): (() => void) => {
    globalThis.addEventListener?.(NAME, listener);
    return () => globalThis.removeEventListener?.(NAME, listener);
  },
  /** Lets the new version take over; start.js opens the page anew then. */
  use: (): void => waiting()?.postMessage({ type: 'SKIP_WAITING' }),
};
