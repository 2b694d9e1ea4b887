import { useRef } from 'react';

/** A tap so soon after another is the same one, ms: a gloved thumb bounces, and what it hit has not moved yet. */
export const SAME_TAP = 350;

/** Work that two taps in one instant do once; nor is it begun again before it is done. */
export function useOneTap<Args extends readonly unknown[]>(
  work: (...args: Args) => unknown,
): (...args: Args) => void {
  const last = useRef(-Infinity);
  const busy = useRef(false);
  return (...args) => {
    const now = performance.now();
    if (busy.current || now - last.current < SAME_TAP) return;
    last.current = now;
    const done = work(...args);
    if (!(done instanceof Promise)) return;
    busy.current = true;
    void done.finally(() => (busy.current = false));
  };
}
