/**
 * A computation in steps: it may be put down after each and gone on with, so that a slow phone can answer a thumb in between. What it
 * gives is the same however it is gone through.
 */
export type InSteps<T> = Generator<void, T>;

/** Goes through all steps at once. */
export function atOnce<T>(steps: InSteps<T>): T {
  for (;;) {
    const step = steps.next();
    if (step.done === true) return step.value;
  }
}
