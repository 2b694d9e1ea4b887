import { accept, refuse, type Result } from '../units';
import type { Procedure, ProcedureStep } from './steps';

const stepOf = ({ steps }: Procedure, id: string) => steps.find((step) => step.id === id);

/** The first step that must be done before this one and is not. */
export function heldBackBy(
  procedure: Procedure,
  done: readonly string[],
  id: string,
): ProcedureStep | undefined {
  const first = stepOf(procedure, id)?.after.find((before) => !done.includes(before));
  return first === undefined ? undefined : stepOf(procedure, first);
}

/**
 * Ticks a step off.
 * @returns a refusal while a step that must come before is open: it names that step and why the order matters
 */
export function tick(procedure: Procedure, done: readonly string[], id: string): Result<readonly string[]> {
  const step = stepOf(procedure, id);
  if (!step) {
    return refuse('procedure.step', 'step', 'This step is not on the list any more. Look at the list again.');
  }
  const before = heldBackBy(procedure, done, id);
  if (before) {
    return refuse('procedure.order', 'step', `First: ${before.what} ${before.why}`);
  }
  return accept(done.includes(id) ? done : [...done, id]);
}

/** Takes a tick back, with every step that had to come after it. */
export function untick(procedure: Procedure, done: readonly string[], id: string): readonly string[] {
  let left = done.filter((one) => one !== id);
  for (;;) {
    const kept = left.filter((one) => !heldBackBy(procedure, left, one));
    if (kept.length === left.length) return kept;
    left = kept;
  }
}

/** The step to do now: the first on the list that is open; nothing when all are done. */
export function nextStep(procedure: Procedure, done: readonly string[]): ProcedureStep | undefined {
  return procedure.steps.find(({ id }) => !done.includes(id));
}

/** Time after which nobody knows what was done to a machine since the last tick: 4 hours, ms. */
const STALE_AFTER = 4 * 3600_000;

/** Whether a list lay so long that it is begun again: pressure comes back, and others have hands too. */
export const isStale = (lastTick: number, now: number): boolean =>
  now - lastTick > STALE_AFTER || lastTick > now;
