import { createHash } from 'node:crypto';
import { readFileSync, readdirSync, statSync } from 'node:fs';
import path from 'node:path';
import { ROOT } from './paths.mjs';

function* filesOf(at) {
  if (!statSync(at).isDirectory()) {
    if (!/\.test\.tsx?$/.test(at)) yield at;
    return;
  }
  for (const name of readdirSync(at).sort()) yield* filesOf(path.join(at, name));
}

/** What folders and files of the project hold, in one number; what only tests use is left out. */
export function fingerprintOf(sources) {
  const hash = createHash('sha256');
  for (const source of sources) {
    for (const file of filesOf(path.join(ROOT, source))) {
      hash.update(path.relative(ROOT, file)).update(readFileSync(file));
    }
  }
  return hash.digest('hex');
}
