import type { Entry } from '@fine-spray/contract';
import type { OldJobs } from '@fine-spray/contract/log';
import { planHistory, siteNow, type Kit } from '@fine-spray/contract/planning';
import { useDeferredValue, useMemo } from 'react';
import { usePreference } from '@/ui/preference';
import { useFirstInTurns, type FirstTime } from './firstTime';
import { useKit } from './kit';
import { useLog } from './log';
import { logInSteps, recordOf } from './record';

/** Whether plans stand on what the crew's own log says, where it says something. On: it is trusted before a data sheet. */
export const useOurHistory = () => usePreference('our-history', 'on', ['on', 'off']);

/** So many entries are read at once: nobody feels that. */
const AT_ONCE = 100;
/** A log is read in turns the first time: others of a page cost what differs. */
const firstLog: FirstTime = { over: false };

/** Whether a log has been read, so that what it says is there at once. */
function useRead(entries: readonly Entry[], old: OldJobs, here: boolean): boolean {
  const long = entries.length > AT_ONCE;
  const steps = useMemo(
    () => (here && long ? () => logInSteps(entries, old) : undefined),
    [here, long, entries, old],
  );
  const read = useFirstInTurns(firstLog, steps);
  return read || !long;
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
