import type { Problem } from '@fine-spray/contract';
import { useCallback, useEffect, useRef, useState } from 'react';
import { Refused, whyFailed } from '@/data/api';

export type SaveState =
  | { readonly kind: 'saved' }
  | { readonly kind: 'saving' }
  | { readonly kind: 'waiting'; readonly why: string }
  | { readonly kind: 'conflict'; readonly problem: Problem };

/** Pause in typing after which a change is stored. */
const PAUSE = 400;
/** Pause before a failed save is tried again. */
const AGAIN = 4000;

/**
 * Stores a draft a moment after the last change, one write at a time, and at once when the screen is left.
 * Answers where it stands; a write that failed stays waiting and is tried again.
 */
export function useAutosave<Draft>(save: (draft: Draft, leaving: boolean) => Promise<void>) {
  const [state, setState] = useState<SaveState>({ kind: 'saved' });
  const pending = useRef<{ draft: Draft }>(undefined);
  const running = useRef(false);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const latestSave = useRef(save);
  latestSave.current = save;

  const flush = useCallback(async (leaving: boolean): Promise<void> => {
    clearTimeout(timer.current);
    if (running.current || !pending.current) return;
    const { draft } = pending.current;
    pending.current = undefined;
    running.current = true;
    setState({ kind: 'saving' });
    try {
      await latestSave.current(draft, leaving);
      running.current = false;
      if (pending.current) await flush(leaving);
      else setState({ kind: 'saved' });
    } catch (error) {
      running.current = false;
      pending.current ??= { draft };
      if (error instanceof Refused && error.problem.current !== undefined) {
        setState({ kind: 'conflict', problem: error.problem });
        return;
      }
      setState({ kind: 'waiting', why: whyFailed(error) });
      if (!(error instanceof Refused)) timer.current = setTimeout(() => void flush(false), AGAIN);
    }
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
