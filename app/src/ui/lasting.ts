import { useEffect, useState } from 'react';

/**
 * Whether something is to be said that is over in a moment as a rule: once it has been so for a while, and then until it is over. What
 * comes and goes moves what somebody is about to tap.
 * @param time how long a while is, ms
 * @param atOnce says it without waiting
 */
export function useLasting(now: boolean, time: number, atOnce = false): boolean {
  const [lasts, setLasts] = useState(false);
  useEffect(() => {
    if (!now) return undefined;
    const timer = setTimeout(() => setLasts(true), atOnce ? 0 : time);
    return () => clearTimeout(timer);
  }, [now, time, atOnce]);
  useEffect(() => (now ? () => setLasts(false) : undefined), [now]);
  return now && (lasts || atOnce);
}
