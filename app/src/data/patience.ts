/** What is waited for no longer. */
export const LATE = Symbol('late');

/** Waits for something, but not for ever. What comes later comes to nobody; what fails meanwhile fails. */
export function inTime<T>(work: Promise<T>, longest: number): Promise<T | typeof LATE> {
  return new Promise((resolve, reject) => {
    const timer: unknown = setTimeout(() => resolve(LATE), longest);
    // Under Node, where tests run, it would keep the process.
    (timer as { unref?: () => void }).unref?.();
    work.then(resolve, reject).finally(() => clearTimeout(timer as ReturnType<typeof setTimeout>));
  });
}
