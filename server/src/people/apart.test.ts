import { randomUUID } from 'node:crypto';
import { ALL_OPERATIONS, RESOURCES, RESOURCE_NAMES } from '@fine-spray/contract';
import { startTestServer, textOf, type TestServer } from '../testing/server';
import { addCompany, inviteOwner } from './addCompany';

let server: TestServer;
let cookie: string;
const ids = new Map<string, string>();
beforeAll(async () => {
  server = await startTestServer({ signIn: true });
  for (const name of RESOURCE_NAMES) {
    const { table } = RESOURCES[name];
    ids.set(name, (await server.db(table).first<{ id: string }>('id')).id);
  }
  // The demo is of one company; somebody of another is signed in.
  const { code } = await addCompany(server.databaseUrl, 'Another Firm', 'Ada Other');
  const response = await fetch(`${server.address}/api/session/code`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ code }),
  });
  expect(response.status).toBe(200);
  cookie = response.headers.getSetCookie()[0]?.split(';')[0] ?? '';
});
afterAll(() => server.stop());

async function call(method: string, path: string, body?: unknown) {
  const response = await fetch(`${server.address}${path}`, {
    method: method.toUpperCase(),
    headers: { Cookie: cookie, ...(body === undefined ? {} : { 'Content-Type': 'application/json' }) },
    ...(body === undefined ? {} : { body: JSON.stringify(body) }),
  });
  return { status: response.status, text: await textOf(response) };
}

/** Everything that is stored of the first company, as it can be told apart. */
async function everything(): Promise<string> {
  const other = server.db('company').where({ name: 'Another Firm' }).select('id');
  const rows = RESOURCE_NAMES.map((name) =>
    server.db(RESOURCES[name].table).whereNotIn('companyId', other).orderBy('id').select('id', 'version'),
  );
  return JSON.stringify(await Promise.all(rows));
}

describe('whoever looks after the server', () => {
  it('makes no company twice, and gets the owner of one in again', async () => {
    await expect(addCompany(server.databaseUrl, 'another firm', 'B')).rejects.toThrow(
      'There is a company called another firm already.',
    );
    await expect(inviteOwner(server.databaseUrl, 'Nobody Ltd')).rejects.toThrow(
      'There is no company called Nobody Ltd.',
    );
    const { owner, code } = await inviteOwner(server.databaseUrl, 'Millrace Decorating');
    expect(owner).toBe('Ines');
    const taken = await fetch(`${server.address}/api/session/code`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ code }),
    });
    expect(await taken.json()).toMatchObject({ person: { name: 'Ines', role: 'owner' } });
  });
});

describe('an owner of another company', () => {
  it('finds every list empty but for themselves', async () => {
    for (const name of RESOURCE_NAMES) {
      const { path, ofJob } = RESOURCES[name];
      const { status, text } = await call(
        'get',
        ofJob ? `/api/jobs/${ids.get('jobs') ?? ''}/${path}` : `/api/${path}`,
      );
      if (ofJob) expect([name, status]).toEqual([name, 404]);
      else
        expect([name, (JSON.parse(text) as { items: unknown[] }).items.length]).toEqual([
          name,
          name === 'people' ? 1 : 0,
        ]);
    }
  });

  it.each(RESOURCE_NAMES)('reads, changes and deletes none of the %s', async (name) => {
    const before = await everything();
    const url = `/api/${RESOURCES[name].path}/${ids.get(name) ?? ''}`;
    expect((await call('get', url)).status).toBe(404);
    expect([204, 409]).toContain((await call('delete', `${url}?version=1`)).status);
    const row = await server
      .db(RESOURCES[name].table)
      .where({ id: ids.get(name) })
      .first<{ name?: string }>();
    expect(await everything()).toBe(before);
    expect(row).toBeDefined();
  });

  it('gets no paper, no device and no invitation of theirs', async () => {
    const job = ids.get('jobs') ?? '';
    for (const path of [`/api/jobs/${job}/job-sheet.pdf`, `/api/jobs/${job}/buy-list.pdf`])
      expect((await call('get', path)).status).toBe(404);
    expect((await call('post', `/api/people/${ids.get('people') ?? ''}/invitation`, {})).status).toBe(404);
    const devices = (await call('get', '/api/devices')).text;
    expect((JSON.parse(devices) as { items: unknown[] }).items.length).toBe(1);
    expect((await call('post', '/api/session/person', { personId: ids.get('people') })).status).toBe(404);
    expect((await call('get', '/api/company')).text).toContain('Another Firm');
  });

  it('may use an id that another company has for a row of their own: neither sees the other', async () => {
    const id = ids.get('tips') ?? '';
    const tip = { family: 'standard', code: '515', litresBefore: 0, price: null, note: 'ours', version: 0 };
    expect((await call('put', `/api/tips/${id}`, tip)).status).toBe(200);
    const rows = await server.db('tip').where({ id }).select<{ note: string }[]>('note');
    expect(rows.length).toBe(2);
    expect((await call('delete', `/api/tips/${id}?version=1`)).status).toBe(204);
    expect((await server.db('tip').where({ id })).length).toBe(1);
  });

  it('names none of their rows in their own', async () => {
    const job = {
      ...{ name: 'Ours', place: '', note: '', status: 'estimate', paintAge: 'unknown', hoseIds: [], lift: 0 },
      sprayerId: ids.get('sprayers'),
      version: 0,
    };
    const { status, text } = await call('put', `/api/jobs/${randomUUID()}`, job);
    const { errors } = JSON.parse(text) as { errors: unknown[] };
    expect([status, errors]).toEqual([
      422,
      [expect.objectContaining({ field: 'sprayerId', code: 'reference' })],
    ]);
  });

  it('was refused, or answered with nothing of theirs, by every operation there is', async () => {
    const before = await everything();
    for (const { method, path, query } of ALL_OPERATIONS) {
      if (path === '/api/session' || query) continue;
      const resource = RESOURCE_NAMES.find((name) => path.startsWith(`/api/${RESOURCES[name].path}/`));
      const at = path.replace(
        /\{(jobId|id)\}/,
        ids.get(path.includes('{jobId}') ? 'jobs' : (resource ?? 'jobs')) ?? '',
      );
      const { text } = await call(method, at, method === 'get' ? undefined : {});
      expect(`${path}: ${text}`).not.toMatch(/Millrace|Boathouse|Kiln House|Orchard/);
    }
    expect(await everything()).toBe(before);
  });
});
