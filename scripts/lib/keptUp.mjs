import { setTimeout as sleep } from 'node:timers/promises';
import { say } from './say.mjs';

/** How often something is started again in a while, ms, before it is taken to be broken; and the pause before each try. */
const STARTS = 5;
const WHILE = 5 * 60_000;
const PAUSE = 200;

/**
 * Keeps something running: when it ends by itself that is said, and it is started again.
 * @param first it as it runs now: `ended` resolves with how it ended
 * @param start starts it again; `up` false where it ended at once. What it throws is its end for good
 * @param words `ended(how)`: that it ended, with what is known of it; `why(how)`: the same for the end for good; `up`: that it runs again
 * @returns `now()`: it as it runs; `end()`: it may end from now on; `ended`: why it could not be kept running, nothing after `end()`
 */
export function keptUp(first, start, words) {
  let now = first;
  let asked = false;
  async function watch() {
    let starts = [];
    for (;;) {
      const how = await now.ended;
      if (asked) return undefined;
      starts = starts.filter((at) => Date.now() - at < WHILE);
      if (starts.length >= STARTS) return words.why(how);
      starts.push(Date.now());
      say(`${words.ended(how)} Starting it again …`);
      await sleep(PAUSE * starts.length);
      if (asked) return undefined;
      try {
        now = await start();
      } catch (error) {
        return error.message;
      }
      if (asked) {
        // Asked to end while it was starting: whoever asked has not seen this one.
        await now.stop?.();
        return undefined;
      }
      if (now.up) say(words.up);
    }
  }
  return { now: () => now, end: () => void (asked = true), ended: watch() };
}
