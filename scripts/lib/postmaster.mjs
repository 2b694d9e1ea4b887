import { spawn } from 'node:child_process';
import { closeSync, existsSync, openSync, readFileSync, rmSync } from 'node:fs';
import path from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { dataIn } from './clusterFolder.mjs';
import { asPostgres, commandLine, run, stillRuns } from './run.mjs';
import { say, stop } from './say.mjs';

const pidFile = (folder) => path.join(dataIn(folder), 'postmaster.pid');
const logFile = (folder) => path.join(folder, 'postgres.log');

/** Lines of the note a postmaster leaves while it runs: its number first, its port fourth. */
const noted = (folder) =>
  existsSync(pidFile(folder)) ? readFileSync(pidFile(folder), 'utf8').split('\n') : undefined;

/** Pid a postmaster has noted in this folder, running or not; undefined without a note. */
const notedPid = (folder) => (noted(folder) ? Number(noted(folder)[0]) : undefined);

/** Pid of a postmaster that runs from this folder, or undefined. */
function runningPid(folder) {
  const pid = notedPid(folder);
  return stillRuns(pid, folder) ? pid : undefined;
}

/** Port of a postmaster that runs from this folder, or undefined. */
export const runningPort = (folder) =>
  runningPid(folder) === undefined ? undefined : Number(noted(folder)?.[3]);

/**
 * Makes way for a new postmaster: stops one that was left running, waits for one that has just been killed to be
 * cleared away, and drops the note when its number belongs to another program by now.
 */
async function clearTheWay(folder) {
  const left = runningPid(folder);
  if (left !== undefined) await stopPid(folder, left);
  for (let tries = 0; tries < 200; tries += 1) {
    const line = commandLine(notedPid(folder));
    if (line === undefined) return;
    if (line !== '' && !line.includes(folder)) {
      rmSync(pidFile(folder), { force: true });
      return;
    }
    await sleep(50);
  }
}

/** Asks the postmaster for a fast shutdown and waits until it has gone. */
async function stopPid(folder, pid) {
  try {
    process.kill(pid, 'SIGINT');
  } catch {
    return;
  }
  for (let tries = 0; tries < 200 && runningPid(folder) !== undefined; tries += 1) await sleep(50);
  if (runningPid(folder) !== undefined) process.kill(pid, 'SIGQUIT');
}

async function ready(programs, port, child) {
  for (let tries = 0; tries < 300; tries += 1) {
    const { code } = await run(
      path.join(programs, 'pg_isready'),
      ['-q', '-h', '127.0.0.1', '-p', String(port)],
      { quiet: true },
    );
    if (code === 0) return true;
    if (child.exitCode !== null || child.signalCode !== null) return false;
    await sleep(50);
  }
  return false;
}

const lastSaid = (folder) => readFileSync(logFile(folder), 'utf8').trim().split('\n').pop();

/** One process of PostgreSQL from a folder. */
async function startOnce(programs, folder, port, settings) {
  await clearTheWay(folder);
  const log = openSync(logFile(folder), 'w');
  const [program, args] = asPostgres(path.join(programs, 'postgres'), [
    '-D',
    dataIn(folder),
    '-p',
    String(port),
    ...settings.flatMap((setting) => ['-c', setting]),
  ]);
  // A group of its own: Ctrl-C goes to us first, and we stop the database after the server.
  const child = spawn(program, args, { stdio: ['ignore', log, log], detached: true, cwd: folder });
  closeSync(log);
  const ended = new Promise((resolve) => child.on('close', resolve));
  const up = await ready(programs, port, child);
  if (!up) child.kill('SIGTERM');
  return { up, ended };
}

/** How often it is started again in a while, ms, before it is taken to be broken; and the pause before each try. */
const STARTS = 5;
const WHILE = 5 * 60_000;
const PAUSE = 200;

/**
 * Keeps PostgreSQL running from a folder on one port: one that ends by itself is started again, and what was done is said.
 * @returns what to call to stop it, and a promise that resolves with the last thing it said when it could not be kept running
 */
export async function keepRunning(programs, folder, port, settings) {
  let asked = false;
  let now = await startOnce(programs, folder, port, settings);
  if (!now.up) stop(`PostgreSQL did not come up from ${folder}. It said: ${lastSaid(folder)}`);

  async function watch() {
    let starts = [];
    for (;;) {
      await now.ended;
      if (asked) return undefined;
      const said = lastSaid(folder);
      starts = starts.filter((at) => Date.now() - at < WHILE);
      if (starts.length >= STARTS) return said;
      starts.push(Date.now());
      say(`PostgreSQL ended by itself. It said: ${said}. Starting it again …`);
      await sleep(PAUSE * starts.length);
      if (asked) return undefined;
      now = await startOnce(programs, folder, port, settings);
      if (now.up) say('PostgreSQL runs again; nothing that was stored is lost.');
    }
  }
  const watching = watch();
  return {
    ended: watching,
    async stop() {
      asked = true;
      const pid = runningPid(folder);
      if (pid !== undefined) await stopPid(folder, pid);
      await watching;
      // It may have been starting while it was asked to stop.
      const late = runningPid(folder);
      if (late !== undefined) await stopPid(folder, late);
      await now.ended;
    },
  };
}
