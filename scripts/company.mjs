import { readFileSync } from 'node:fs';
import path from 'node:path';
import { ensureServerBuilt } from './lib/build.mjs';
import { ensureNodePackages, ensurePostgres } from './lib/packages.mjs';
import { main, say, stop } from './lib/say.mjs';
import { settingsFrom } from './lib/settings.mjs';
import { withDatabase } from './lib/withDatabase.mjs';

const USE = `Say which:
  npm run company -- add "Company name" "Name of its owner"     one more company on this server
  npm run company -- owner "Company name"                       a way in for its owner
  npm run company -- out "Company name" FILE.zip                all it has stored, as one file
  npm run company -- in FILE.zip ["Company name"]               a company from such a file, under its own or another name`;
const MOST = { company: 120, owner: 80 };

/** A way in for an owner: of a new company, or of one that is there. */
async function letIn(company, owner) {
  const { addCompany, inviteOwner } = await import('../server/dist/index.js');
  const way = await withDatabase(({ url }) =>
    (owner ? addCompany(url, company, owner) : inviteOwner(url, company)).catch((error) =>
      stop(error.message),
    ),
  );
  const { publicUrl, port } = settingsFrom({ ...process.env, SIGN_IN: 'on' });
  if (owner) say(`${way.company} is made.`);
  say(
    `${way.owner} opens this within ${way.lasts / 60} minutes, on the phone or browser that is to be theirs:`,
  );
  say(`${publicUrl ?? `http://127.0.0.1:${port}`}/sign-in#${way.code}`);
}

async function writeOut(company, file) {
  const { archiveCompany } = await import('../server/dist/index.js');
  const { holds, leftOut } = await withDatabase(({ url }) =>
    archiveCompany(url, company, path.resolve(file)).catch((error) => stop(error.message)),
  );
  say(
    `Wrote ${file}: ${holds.jobs} jobs, ${holds.surfaces} surfaces, ${holds.entries} entries of the log, ${holds.pictures} pictures.`,
  );
  for (const { name, why } of leftOut) say(`Left out, since it cannot be read: ${name}. ${why}`);
}

async function readIn(file, as) {
  const { takeInArchive } = await import('../server/dist/index.js');
  let bytes;
  try {
    bytes = readFileSync(path.resolve(file));
  } catch {
    stop(`There is no file ${file}.`);
  }
  const { company } = await withDatabase(({ url }) =>
    takeInArchive(url, bytes, as || undefined).catch((error) => stop(error.message)),
  );
  say(`${company} is here. A way in for its owner: npm run company -- owner "${company}"`);
}

/** Companies of this server, for whoever looks after it. */
await main(async () => {
  const [what, first = '', second = ''] = process.argv.slice(2).map((one) => one.trim());
  const work = {
    add: first && second && second.length <= MOST.owner && (() => letIn(first, second)),
    owner: first && (() => letIn(first)),
    out: first && second && (() => writeOut(first, second)),
    in: first && second.length <= MOST.company && (() => readIn(first, second)),
  }[what];
  if (!work || (what !== 'in' && first.length > MOST.company)) stop(USE);
  await ensureNodePackages();
  await ensurePostgres();
  await ensureServerBuilt();
  await work();
});
