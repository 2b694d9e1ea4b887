import { randomBytes } from 'node:crypto';
import {
  chmodSync,
  chownSync,
  existsSync,
  mkdirSync,
  readFileSync,
  readdirSync,
  renameSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import path from 'node:path';
import { postgresPrograms } from './packages.mjs';
import { asPostgres, isRoot, run } from './run.mjs';
import { say, stop } from './say.mjs';

/** Who may do everything in a cluster of ours; the program itself comes in as another. */
export const ADMIN = 'fine_spray';

/** What stands in the folder of a cluster. */
export const dataIn = (folder) => path.join(folder, 'data');
export const backupsOf = (folder) => path.join(path.dirname(folder), 'backups');
/** A cluster in the making, beside its place: what is found there later was cut off. */
const BEGUN = 'begun-';

async function systemUser() {
  const id = async (flag) => Number((await run('id', [flag, 'postgres'], { quiet: true })).output.trim());
  return { uid: await id('-u'), gid: await id('-g') };
}

/** Gives a file or folder to the user PostgreSQL runs as. */
export async function giveToPostgres(at) {
  if (!isRoot()) return;
  const { uid, gid } = await systemUser();
  chownSync(at, uid, gid);
}

/** Makes a folder PostgreSQL can use, or says why it cannot. */
export async function ownedFolder(folder) {
  try {
    mkdirSync(folder, { recursive: true, mode: 0o755 });
    await giveToPostgres(folder);
    chmodSync(folder, 0o700);
    const probe = path.join(folder, '.probe');
    const [program, args] = asPostgres('touch', [probe]);
    const { code } = await run(program, args, { quiet: true });
    if (code !== 0) throw new Error('not writable');
    rmSync(probe, { force: true });
  } catch (error) {
    const who = isRoot() ? ' by the system user postgres' : '';
    stop(
      `The data folder ${folder} cannot be written${who} (${error.code ?? error.message}). Choose another with FINE_SPRAY_HOME.`,
    );
  }
}

/**
 * Makes the cluster where there is none: beside its place and moved there when it is whole, so that a start that is cut off
 * leaves nothing that looks like one. `FINE_SPRAY_NEW_CLUSTER` names a whole one to copy: the tests make many, and initdb takes
 * longer than a copy.
 */
export async function ensureMade(folder) {
  for (const name of readdirSync(folder)) {
    if (name.startsWith(BEGUN)) rmSync(path.join(folder, name), { recursive: true, force: true });
  }
  if (existsSync(path.join(dataIn(folder), 'PG_VERSION'))) return;
  say('Making the database …');
  const begun = path.join(folder, `${BEGUN}${randomBytes(4).toString('hex')}`);
  const ready = process.env.FINE_SPRAY_NEW_CLUSTER;
  if (ready) {
    // Node's own copy would leave all of it to root; cp keeps the owner.
    const { code, output } = await run('cp', ['-a', ready, begun], { quiet: true });
    if (code !== 0) stop(`PostgreSQL's data folder could not be copied: ${output.trim().split('\n').pop()}`);
  } else {
    await makeAnew(begun);
  }
  // The password goes first: without the data beside it, it is made anew the next time.
  renameSync(path.join(begun, 'password'), path.join(folder, 'password'));
  rmSync(dataIn(folder), { recursive: true, force: true });
  renameSync(dataIn(begun), dataIn(folder));
  rmSync(begun, { recursive: true, force: true });
}

/** An initialised cluster with its password in a folder of its own. */
export async function makeAnew(folder) {
  await ownedFolder(folder);
  const passwordFile = path.join(folder, 'password');
  writeFileSync(passwordFile, randomBytes(18).toString('hex'), { mode: 0o600 });
  await giveToPostgres(passwordFile);
  const [program, args] = asPostgres(path.join(postgresPrograms(), 'initdb'), [
    '-D',
    dataIn(folder),
    '-U',
    ADMIN,
    '-E',
    'UTF8',
    '--locale=C.UTF-8',
    '--auth=scram-sha-256',
    `--pwfile=${passwordFile}`,
  ]);
  const { code, output } = await run(program, args, { quiet: true });
  if (code !== 0) {
    rmSync(folder, { recursive: true, force: true });
    stop(`PostgreSQL could not make its data folder: ${output.trim().split('\n').pop()}`);
  }
}

/** The programs of the version a cluster was made with: a newer one on the machine does not change what ours are. */
export function programsFor(folder) {
  const versionFile = path.join(dataIn(folder), 'PG_VERSION');
  const version = existsSync(versionFile) ? readFileSync(versionFile, 'utf8').trim() : undefined;
  if (version === undefined || !existsSync(path.join(dataIn(folder), 'global/pg_control')))
    stop(
      `${dataIn(folder)} is not a whole PostgreSQL data folder: somebody or something has removed a part of it. Move it aside and restore the newest backup: npm run restore.`,
    );
  const programs = postgresPrograms(version);
  if (programs) return programs;
  stop(
    `The data in ${folder} are of PostgreSQL ${version}, and this machine has ${postgresPrograms() ? 'only another version' : 'no PostgreSQL'}. They are as they were. Install it (apt-get install postgresql-${version}) and start again; or move ${dataIn(folder)} aside and restore the newest backup into the version that is here: npm run restore.`,
  );
}
