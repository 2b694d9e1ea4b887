import { mkdtempSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { once } from 'node:events';
import { connect, createServer, type AddressInfo } from 'node:net';
import os from 'node:os';
import path from 'node:path';
import { ALL_OPERATIONS, problem } from '@fine-spray/contract';
import { JOB_SCHEMA_PATH, jobFileSchema } from '@fine-spray/contract/jobSchema';
import pino from 'pino';
import { createPool } from '../jobs/pool';
import { createApp } from '../app';
import { openData } from '../db/data';
import { listenOn } from './listen';
import { asProblem, problemOf } from './problems';
import { loadDemo } from '../files/loadDemo';
import { DOCS, DEMO_FOLDER, startTestServer, type TestServer } from '../testing/server';

let server: TestServer;
beforeAll(async () => {
  const applicationFolder = mkdtempSync(path.join(os.tmpdir(), 'fine-spray-app-'));
  mkdirSync(path.join(applicationFolder, '_expo/static/js'), { recursive: true });
  writeFileSync(path.join(applicationFolder, 'index.html'), '<!doctype html><title>Fine Spray</title>');
  writeFileSync(path.join(applicationFolder, '_expo/static/js/main-abc.js'), `// ${'x'.repeat(5000)}`);
  server = await startTestServer({ applicationFolder });
});
afterAll(() => server.stop());

/** A port that was free a moment ago, so that nothing answers on it. */
async function closedPort(): Promise<number> {
  const probe = createServer().listen(0, '127.0.0.1');
  await once(probe, 'listening');
  const { port } = probe.address() as AddressInfo;
  probe.close();
  return port;
}

describe('health', () => {
  it('is 200 while the database answers and 503 when it does not', async () => {
    expect((await server.call('GET', '/api/health')).body).toEqual({ status: 'ok', database: 'ok' });
    const data = openData(`postgres://x:x@127.0.0.1:${await closedPort()}/x`);
    const pool = createPool(process.env['TEST_WORKER_FILE'] ?? '');
    const app = createApp({ docsScript: DOCS, data, pool, logger: pino({ level: 'silent' }) }).listen(
      0,
      '127.0.0.1',
    );
    await once(app, 'listening');
    const down = await fetch(`http://127.0.0.1:${(app.address() as AddressInfo).port}/api/health`);
    const said = problem.parse(await down.json());
    app.close();
    await pool.close();
    await data.close();
    expect(down.status).toBe(503);
    expect(said.detail).toMatch(/database does not answer/);
  });

  it('says when to try again where it fails for a while', async () => {
    const data = openData(`postgres://x:x@127.0.0.1:${await closedPort()}/x`);
    const pool = createPool(process.env['TEST_WORKER_FILE'] ?? '');
    const app = createApp({ docsScript: DOCS, data, pool, logger: pino({ level: 'silent' }) });
    const listening = await listenOn(app, 0, '127.0.0.1');
    const down = await fetch(`http://127.0.0.1:${(listening.address() as AddressInfo).port}/api/tips`);
    listening.close();
    await pool.close();
    await data.close();
    expect([down.status, down.headers.get('retry-after')]).toEqual([503, '5']);
  });

  it.each([
    ['53100', 'disk-full', 507],
    ['ENOSPC', 'disk-full', 507],
    ['57014', 'busy', 503],
    ['55P03', 'busy', 503],
    ['22P05', 'bad-body', 422],
  ] as const)('reads the failure %s as %s', (code, type, status) => {
    const found = asProblem(Object.assign(new Error('secret'), { code }));
    expect([found.type, problemOf(found).status]).toEqual([type, status]);
    expect(found.detail).not.toMatch(/secret/);
  });

  it('reads a refused or dropped connection as the database not answering', () => {
    for (const code of ['ECONNREFUSED', '57P01']) {
      expect(asProblem(Object.assign(new Error('x'), { code })).type).toBe('unavailable');
    }
    expect(asProblem(new Error('secret detail')).detail).not.toMatch(/secret/);
  });
});

describe('bodies', () => {
  const url = '/api/tips/0190a000-0000-7000-8000-000000000001';
  it('over the limit are refused with 413', async () => {
    const answer = await server.call('PUT', url, { note: 'x'.repeat(300_000) });
    expect(answer.status).toBe(413);
    expect(answer.body['detail']).toMatch(/256 kB/);
  });

  it.each([
    ['a form', 'application/x-www-form-urlencoded', {}, 415],
    ['text', 'text/plain', {}, 415],
    ['an unknown character set', 'application/json; charset=martian', {}, 415],
    ['an unknown encoding', 'application/json', { 'Content-Encoding': 'martian' }, 415],
    ['what is not gzip though it says so', 'application/json', { 'Content-Encoding': 'gzip' }, 400],
  ])('of %s are refused by name', async (_what, type, extra, status) => {
    const answer = await fetch(`${server.address}${url}`, {
      method: 'PUT',
      headers: { 'Content-Type': type, ...extra },
      body: '{"family":"standard"}',
    });
    expect(answer.status).toBe(status);
    expect(problem.parse(await answer.json()).status).toBe(status);
  });

  it('that are wrong in thousands of places are answered in a few lines', async () => {
    const writes = Array.from({ length: 2400 }, () => ({
      resource: 'tips',
      id: 'x',
      content: { version: 0 },
    }));
    const answer = await fetch(`${server.address}/api/batch`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ writes }),
    });
    const text = await answer.text();
    expect([answer.status, text.length < 5000]).toEqual([422, true]);
    const { errors, detail } = problem.parse(JSON.parse(text));
    expect(errors.length).toBe(20);
    expect(detail).toMatch(/ And [\d,]+ more like it\.$/);
  });

  it('that do not come are not waited for', async () => {
    const pool = createPool(process.env['TEST_WORKER_FILE'] ?? '');
    const app = createApp({ docsScript: DOCS, data: server.data, pool, logger: pino({ level: 'silent' }) });
    const listening = await listenOn(app, 0, '127.0.0.1', { head: 150, request: 300 });
    const { port } = listening.address() as AddressInfo;
    const cut = async (sent: string): Promise<string> => {
      const socket = connect(port, '127.0.0.1');
      let heard = '';
      socket.on('data', (data: Buffer) => (heard += data.toString()));
      socket.write(sent);
      await once(socket, 'close');
      return heard;
    };
    const head = `PUT ${url} HTTP/1.1\r\nHost: localhost\r\nContent-Type: application/json\r\n`;
    expect(await cut(head)).toMatch(/^HTTP\/1.1 408 /);
    expect(await cut(`${head}Content-Length: 900\r\n\r\n{`)).toMatch(/^HTTP\/1.1 408 /);
    listening.close();
    await pool.close();
  });

  it('that are not JSON are refused with 400', async () => {
    expect((await server.call('PUT', url, '{"family":')).status).toBe(400);
  });
});

describe('an address', () => {
  it.each([
    ['PATCH', '/api/tips', 405, 'GET, HEAD'],
    ['DELETE', '/api/company', 405, 'GET, HEAD, POST, PUT'],
    ['PUT', '/api/entries', 405, 'GET, HEAD, POST'],
    ['POST', '/jobs/1', 405, 'GET, HEAD'],
    ['OPTIONS', '/api/batch', 200, 'POST'],
  ])('%s %s is %i, with what it is for', async (method, url, status, allow) => {
    const answer = await fetch(`${server.address}${url}`, { method });
    expect([answer.status, answer.headers.get('allow')]).toEqual([status, allow]);
  });

  it.each(['/api/tips/%E0%A4%A', '/%E0%A4%A', '/%00', '/_expo/%2e%2e/%c0%ae', '/api/jobs/%/surfaces'])(
    'that is broken is 400 or 404, never 500: %s',
    async (url) => {
      const { hostname, port } = new URL(server.address);
      const socket = connect(Number(port), hostname);
      socket.write(`GET ${url} HTTP/1.1\r\nHost: localhost\r\nConnection: close\r\n\r\n`);
      const [data] = (await once(socket, 'data')) as [Buffer];
      expect(data.toString()).toMatch(/^HTTP\/1.1 (400|404) /);
      socket.destroy();
    },
  );

  it('has the parts that are asked for, and no others', async () => {
    const url = `${server.address}/_expo/static/js/main-abc.js`;
    const part = await fetch(url, { headers: { Range: 'bytes=0-9' } });
    expect([part.status, (await part.text()).length]).toEqual([206, 10]);
    const none = await fetch(url, { headers: { Range: 'bytes=999999-' } });
    expect([none.status, problem.parse(await none.json()).status]).toEqual([416, 416]);
    expect(none.headers.get('content-range')).toMatch(/^bytes \*\/\d+$/);
    const page = await fetch(`${server.address}/jobs/1`, { headers: { Range: 'bytes=999999-' } });
    expect(page.status).toBe(416);
  });
});

describe('a full disk', () => {
  it('is said by name while what is there can be read', async () => {
    const { db } = server;
    await db.raw(`create function no_room() returns trigger language plpgsql as
      $$ begin raise exception 'could not extend file' using errcode = '53100'; end $$`);
    await db.raw('create trigger no_room before insert on tip for each row execute function no_room()');
    const answer = await server.call('PUT', '/api/tips/0190a000-0000-7000-8000-000000000001', {
      ...{ family: 'standard', code: '515', litresBefore: 0, price: null, note: '', version: 0 },
    });
    expect([answer.status, answer.body['detail']]).toEqual([
      507,
      'The disk of the server is full, so nothing can be stored. What was stored is there.',
    ]);
    expect((await server.call('GET', '/api/tips')).status).toBe(200);
    await db.raw('drop trigger no_room on tip');
  });
});

describe('the OpenAPI document', () => {
  it('has the schema of a job file under the address that is its id', async () => {
    const url = `${server.address}${JOB_SCHEMA_PATH}`;
    const response = await fetch(url);
    expect([response.status, response.headers.get('content-type')]).toEqual([
      200,
      'application/schema+json; charset=utf-8',
    ]);
    expect(await response.json()).toEqual(JSON.parse(JSON.stringify(jobFileSchema(server.address))));
    expect(jobFileSchema(server.address)).toHaveProperty('$id', url);
  });

  it('is 3.1, lists every operation, and every operation is mounted', async () => {
    const { body } = await server.call('GET', '/api/openapi.json');
    expect(body['openapi']).toBe('3.1.0');
    const paths = body['paths'] as Record<string, Record<string, unknown>>;
    for (const { method, path: at } of ALL_OPERATIONS) {
      expect(paths[at]?.[method]).toBeDefined();
      const answer = await server.call(
        method.toUpperCase(),
        at.replace(/\{\w+\}/g, '0190a000-0000-7000-8000-00000000dead'),
        method === 'put' ? {} : undefined,
      );
      expect(answer.body['detail'] ?? '').not.toMatch(/nothing at/);
    }
  });

  it('can be read in a browser, from files of our own', async () => {
    const page = await fetch(`${server.address}/api/docs`);
    const html = await page.text();
    expect(page.headers.get('content-type')).toMatch('text/html');
    expect([...html.matchAll(/(?:src|href|spec-url)="([^"]+)"/g)].map(([, at]) => at)).toEqual([
      'data:,',
      '/api/docs/openapi-explorer.min.js',
      '/api/openapi.json',
      '/api/openapi.json',
    ]);
    const script = await fetch(`${server.address}/api/docs/openapi-explorer.min.js`);
    expect([script.status, (await script.text()).length > 100_000]).toEqual([200, true]);
  });

  it('refers to nothing that is not in it: every reference is found from its root', async () => {
    const { body } = await server.call('GET', '/api/openapi.json');
    const references: string[] = [];
    JSON.stringify(body, (key, value: unknown) => {
      if (key === '$ref') references.push(String(value));
      return value;
    });
    expect(references.length).toBeGreaterThan(50);
    const lost = references.filter(
      (one) =>
        !one.startsWith('#/') ||
        one
          .slice(2)
          .split('/')
          .reduce<unknown>((at, step) => (at as Record<string, unknown> | undefined)?.[step], body) ===
          undefined,
    );
    expect(lost).toEqual([]);
  });

  it('has a schema with limits for every body: each text, number, list and map says how long or large it may be', async () => {
    const { body } = await server.call('GET', '/api/openapi.json');
    const paths = body['paths'] as Record<string, Record<string, { requestBody?: unknown }>>;
    const bodies = ALL_OPERATIONS.filter((operation) => operation.body);
    expect(bodies.length).toBeGreaterThan(10);
    const open: string[] = [];
    for (const { name, method, path: at } of bodies) {
      const { content } = paths[at]?.[method]?.requestBody as {
        content: Record<string, { schema: Schema }>;
      };
      const schema = content['application/json']?.schema;
      open.push(...(schema ? unlimited(schema, name) : [`${name}: no schema`]));
    }
    expect(open).toEqual([]);
  });
});

interface Schema {
  readonly type?: string;
  readonly properties?: Record<string, Schema>;
  readonly items?: Schema;
  readonly additionalProperties?: Schema | boolean;
  readonly anyOf?: readonly Schema[];
  readonly oneOf?: readonly Schema[];
  readonly [limit: string]: unknown;
}

/** Any of these bounds a value of its type. */
const LIMITS: Readonly<Record<string, readonly string[]>> = {
  string: ['maxLength', 'format', 'enum', 'const', 'pattern'],
  number: ['maximum', 'enum', 'const'],
  integer: ['maximum', 'enum', 'const'],
  array: ['maxItems'],
};

/** Places of a schema where a value has no limit. */
function unlimited(schema: Schema, at: string): string[] {
  const { type = '', properties = {}, items, additionalProperties, anyOf = [], oneOf = [] } = schema;
  const limits = LIMITS[type];
  return [
    ...(limits && !limits.some((limit) => limit in schema) ? [`${at} (${type})`] : []),
    ...Object.entries(properties).flatMap(([name, one]) => unlimited(one, `${at}.${name}`)),
    ...(items ? unlimited(items, `${at}[]`) : []),
    ...(typeof additionalProperties === 'object' ? unlimited(additionalProperties, `${at}{}`) : []),
    ...[...anyOf, ...oneOf].flatMap((one) => unlimited(one, at)),
  ];
}

describe('what is served', () => {
  it('the page for every address of the application, not cached; hashed files for a year, compressed', async () => {
    for (const url of ['/', '/jobs/1/surfaces/2', '/emergency']) {
      const page = await fetch(`${server.address}${url}`);
      expect(page.status).toBe(200);
      expect(page.headers.get('cache-control')).toBe('no-cache');
      expect(await page.text()).toContain('<title>Fine Spray</title>');
    }
    const script = await fetch(`${server.address}/_expo/static/js/main-abc.js`, {
      headers: { 'accept-encoding': 'gzip' },
    });
    expect(script.headers.get('cache-control')).toBe('public, max-age=31536000, immutable');
    expect(script.headers.get('content-encoding')).toBe('gzip');
  });

  it('a problem, not a page, for an unknown address of the API or a missing file', async () => {
    expect((await server.call('GET', '/api/nowhere')).status).toBe(404);
    expect((await fetch(`${server.address}/missing.png`)).status).toBe(404);
  });

  it('with a policy that lets nothing in from elsewhere', async () => {
    const { headers } = await server.call('GET', '/');
    expect(headers.get('content-security-policy')).toContain("default-src 'self'");
    expect(headers.get('x-powered-by')).toBeNull();
  });
});

describe('loading the demo', () => {
  it('happens once: a database with a company is left alone', async () => {
    expect(await loadDemo(server.db, DEMO_FOLDER)).toBeUndefined();
  });

  it('is all or nothing: a file with a fault leaves an empty database', async () => {
    const empty = await startTestServer({ demo: false });
    const folder = mkdtempSync(path.join(os.tmpdir(), 'fine-spray-demo-'));
    const read = (name: string) =>
      JSON.parse(readFileSync(path.join(DEMO_FOLDER, name), 'utf8')) as { surfaces: { coatingId: string }[] };
    for (const name of ['kit', 'log', 'offers', 'schedules'].map((one) => `millrace.${one}.json`))
      writeFileSync(path.join(folder, name), JSON.stringify(read(name)));
    const job = read('kiln-house.job.json');
    const [first] = job.surfaces;
    if (first) first.coatingId = '0190a000-0000-7000-8000-00000000dead';
    writeFileSync(path.join(folder, 'kiln-house.job.json'), JSON.stringify(job));
    try {
      await expect(loadDemo(empty.db, folder)).rejects.toThrow('does not exist');
      expect(await empty.db('company').first()).toBeUndefined();
    } finally {
      await empty.stop();
    }
  });
});
