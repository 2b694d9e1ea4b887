import { startTransition, useEffect, useState } from 'react';

/** Whether what stands first is there: what is further down a long screen is drawn right after it, and holds nothing up. */
export function useSoonAfter(): boolean {
  const [after, setAfter] = useState(false);
  useEffect(() => startTransition(() => setAfter(true)), []);
  return after;
}
