import { request as httpRequest } from 'node:http';
import { problem } from '@fine-spray/contract';
import pino from 'pino';
import { createPool } from '../jobs/pool';
import { createApp } from '../app';
import { DOCS, startTestServer, type TestServer } from '../testing/server';
import type { Door } from './door';
import { listenOn } from './listen';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.stop());

interface Asked {
  readonly method?: string;
  readonly path?: string;
  readonly headers?: Readonly<Record<string, string>>;
  readonly body?: string;
}

/** Asks as a browser at another name or origin would: fetch does not let one say so. */
function ask(
  address: string,
  { method = 'GET', path = '/api/jobs', headers = {}, body }: Asked,
): Promise<{ status: number; text: string; headers: Readonly<Record<string, unknown>> }> {
  return new Promise((resolve, reject) => {
    const sent = httpRequest(`${address}${path}`, { method, headers }, (answer) => {
      let text = '';
      answer.on('data', (data: Buffer) => (text += data.toString()));
      answer.on('end', () => resolve({ status: answer.statusCode ?? 0, text, headers: answer.headers }));
    });
    sent.on('error', reject);
    sent.end(body);
  });
}

describe('a name the server is not known by', () => {
  it.each(['evil.example', 'evil.example:4380', '127.0.0.1.evil.example', 'localhost.evil.example:80'])(
    'gets nothing, page or data: "%s"',
    async (host) => {
      for (const path of ['/api/jobs', '/api/health', '/', '/api/openapi.json']) {
        const { status, text } = await ask(server.address, { path, headers: { Host: host } });
        expect(status).toBe(421);
        expect(problem.parse(JSON.parse(text)).title).toBe('Not known by that name');
      }
    },
  );

  it.each(['localhost', 'LOCALHOST:4380', '127.0.0.1:1', '[::1]:4380'])(
    'is none of this machine: %s',
    async (host) => {
      expect((await ask(server.address, { headers: { Host: host } })).status).toBe(200);
    },
  );

  it('is allowed where it is set, and so are the addresses of the machine where it listens on all', async () => {
    const pool = createPool(process.env['TEST_WORKER_FILE'] ?? '');
    const open = async (at: Door) => {
      const app = createApp({
        docsScript: DOCS,
        data: server.data,
        pool,
        logger: pino({ level: 'silent' }),
        at,
      });
      const listening = await listenOn(app, 0, '127.0.0.1');
      const { port } = listening.address() as { port: number };
      const ended = () => new Promise((resolve) => listening.close(resolve));
      return { address: `http://127.0.0.1:${port}`, ended };
    };
    const shared = await open({ host: '192.0.2.7', publicUrl: 'https://spray.example' });
    const status = async (host: string) =>
      (await ask(shared.address, { headers: { Host: host, Connection: 'close' } })).status;
    expect([
      await status('spray.example'),
      await status('192.0.2.7:4380'),
      await status('192.0.2.8'),
    ]).toEqual([200, 200, 421]);
    await shared.ended();
    await pool.close();
  });
});

describe('a page of another origin', () => {
  const tip = JSON.stringify({
    family: 'standard',
    code: '515',
    litresBefore: 0,
    price: null,
    note: '',
    version: 0,
  });
  const path = '/api/tips/0190a000-0000-7000-8000-00000000beef';
  const write = (headers: Readonly<Record<string, string>>) =>
    ask(server.address, {
      method: 'PUT',
      path,
      body: tip,
      headers: { 'Content-Type': 'application/json', ...headers },
    });

  it.each([
    [{ Origin: 'http://evil.example' }],
    [{ Origin: 'null' }],
    [{ Origin: 'http://127.0.0.1:1' }],
    [{ 'Sec-Fetch-Site': 'cross-site' }],
    [{ 'Sec-Fetch-Site': 'same-site' }],
  ])('writes nothing: %j', async (headers) => {
    const { status, text } = await write(headers);
    expect([status, problem.parse(JSON.parse(text)).title]).toEqual([403, 'Not from there']);
    expect((await ask(server.address, { path })).status).toBe(404);
    // And reads nothing, though a browser would not show it anyway.
    expect((await ask(server.address, { headers })).status).toBe(403);
  });

  it('may lead to a sheet of ours; a page of ours, and a program, do everything', async () => {
    const opened = { 'Sec-Fetch-Site': 'cross-site', 'Sec-Fetch-Mode': 'navigate' };
    expect((await ask(server.address, { headers: opened })).status).toBe(200);
    expect((await write(opened)).status).toBe(403);
    expect((await write({ Origin: server.address, 'Sec-Fetch-Site': 'same-origin' })).status).toBe(200);
    expect((await write({})).status).toBe(200);
  });
});

describe('what a browser is told', () => {
  it('keeps data out of caches, the device to itself, fonts and frames to ourselves', async () => {
    const { headers } = await ask(server.address, {});
    expect(headers['cache-control']).toBe('no-store');
    expect(headers['permissions-policy']).toContain('camera=()');
    const policy = String(headers['content-security-policy']);
    expect(policy).toContain("font-src 'self';");
    expect(policy).toContain("frame-ancestors 'none'");
    expect(policy).not.toMatch(/https:|\*/);
  });
});
