import { useSyncExternalStore } from 'react';

/** On what scrolls up and down: on paper it lies open, and so does all around it (`global.css`). */
export const LIES_OPEN = 'lies-open';

/** On what scrolls and is not printed with what stands beside it. */
export const OFF_PAPER = 'off-paper';

let printing = false;
const listeners = new Set<() => void>();

function turn(now: boolean): void {
  printing = now;
  for (const listener of listeners) listener();
}

function subscribe(listener: () => void): () => void {
  if (listeners.size === 0 && typeof window !== 'undefined' && 'addEventListener' in window) {
    window.addEventListener('beforeprint', begins);
    window.addEventListener('afterprint', ends);
  }
  listeners.add(listener);
  return () => void listeners.delete(listener);
}
const begins = () => turn(true);
const ends = () => turn(false);
const now = () => printing;

/** Whether the page is being printed: drawn in light colours then, and long lists whole. */
export const usePrinting = (): boolean => useSyncExternalStore(subscribe, now, now);
