import { spawn } from 'node:child_process';
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { freePort } from './cluster.mjs';
import { ROOT } from './paths.mjs';

/** Starts the application from a data folder: seconds to the printed address, the address, and how to stop it. */
export function started(home, port) {
  return new Promise((resolve, reject) => {
    const from = performance.now();
    const child = spawn('npm', ['start'], {
      cwd: ROOT,
      env: { ...process.env, FINE_SPRAY_HOME: home, PORT: String(port), DATABASE_URL: '' },
    });
    const ended = new Promise((done) => child.on('close', done));
    const stopped = () => {
      child.kill('SIGTERM');
      return ended;
    };
    child.stdout.on('data', (data) => {
      const found = /is at (http:\/\/\S+)/.exec(String(data));
      if (found) resolve({ seconds: (performance.now() - from) / 1000, address: found[1], stop: stopped });
    });
    void ended.then(() => reject(new Error('npm start ended without an address')));
  });
}

/** A data folder for the length of some work. */
export async function withHome(work) {
  const home = mkdtempSync(path.join(os.tmpdir(), 'fine-spray-'));
  // PostgreSQL is another user where root starts it.
  chmodSync(home, 0o755);
  try {
    return await work(home);
  } finally {
    rmSync(home, { recursive: true, force: true });
  }
}

/** The application started from a data folder, for the length of some work. */
export async function withApplication(home, work) {
  const running = await started(home, await freePort());
  try {
    return await work(running);
  } finally {
    await running.stop();
  }
}
