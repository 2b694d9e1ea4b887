import { statfsSync } from 'node:fs';
import { say, stop } from './say.mjs';

const MEGABYTE = 1024 * 1024;
/** Below this PostgreSQL may end in the middle of its work; below the other it is time to make room. MB. */
const NO_ROOM = 64;
const LITTLE_ROOM = 512;

/** Says that a disk is getting full, and does not begin on one that is. */
export function checkRoom(folder) {
  const { bavail, bsize } = statfsSync(folder);
  const left = Math.floor((bavail * bsize) / MEGABYTE);
  if (left < NO_ROOM)
    stop(
      `The disk of ${folder} is full: ${left} MB are left, and ${NO_ROOM} MB are needed to start. Make room and start again; what is stored is there.`,
    );
  if (left < LITTLE_ROOM)
    say(
      `The disk of ${folder} is nearly full: ${left} MB are left. Make room before nothing more can be stored.`,
    );
}
