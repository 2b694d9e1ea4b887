import { spawn, type ChildProcess } from 'node:child_process';
import path from 'node:path';
import { fileURLToPath } from 'node:url';

const ROOT = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '..');

/** The start command as one process on a database that is there already: it can be killed without its database. */
export class Instance {
  #child: ChildProcess | undefined;
  #ended: Promise<unknown> = Promise.resolve();

  constructor(
    readonly port: number,
    readonly databaseUrl: string,
  ) {}

  get address(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  get runs(): boolean {
    return this.#child !== undefined;
  }

  async start(): Promise<void> {
    const child = spawn(process.execPath, [path.join(ROOT, 'scripts/start.mjs')], {
      cwd: ROOT,
      env: { ...process.env, DATABASE_URL: this.databaseUrl, PORT: String(this.port) },
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    this.#child = child;
    this.#ended = new Promise((resolve) => child.on('close', resolve));
    let said = '';
    await new Promise<void>((resolve, reject) => {
      const hear = (data: Buffer) => {
        said += data.toString();
        if (/is at http/.test(said)) resolve();
      };
      child.stdout.on('data', hear);
      child.stderr.on('data', hear);
      child.on('close', () => reject(new Error(`the server ended: ${said}`)));
    });
  }

  /** As when somebody pulls the plug. */
  kill(): Promise<void> {
    return this.#end('SIGKILL');
  }

  /** As it is stopped by Ctrl-C. */
  stop(): Promise<void> {
    return this.#end('SIGINT');
  }

  async #end(signal: NodeJS.Signals): Promise<void> {
    this.#child?.kill(signal);
    this.#child = undefined;
    await this.#ended;
  }
}
