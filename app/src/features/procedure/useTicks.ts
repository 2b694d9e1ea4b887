import { isStale, nextStep, tick, untick, type Procedure, type ProcedureStep } from '@fine-spray/core';
import { useState } from 'react';
import { readTexts, useKept } from '@/data/kept';
import { useToast } from '@/ui/toast';

interface Ticks {
  readonly done: readonly string[];
  /** When the last one was set; of older lists nobody knows. */
  readonly at: number;
}

function readTicks(stored: unknown): Ticks | undefined {
  const { done, at } = (Array.isArray(stored) ? { done: stored, at: 0 } : (stored ?? {})) as Partial<Ticks>;
  const texts = readTexts(done);
  return texts && typeof at === 'number' ? { done: texts, at } : undefined;
}
const NO_TICKS: Ticks = { done: [], at: 0 };

/** No step is done so soon after the one before, ms. */
const NEXT_STEP = 500;

/**
 * The ticks of a list, kept on this device. One that lay is begun again, whether the page was closed meanwhile or stayed
 * open: nobody knows what was done to the machine since.
 */
export function useTicks(procedure: Procedure, storageKey: string) {
  const [ticks, setTicks, full] = useKept(storageKey, readTicks, NO_TICKS);
  const [looked, setLooked] = useState(() => Date.now());
  const [refused, setRefused] = useState<{ readonly id: string; readonly message: string }>();
  const toast = useToast();
  const lay = (now: number) => ticks.done.length > 0 && isStale(ticks.at, now);
  const stale = lay(looked);
  // What is kept may be of an older list: only what this one has, in an order it allows.
  const done = procedure.steps.reduce<readonly string[]>((sofar, { id }) => {
    const result = !stale && ticks.done.includes(id) ? tick(procedure, sofar, id) : undefined;
    return result?.ok ? result.value : sofar;
  }, []);
  function setDone(next: readonly string[]) {
    const at = Date.now();
    setTicks({ done: next, at });
    setLooked(at);
  }
  function press(step: ProcedureStep) {
    const now = Date.now();
    if (!stale && lay(now)) {
      setLooked(now);
      return;
    }
    if (done.includes(step.id)) {
      const before = done;
      setDone(untick(procedure, done, step.id));
      toast({ text: 'Tick taken back, with what came after it.', undo: () => setDone(before) });
      return;
    }
    const result = tick(procedure, done, step.id);
    setRefused(result.ok ? undefined : { id: step.id, message: result.message });
    if (result.ok) setDone(result.value);
  }
  const now = nextStep(procedure, done);
  return {
    done,
    now,
    press,
    /** The step to do now is done. A second tap so soon is the same one: nobody has done a step meanwhile. */
    pressNow: () => {
      if (now && Date.now() - ticks.at >= NEXT_STEP) press(now);
    },
    clear: () => setDone([]),
    refusedAt: (id: string) => (refused?.id === id ? refused.message : undefined),
    /** When the list was left that is begun again; 0 where nobody knows. */
    leftAt: stale ? ticks.at : undefined,
    full,
  };
}
