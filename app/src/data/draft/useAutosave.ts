import type { Problem } from '@fine-spray/contract';
import { useCallback, useEffect, useRef, useState } from 'react';
import { Refused, whyFailed } from '@/data/api';

export type SaveState =
  | { readonly kind: 'saved' }
  | { readonly kind: 'saving' }
  | { readonly kind: 'waiting'; readonly why: string }
  | { readonly kind: 'conflict'; readonly problem: Problem }
  /** Somebody who may not change it: what is tried here is not stored. */
  | { readonly kind: 'looking'; readonly why: string };

/** Pause in typing after which a change is stored. */
const PAUSE = 400;
/** Pause before a failed save is tried again. */
const AGAIN = 4000;

/** Whether a write that failed may be taken a while later as it is. */
const mayPass = (error: unknown): boolean => !(error instanceof Refused) || error.problem.status >= 500;

/**
 * Stores a draft a moment after the last change, one write at a time, and at once when the screen is left.
 * Answers where it stands; a write that failed stays waiting and is tried again.
 */
export function useAutosave<Draft>(save: (draft: Draft, leaving: boolean) => Promise<void>) {
  const [state, setState] = useState<SaveState>({ kind: 'saved' });
  const pending = useRef<{ draft: Draft }>(undefined);
  const running = useRef<Promise<void>>(undefined);
  const left = useRef(false);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const latestSave = useRef(save);
  latestSave.current = save;

  /** Stores what waits, and what came while it was stored; done when nothing waits, or it could not be stored. */
  const flush = useCallback((leaving: boolean): Promise<void> => {
    const storeAll = async () => {
      for (let next = pending.current; next; next = pending.current) {
        pending.current = undefined;
        setState({ kind: 'saving' });
        try {
          await latestSave.current(next.draft, left.current);
        } catch (error) {
          pending.current ??= next;
          if (error instanceof Refused && error.problem.current !== undefined) {
            setState({ kind: 'conflict', problem: error.problem });
            return;
          }
          setState({ kind: 'waiting', why: whyFailed(error) });
          if (mayPass(error)) timer.current = setTimeout(() => void flush(false), AGAIN);
          return;
        }
        if (!pending.current) setState({ kind: 'saved' });
      }
    };
    clearTimeout(timer.current);
    left.current = leaving;
    running.current ??= storeAll().finally(() => {
      running.current = undefined;
    });
    return running.current;
  }, []);

  const change = useCallback(
    (draft: Draft) => {
      pending.current = { draft };
      setState((now) => (now.kind === 'conflict' ? now : { kind: 'saving' }));
      clearTimeout(timer.current);
      timer.current = setTimeout(() => void flush(false), PAUSE);
    },
    [flush],
  );
  /** Forgets what waits: the draft can no longer be stored as it is. */
  const drop = useCallback(() => {
    pending.current = undefined;
    clearTimeout(timer.current);
    setState({ kind: 'saved' });
  }, []);

  useEffect(() => {
    const leave = () => void flush(true);
    globalThis.addEventListener?.('pagehide', leave);
    return () => {
      globalThis.removeEventListener?.('pagehide', leave);
      void flush(true);
    };
  }, [flush]);
  return { state, change, drop, flush };
}
