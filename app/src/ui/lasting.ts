import { useEffect, useState } from 'react';

/** Whether something has been so for a while, ms: what is over in a moment moves nothing under a thumb. */
export function useLasting(now: boolean, time: number): boolean {
  const [lasts, setLasts] = useState(false);
  useEffect(() => {
    if (!now) return undefined;
    const timer = setTimeout(() => setLasts(true), time);
    return () => {
      clearTimeout(timer);
      setLasts(false);
    };
  }, [now, time]);
  return now && lasts;
}
