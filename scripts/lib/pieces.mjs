import { createHash } from 'node:crypto';
import { readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { stop } from './say.mjs';

/** Where the scripts of an export lie. */
export const SCRIPTS = '_expo/static/js/web';
/** The script of an export that is called so, without the sum of its letters in its name; nothing where there is none. */
export const scriptCalled = (dist, name) =>
  readdirSync(path.join(dist, SCRIPTS)).find((file) => file.startsWith(`${name}-`) && file.endsWith('.js'));
/** Most of one piece, letters: a browser reads a script in one go before it runs the first line of it. */
const MOST = 250_000;
/** What each module of Metro's bundle begins with. */
const MODULE = '__d(';

/** Cuts a bundle of Metro between its modules, in pieces of about one size; run one after the other they are the bundle. */
function inPieces(bundle) {
  const enough = bundle.length / Math.ceil(bundle.length / MOST);
  const pieces = [''];
  for (const line of bundle.split(/(?<=\n)/)) {
    if (line.startsWith(MODULE) && pieces.at(-1).length >= enough) pieces.push('');
    pieces[pieces.length - 1] += line;
  }
  return pieces;
}

/**
 * The first script of an export in pieces, each asked for by the page in its turn: a slow phone was held up for a quarter of a second
 * while it read the whole, and answers between them now. Each is named by what is in it, as the whole was: it is kept for a year.
 */
export function cutFirstScript(dist) {
  const folder = path.join(dist, SCRIPTS);
  const whole = scriptCalled(dist, 'entry');
  const page = path.join(dist, 'index.html');
  const plain = readFileSync(page, 'utf8');
  const tag = (file) => `<script src="/${SCRIPTS}/${file}" defer></script>`;
  if (!whole || !plain.includes(tag(whole))) stop(`${page} does not ask for the first script.`);
  const pieces = inPieces(readFileSync(path.join(folder, whole), 'utf8'));
  rmSync(path.join(folder, whole));
  const files = pieces.map((piece) => {
    const file = `entry-${createHash('md5').update(piece).digest('hex')}.js`;
    writeFileSync(path.join(folder, file), piece);
    return file;
  });
  writeFileSync(page, plain.replace(tag(whole), files.map(tag).join('\n  ')));
}
