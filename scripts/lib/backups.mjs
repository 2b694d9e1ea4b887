import { randomBytes } from 'node:crypto';
import { mkdirSync, readdirSync, renameSync, rmSync, statSync } from 'node:fs';
import path from 'node:path';
import { PROGRAM, asAdmin, ensureDatabase } from './cluster.mjs';
import { postgresPrograms } from './packages.mjs';
import { run } from './run.mjs';
import { stop } from './say.mjs';

/** Why a backup was made; those that are made by themselves go again. */
export const KINDS = { night: 'night', migration: 'migration', hand: 'hand' };
/** Backups that are kept of each kind that is made by itself. */
const KEPT = 14;
/** What a dump that is not whole is called. */
const PART = '.part';
const NAME = /^(night|migration|hand)-(\d{4})(\d{2})(\d{2})-(\d{2})(\d{2})(\d{2})\.dump$/;

/** "20260131-221500": times in file names sort as they come, in UTC. */
const stamp = (now) => now.toISOString().slice(0, 19).replace(/[-:]/g, '').replace('T', '-');

/** Backups in a folder, newest first: file, kind, time, bytes. */
export function backupsIn(folder) {
  let names = [];
  try {
    names = readdirSync(folder);
  } catch {
    return [];
  }
  return names
    .flatMap((name) => {
      const found = NAME.exec(name);
      if (!found) return [];
      const [, kind, year, month, day, hour, minute, second] = found;
      const at = new Date(`${year}-${month}-${day}T${hour}:${minute}:${second}Z`);
      const file = path.join(folder, name);
      return [{ file, kind, at, bytes: statSync(file).size }];
    })
    .sort((a, b) => b.at - a.at);
}

/** Arguments that say which database, and the password apart from them: arguments can be seen by others. */
function connection(url) {
  const { hostname, port, username, password, pathname } = new URL(url);
  return {
    args: ['-h', hostname, ...(port ? ['-p', port] : []), '-U', username, '-d', pathname.slice(1)],
    env: { ...process.env, ...(password ? { PGPASSWORD: decodeURIComponent(password) } : {}) },
  };
}

const lastLine = (output) => output.trim().split('\n').pop() ?? '';

/**
 * Dumps a database in PostgreSQL's custom format. It has its name only when it is whole and can be read.
 * @param from address of the database, and the programs of its version
 * @returns the file
 */
export async function backUp({ url, programs }, folder, kind, now = new Date()) {
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  for (const name of readdirSync(folder))
    if (name.endsWith(PART)) rmSync(path.join(folder, name), { force: true });
  const file = path.join(folder, `${kind}-${stamp(now)}.dump`);
  const part = `${file}.${randomBytes(3).toString('hex')}${PART}`;
  const { args, env } = connection(url);
  const dumped = await run(
    path.join(programs, 'pg_dump'),
    // The rows of every company, also where whoever dumps is held to one (migration 011).
    ['-Fc', '--no-owner', '--no-privileges', '--enable-row-security', '-f', part, ...args],
    { quiet: true, env: { ...env, PGOPTIONS: '-c fine_spray.company=*' } },
  );
  const read =
    dumped.code === 0
      ? await run(path.join(programs, 'pg_restore'), ['--list', part], { quiet: true })
      : dumped;
  if (read.code !== 0) {
    rmSync(part, { force: true });
    throw new Error(lastLine(read.output));
  }
  renameSync(part, file);
  if (kind !== KINDS.hand) {
    const old = backupsIn(folder)
      .filter((one) => one.kind === kind)
      .slice(KEPT);
    for (const { file: gone } of old) rmSync(gone, { force: true });
  }
  return file;
}

const DATABASE = 'fine_spray';
const RESTORING = 'fine_spray_restoring';
/** What was there before a restore stays once, in case it was the wrong file. */
const BEFORE = 'fine_spray_before_restore';

/** Restores a dump into a cluster of ours: beside what is there, which makes way only when all of it is in. */
export async function restoreInto(cluster, file) {
  const { programs, adminUrl } = cluster;
  const list = await run(path.join(programs, 'pg_restore'), ['--list', file], { quiet: true });
  if (list.code !== 0)
    stop(`${file} is no backup that can be read: ${lastLine(list.output)}. Nothing was changed.`);
  await asAdmin(cluster, `drop database if exists ${RESTORING}`);
  await ensureDatabase(cluster, RESTORING);
  const url = new URL(adminUrl);
  url.pathname = `/${RESTORING}`;
  await restoreEmpty({ programs, url: url.href }, file, ['--role', PROGRAM]);
  await ensureDatabase(cluster, RESTORING);
  await asAdmin(cluster, `drop database if exists ${BEFORE}`);
  await asAdmin(
    cluster,
    `begin; alter database ${DATABASE} rename to ${BEFORE}; alter database ${RESTORING} rename to ${DATABASE}; commit;`,
  );
}

/** Restores a dump into an empty database, all of it or nothing. */
export async function restoreEmpty({ programs = postgresPrograms(), url }, file, more = []) {
  const { args, env } = connection(url);
  const { code, output } = await run(
    path.join(programs, 'pg_restore'),
    ['--exit-on-error', '--single-transaction', '--no-owner', '--no-privileges', ...more, ...args, file],
    { quiet: true, env },
  );
  if (code !== 0) stop(`${file} could not be restored: ${lastLine(output)}. Nothing was changed.`);
}

/** The hour at which the backup of the night is made. */
const NIGHT = 2;
const HALF_HOUR = 30 * 60_000;
const DAY = 24 * 60 * 60_000;

/** When the next backup is due, ms from now: in the coming night, or half an hour from now where the last is older than a day. */
export function untilNext(newest, now = new Date()) {
  const night = new Date(now);
  night.setHours(NIGHT, 30, 0, 0);
  if (night <= now) night.setDate(night.getDate() + 1);
  const missed = newest === undefined || now - newest > DAY;
  return missed ? Math.min(HALF_HOUR, night - now) : night - now;
}

/** Makes a backup each night while the program runs. Returns what ends that. */
export function eachNight(folder, make) {
  let timer;
  const next = () => {
    const newest = backupsIn(folder).find(({ kind }) => kind === KINDS.night)?.at;
    timer = setTimeout(() => void make().finally(next), untilNext(newest));
    timer.unref();
  };
  next();
  return () => clearTimeout(timer);
}
