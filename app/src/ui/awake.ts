import { useEffect } from 'react';

interface Sentinel {
  release(): Promise<void>;
}
interface WakeLock {
  request(kind: 'screen'): Promise<Sentinel>;
}

/**
 * Keeps the screen on while something is followed with the hands full. The device lets go of it when the page is hidden: it is
 * asked again when it is back. Where a browser cannot, or the battery is low, the screen goes off as usual.
 */
export function useAwake(wanted = true): void {
  useEffect(() => {
    const lock = (globalThis.navigator as { readonly wakeLock?: WakeLock } | undefined)?.wakeLock;
    if (!wanted || !lock) return undefined;
    let over = false;
    let held: Sentinel | undefined;
    const letGo = (one: Sentinel | undefined) => void one?.release().catch(() => undefined);
    const hold = () => {
      if (document.visibilityState !== 'visible') return;
      lock.request('screen').then(
        (one) => {
          // What was asked for may come after it is wanted no more.
          letGo(over ? one : held);
          held = over ? undefined : one;
        },
        () => undefined,
      );
    };
    hold();
    document.addEventListener('visibilitychange', hold);
    return () => {
      over = true;
      document.removeEventListener('visibilitychange', hold);
      letGo(held);
    };
  }, [wanted]);
}
