import type { InSteps } from '@fine-spray/core/steps';
import { startTransition, useEffect, useState } from 'react';
import { inTurns } from './turns';

/** Something that holds a slow phone up the first time in a page, when it is cold, and that nobody feels afterwards. */
export interface FirstTime {
  over: boolean;
}

/**
 * Goes through a computation in turns where it is the first of its kind in this page.
 * @param steps what is gone through; nothing while it is not wanted. The same function as long as it is about the same
 * @param keep told what was found; not where it failed: what fails fails once more where it is worked out, and is said there
 * @returns whether whoever draws with it may do so
 */
export function useFirstInTurns<T>(
  first: FirstTime,
  steps: (() => InSteps<T>) | undefined,
  keep?: (found: T) => void,
): boolean {
  const [over, setOver] = useState(first.over);
  useEffect(() => {
    if (over || !steps) return undefined;
    const left = new AbortController();
    const done = () => {
      first.over = true;
      startTransition(() => setOver(true));
    };
    inTurns(steps(), left.signal)
      .then((found) => keep?.(found))
      .then(done, done);
    return () => left.abort();
  }, [over, first, steps, keep]);
  return over;
}
