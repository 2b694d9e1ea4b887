import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { checkRoom } from './room.mjs';
import { stillRuns } from './run.mjs';
import { stop } from './say.mjs';

/** Programs of ours that take the lock, as their command lines have them. */
const OURS = /scripts\/(start|backup|restore|company)\.mjs/;

/** One program at a time with the data of a folder. Returns what gives it free again. */
export function takeLock(folder) {
  const file = path.join(folder, 'start.pid');
  try {
    mkdirSync(folder, { recursive: true, mode: 0o755 });
    checkRoom(folder);
    for (;;) {
      try {
        // Made only where there is none: of two that begin at once, one has it.
        writeFileSync(file, String(process.pid), { flag: 'wx' });
        return () => rmSync(file, { force: true });
      } catch (error) {
        if (error.code !== 'EEXIST') throw error;
      }
      const pid = Number(readFileSync(file, 'utf8'));
      if (pid !== process.pid && stillRuns(pid, OURS))
        stop(
          `Fine Spray already runs from ${folder} (process ${pid}). Stop it first, or choose another folder with FINE_SPRAY_HOME.`,
        );
      rmSync(file, { force: true });
    }
  } catch (error) {
    if (error.code)
      stop(
        `The data folder ${folder} cannot be written (${error.code}). Choose another with FINE_SPRAY_HOME.`,
      );
    throw error;
  }
}
