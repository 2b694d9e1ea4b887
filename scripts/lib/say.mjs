/** One line for each step, and one clear sentence when it cannot go on. */
export class Stop extends Error {}

/** Says what is being done. */
export function say(line) {
  process.stdout.write(`${line}\n`);
}

/** Ends the command with one sentence; `main` turns it into a non-zero exit without a stack trace. */
export function stop(sentence) {
  throw new Stop(sentence);
}

/** Runs a command's main function; a `Stop` is one sentence on standard error, anything else is one line too. */
export async function main(run) {
  try {
    await run();
  } catch (error) {
    const sentence =
      error instanceof Stop ? error.message : `Something unforeseen went wrong: ${error?.message ?? error}`;
    process.stderr.write(`${sentence}\n`);
    if (process.env.FINE_SPRAY_DEBUG && error?.stack) process.stderr.write(`${error.stack}\n`);
    process.exit(1);
  }
}

/** Seconds between signs of life during long work. */
const SIGN_OF_LIFE = 15;

/** Says what begins, and every so often that it is still going on. */
export async function during(line, work) {
  say(line);
  const started = Date.now();
  const timer = setInterval(
    () => say(`  … ${Math.round((Date.now() - started) / 1000)} s`),
    SIGN_OF_LIFE * 1000,
  );
  try {
    return await work();
  } finally {
    clearInterval(timer);
  }
}
