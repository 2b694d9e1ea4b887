import { useDeferredValue, type ReactNode } from 'react';

/**
 * What may come a moment later than the answer to the tap that brought it: drawn once that answer is on the screen, and in
 * pieces, so that the next tap need not wait for it either. What stands below it moves when it comes: put it last, or
 * say what holds its place till then.
 */
export function Afterwards({ children, place = null }: { children: ReactNode; place?: ReactNode }) {
  return useDeferredValue(true, false) ? children : place;
}
