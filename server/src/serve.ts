import { once } from 'node:events';
import type { Server } from 'node:http';
import { createRequire } from 'node:module';
import { fileURLToPath } from 'node:url';
import pino from 'pino';
import { createApp } from './app';
import { openData, type Data } from './db/data';
import { migrate } from './db/database';
import { loadDemo } from './files/loadDemo';
import { DOCS_SCRIPT } from './http/docs';
import { listenOn } from './http/listen';
import { createPool, type Pool } from './jobs/pool';

export interface ServeOptions {
  readonly port: number;
  /** The address to listen on; by default only this machine reaches it. */
  readonly host?: string;
  /** The origin people use, where it is another than the address. */
  readonly publicUrl?: string | undefined;
  /** Whether people sign in. */
  readonly signIn?: boolean;
  /** Proxies of one's own before the server. */
  readonly proxies?: number;
  readonly databaseUrl: string;
  readonly applicationFolder?: string;
  readonly demoFolder?: string;
  /** Awaited before a database that has something in it is brought up to date; nothing is changed where it fails. */
  readonly beforeMigration?: () => Promise<unknown>;
  /** Told what is being done, a line at each step. */
  readonly say: (line: string) => void;
}

export interface Serving {
  readonly address: string;
  /** Stops taking requests, lets running ones finish, closes the pool. */
  stop(): Promise<void>;
}

/** Migrates, loads the demo into an empty database, and serves application and API. */
export async function serve({
  port,
  host = '127.0.0.1',
  publicUrl,
  proxies = 0,
  signIn = false,
  databaseUrl,
  applicationFolder,
  demoFolder,
  beforeMigration,
  say,
}: ServeOptions): Promise<Serving> {
  const data = openData(databaseUrl);
  try {
    await migrate(databaseUrl, beforeMigration);
    // Where people sign in a company is made by its owner.
    const loaded =
      demoFolder === undefined || signIn
        ? undefined
        : await loadDemo(data.db, demoFolder, { withPlans: true });
    if (loaded) say(`Loaded the demo: ${loaded.jobs} jobs, ${loaded.surfaces} surfaces`);
    const logger = pino({ level: process.env['LOG_LEVEL'] ?? 'warn' });
    const pool = createPool(fileURLToPath(new URL('worker.js', import.meta.url)), 1);
    const app = createApp({
      contract: process.env['CONTRACT'],
      docsScript: createRequire(import.meta.url).resolve(DOCS_SCRIPT),
      data,
      logger,
      pool,
      at: { host, publicUrl },
      proxies,
      signIn,
      applicationFolder,
    });
    const server = await listenOn(app, port, host);
    const name = host === '0.0.0.0' || host === '::' ? '127.0.0.1' : host.includes(':') ? `[${host}]` : host;
    return { address: `http://${name}:${port}`, stop: () => stop(server, pool, data) };
  } catch (error) {
    await data.close();
    throw error;
  }
}

async function stop(server: Server, pool: Pool, data: Data): Promise<void> {
  const closed = once(server, 'close');
  server.close();
  // Streams end, so that nobody waits for them.
  await data.announcer.close();
  server.closeIdleConnections();
  const patience = setTimeout(() => server.closeAllConnections(), 2000);
  await closed;
  clearTimeout(patience);
  await pool.close();
  await data.close();
}
