import { spawn } from 'node:child_process';
import { closeSync, existsSync, openSync, readFileSync, rmSync } from 'node:fs';
import path from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { dataIn } from './clusterFolder.mjs';
import { keptUp } from './keptUp.mjs';
import { asPostgres, commandLine, run, stillRuns } from './run.mjs';
import { stop } from './say.mjs';

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

/**
 * Keeps PostgreSQL running from a folder on one port: one that ends by itself is started again, and what was done is said.
 * @returns what to call to stop it, and a promise that resolves with the last thing it said when it could not be kept running
 */
export async function keepRunning(programs, folder, port, settings) {
  const start = () => startOnce(programs, folder, port, settings);
  const first = await start();
  if (!first.up) stop(`PostgreSQL did not come up from ${folder}. It said: ${lastSaid(folder)}`);
  const kept = keptUp(first, start, {
    ended: () => `PostgreSQL ended by itself. It said: ${lastSaid(folder)}.`,
    why: () => lastSaid(folder),
    up: 'PostgreSQL runs again; nothing that was stored is lost.',
  });
  const stopRunning = async () => {
    const pid = runningPid(folder);
    if (pid !== undefined) await stopPid(folder, pid);
  };
  return {
    ended: kept.ended,
    async stop() {
      kept.end();
      await stopRunning();
      await kept.ended;
      // It may have been starting while it was asked to stop.
      await stopRunning();
      await kept.now().ended;
    },
  };
}
