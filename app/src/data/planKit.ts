import type { Entry } from '@fine-spray/contract';
import type { OldJobs } from '@fine-spray/contract/log';
import { planHistory, siteNow, type Kit } from '@fine-spray/contract/planning';
import { startTransition, useDeferredValue, useEffect, useMemo, useState } from 'react';
import { usePreference } from '@/ui/preference';
import { useKit } from './kit';
import { useLog } from './log';
import { logInSteps, recordOf } from './record';
import { inTurns } from './turns';

/** Whether plans stand on what the crew's own log says, where it says something. On: it is trusted before a data sheet. */
export const useOurHistory = () => usePreference('our-history', 'on', ['on', 'off']);

/** So many entries are read at once: nobody feels that. */
const AT_ONCE = 100;
/** A log was read in this page: others cost what differs. */
let readBefore = false;

/** Whether a log has been read, so that what it says is there at once: the first of a page is read in turns. */
function useRead(entries: readonly Entry[], old: OldJobs, here: boolean): boolean {
  const [read, setRead] = useState(readBefore);
  const wanted = here && !read && entries.length > AT_ONCE;
  useEffect(() => {
    if (!wanted) return undefined;
    const left = new AbortController();
    const done = () => {
      readBefore = true;
      startTransition(() => setRead(true));
    };
    // What fails here fails where it is worked out, and is said there.
    inTurns(logInSteps(entries, old), left.signal).then(done, done);
    return () => left.abort();
  }, [wanted, entries, old]);
  return read || entries.length <= AT_ONCE;
}

/** The kit as plans use it: with the crew's own history, unless that is switched off. */
export function usePlanKit(): ReturnType<typeof useKit> {
  const { kit: plain, ...rest } = useKit();
  const log = useLog();
  // What was written a moment ago moves plans once the tap that wrote it is answered; whether it is there goes with it.
  const entries = useDeferredValue(log.entries);
  const old = useDeferredValue(log.old);
  const loading = useDeferredValue(log.loading);
  const read = useRead(entries, old, !loading);
  const [ours] = useOurHistory();
  const kit = useMemo((): Kit | undefined => {
    // Not first without it and then with it: numbers do not jump under the eye.
    if (!plain || loading || !read) return undefined;
    if (entries.length === 0) return plain;
    const now = { ...plain, ...siteNow(entries, Date.now()) };
    return ours === 'off' ? now : { ...now, history: planHistory(recordOf(entries, old)) };
  }, [plain, entries, old, ours, loading, read]);
  return { ...rest, ...(kit ? { kit } : {}) };
}
