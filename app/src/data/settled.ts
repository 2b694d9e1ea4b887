import type { QueryClient } from '@tanstack/react-query';
import { idle } from './turns';

/** A screen has asked for what it shows by then, ms. */
const ASKED = 200;
/** What does not come is not waited for any longer, ms. */
const LONGEST = 3000;

/** Done when what was drawn stands on the screen; a page that nobody sees draws nothing, and is not waited for. */
const painted = (): Promise<void> =>
  typeof requestAnimationFrame === 'function' && globalThis.document?.visibilityState !== 'hidden'
    ? new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve)))
    : Promise.resolve();

/**
 * Tells when the first screen has what it asked for, or that it does not come, and nothing is left to be drawn.
 * @returns ends the waiting
 */
export function whenSettled(client: QueryClient, tell: () => void): () => void {
  const left = new AbortController();
  const settle = () => {
    if (left.signal.aborted) return;
    left.abort();
    tell();
  };
  const look = () => {
    if (client.isFetching() > 0) return;
    void idle()
      .then(painted)
      .then(() => client.isFetching() === 0 && settle());
  };
  const asked = setTimeout(() => {
    left.signal.addEventListener('abort', client.getQueryCache().subscribe(look));
    look();
  }, ASKED);
  const late = setTimeout(settle, LONGEST);
  left.signal.addEventListener('abort', () => {
    clearTimeout(asked);
    clearTimeout(late);
  });
  return () => left.abort();
}
