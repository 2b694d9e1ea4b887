import type { InSteps } from '@fine-spray/core/steps';

/** How long one turn of a computation takes, ms: much less than a frame, so that a phone four times slower has it in one and a half. */
const TURN = 6;

/** Lets the browser answer and draw. */
export const breath = (): Promise<void> =>
  new Promise((resolve) => {
    // Comes right after what waits; a timer in a chain is held back by milliseconds.
    const { scheduler } = globalThis as { scheduler?: { postTask?: (work: () => void) => unknown } };
    if (scheduler?.postTask) scheduler.postTask(resolve);
    else setTimeout(resolve);
  });

/** Waits until nothing else is to be done. */
export const idle = (): Promise<void> =>
  typeof requestIdleCallback === 'function'
    ? new Promise((resolve) => requestIdleCallback(() => resolve()))
    : breath();

/**
 * Does one thing after another, each in a turn of its own.
 * @param left ends it where nobody wants the rest any more
 * @param pause what is waited for before each
 */
export async function eachInTurn(
  works: readonly (() => unknown)[],
  { left, pause = breath }: { readonly left?: AbortSignal; readonly pause?: () => Promise<void> } = {},
): Promise<void> {
  for (const work of works) {
    await pause();
    if (left?.aborted) return;
    work();
  }
}

/**
 * Goes through a computation in turns, so that nothing on the page stands still for it.
 * @param left ends it where nobody waits for it any more; it never answers then
 * @param pause what is waited for between the turns
 */
export async function inTurns<T>(
  steps: InSteps<T>,
  left?: AbortSignal,
  pause: () => Promise<void> = breath,
): Promise<T> {
  for (;;) {
    await pause();
    if (left?.aborted) return new Promise<never>(() => undefined);
    for (const end = performance.now() + TURN; performance.now() < end;) {
      const step = steps.next();
      if (step.done === true) return step.value;
    }
  }
}
