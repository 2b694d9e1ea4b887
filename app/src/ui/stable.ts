import { useCallback, useEffect, useRef } from 'react';

/** Work under one name from drawing to drawing: what is given it is not drawn anew because its owner was. It does what was last said. */
export function useStable<Args extends readonly unknown[], Result>(
  work: (...args: Args) => Result,
): (...args: Args) => Result {
  const last = useRef(work);
  useEffect(() => {
    last.current = work;
  });
  return useCallback((...args: Args) => last.current(...args), []);
}
