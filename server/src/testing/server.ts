import { execFile } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import type { AddressInfo } from 'node:net';
import path from 'node:path';
import { promisify } from 'node:util';
import pino from 'pino';
import { createApp } from '../app';
import { openData, type Data } from '../db/data';
import { migrate, openDatabase, type Database } from '../db/database';
import { loadDemo } from '../files/loadDemo';
import { DOCS_SCRIPT } from '../http/docs';
import { listenOn } from '../http/listen';
import { createPool } from '../jobs/pool';

export const DEMO_FOLDER = path.resolve(__dirname, '../../../demo');

/** Where what shows the document of the API lies. */
export const DOCS = require.resolve(DOCS_SCRIPT);

export interface Answer {
  readonly status: number;
  readonly headers: Headers;
  // Bodies are read as loosely as a client in another language would.
  readonly body: Record<string, unknown> & {
    items?: Record<string, unknown>[];
    errors?: { field: string; message: string; code: string }[];
  };
}

export interface TestServer {
  /** The rows of all companies, for what a test wants to know of them. */
  readonly db: Database;
  /** What the server itself works with. */
  readonly data: Data;
  readonly address: string;
  readonly databaseUrl: string;
  call(method: string, url: string, body?: unknown): Promise<Answer>;
  stop(): Promise<void>;
}

/** A new database that belongs to the program as it does outside of tests, and what removes it. */
export async function emptyDatabase(): Promise<{ readonly url: string; readonly drop: () => Promise<void> }> {
  const admin = openDatabase(process.env['TEST_ADMIN_URL'] ?? '');
  const base = new URL(process.env['TEST_DATABASE_URL'] ?? '');
  const name = `test_${randomUUID().replaceAll('-', '')}`;
  await admin.raw(`create database ${name} owner ${base.username}`);
  base.pathname = `/${name}`;
  return {
    url: base.href,
    drop: async () => {
      await admin.raw(`drop database ${name} with (force)`);
      await admin.destroy();
    },
  };
}

/** The body of an answer; of a stream, which does not end, nothing. */
export async function textOf(response: Response): Promise<string> {
  if (!response.headers.get('content-type')?.startsWith('text/event-stream')) return response.text();
  await response.body?.cancel();
  return '';
}

/** Fills an empty database from a dump. */
async function restore(url: string, file: string): Promise<void> {
  const { hostname, port, username, password, pathname } = new URL(url);
  const program = path.join(process.env['TEST_PROGRAMS'] ?? '', 'pg_restore');
  const where = ['-h', hostname, '-p', port, '-U', username, '-d', pathname.slice(1)];
  await promisify(execFile)(program, ['--exit-on-error', '--no-owner', ...where, file], {
    env: { ...process.env, PGPASSWORD: password },
  });
}

/**
 * The real application over HTTP on a fresh database with the demo in it, or with nothing.
 * @param restored a dump to begin from, brought up to date
 */
export async function startTestServer({
  demo = true,
  restored,
  signIn = false,
  applicationFolder,
}: {
  demo?: boolean;
  restored?: string;
  signIn?: boolean;
  applicationFolder?: string;
} = {}): Promise<TestServer> {
  const { url, drop } = await emptyDatabase();
  if (restored !== undefined) await restore(url, restored);
  await migrate(url);
  const db = openDatabase(url, { sees: 'everything' });
  const data = openData(url);
  if (demo && restored === undefined) await loadDemo(data.db, DEMO_FOLDER);
  const pool = createPool(process.env['TEST_WORKER_FILE'] ?? '');
  const app = createApp({
    docsScript: DOCS,
    data,
    logger: pino({ level: 'silent' }),
    pool,
    signIn,
    applicationFolder,
  });
  const server = await listenOn(app, 0, '127.0.0.1');
  const address = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  return {
    db,
    data,
    address,
    databaseUrl: url,
    async call(method, url, body) {
      const response = await fetch(`${address}${url}`, {
        method,
        ...(body === undefined
          ? {}
          : {
              headers: { 'Content-Type': 'application/json' },
              body: typeof body === 'string' ? body : JSON.stringify(body),
            }),
      });
      const text = await textOf(response);
      const json = response.headers.get('content-type')?.includes('json') ?? false;
      return {
        status: response.status,
        headers: response.headers,
        body: text && json ? (JSON.parse(text) as Answer['body']) : {},
      };
    },
    async stop() {
      const closed = data.close();
      await new Promise((resolve) => server.close(resolve));
      await closed;
      await pool.close();
      await db.destroy();
      await drop();
    },
  };
}
