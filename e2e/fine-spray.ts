import { spawn } from 'node:child_process';
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import net from 'node:net';
import os from 'node:os';
import path from 'node:path';
import { fileURLToPath } from 'node:url';

const ROOT = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '..');

export async function freePort(): Promise<number> {
  return new Promise((resolve) => {
    const server = net.createServer().listen(0, '127.0.0.1', () => {
      const { port } = server.address() as net.AddressInfo;
      server.close(() => resolve(port));
    });
  });
}

/** A data folder that PostgreSQL's system user can reach, and how to remove it. */
export function temporaryHome(): { home: string; remove: () => void } {
  const home = mkdtempSync(path.join(os.tmpdir(), 'fine-spray-e2e-'));
  chmodSync(home, 0o755);
  return { home, remove: () => rmSync(home, { recursive: true, force: true }) };
}

export interface Command {
  /** Everything it has said so far. */
  output(): string;
  /** Resolves with the exit code when it ends. */
  readonly ended: Promise<number>;
  signal(name: NodeJS.Signals): void;
}

/** Runs the start command as `npm start` does. */
export function runStart(env: Record<string, string>): Command {
  const child = spawn('npm', ['start', '--silent'], {
    cwd: ROOT,
    env: { ...process.env, DATABASE_URL: '', ...env },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  let said = '';
  child.stdout.on('data', (data: Buffer) => (said += data.toString()));
  child.stderr.on('data', (data: Buffer) => (said += data.toString()));
  return {
    output: () => said,
    ended: new Promise((resolve) => child.on('close', (code) => resolve(code ?? -1))),
    signal: (name) => child.kill(name),
  };
}

export interface Running extends Command {
  readonly address: string;
  stop(): Promise<number>;
}

/** Starts Fine Spray from a data folder and waits until it has printed its address. */
export async function startFineSpray(
  home: string,
  port: number,
  env: Record<string, string> = {},
): Promise<Running> {
  const command = runStart({ FINE_SPRAY_HOME: home, PORT: String(port), ...env });
  const address = await new Promise<string>((resolve, reject) => {
    const look = setInterval(() => {
      const found = /is at (http:\/\/\S+)/.exec(command.output())?.[1];
      if (found === undefined) return;
      clearInterval(look);
      resolve(found);
    }, 50);
    void command.ended.then((code) => {
      clearInterval(look);
      reject(new Error(`start ended with ${code}: ${command.output()}`));
    });
  });
  return {
    ...command,
    address,
    stop: () => {
      command.signal('SIGTERM');
      return command.ended;
    },
  };
}
