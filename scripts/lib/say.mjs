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
