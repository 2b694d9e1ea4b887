import { RESOURCES, RESOURCE_NAMES, invitation, type Role } from '@fine-spray/contract';
import { readPdf } from '../testing/pdf';
import { startTestServer, type TestServer } from '../testing/server';
import { inviteOwner } from './addCompany';

let server: TestServer;
const cookies = new Map<Role, string>();

async function call(role: Role | undefined, method: string, path: string, body?: unknown): Promise<Response> {
  return fetch(`${server.address}${path}`, {
    method,
    headers: {
      ...(role === undefined ? {} : { Cookie: cookies.get(role) ?? '' }),
      ...(body === undefined ? {} : { 'Content-Type': 'application/json' }),
    },
    ...(body === undefined ? {} : { body: JSON.stringify(body) }),
  });
}
type Row = Record<string, unknown> & { id: string; version: number };
const json = async <Answer>(answer: Promise<Response>) => (await (await answer).json()) as Answer;
const list = async (role: Role, path: string) =>
  (await json<{ items: Row[] }>(call(role, 'GET', `/api/${path}`))).items;
const content = ({ id: _id, createdAt: _made, updatedAt: _changed, ...rest }: Row) => rest;

async function letIn(role: Role, code: string): Promise<void> {
  const answer = await call(undefined, 'POST', '/api/session/code', { code, device: role });
  expect([role, answer.status]).toEqual([role, 200]);
  cookies.set(role, answer.headers.getSetCookie()[0]?.split(';')[0] ?? '');
}

beforeAll(async () => {
  server = await startTestServer({ signIn: true });
  await letIn('owner', (await inviteOwner(server.databaseUrl, 'Millrace Decorating')).code);
  for (const role of ['lead', 'painter'] as const) {
    const id = `0190a000-0000-7000-8000-00000000000${role === 'lead' ? 1 : 2}`;
    const person = { name: `A ${role}`, initials: role.slice(0, 2), role, active: true, version: 0 };
    expect((await call('owner', 'PUT', `/api/people/${id}`, person)).status).toBe(200);
    const shown = invitation.parse(await json(call('owner', 'POST', `/api/people/${id}/invitation`)));
    await letIn(role, shown.code);
  }
});
afterAll(() => server.stop());

/** Every price in something, wherever it stands. */
function pricesIn(value: unknown): number[] {
  if (typeof value !== 'object' || value === null) return [];
  return Object.entries(value).flatMap(([key, inner]) =>
    key === 'price' && typeof inner === 'number' ? [inner] : pricesIn(inner),
  );
}

describe('prices', () => {
  it('are seen by owners, and by nobody else, whichever way rows are asked for', async () => {
    const [job] = await list('owner', 'jobs');
    const paths = [
      'company',
      'changes',
      ...RESOURCE_NAMES.filter((name) => RESOURCES[name].seenBy === undefined).map((name) => {
        const { path, ofJob } = RESOURCES[name];
        return ofJob ? `jobs/${job?.id ?? ''}/${path}` : path;
      }),
    ];
    const seen = async (role: Role) => {
      const answers = await Promise.all(paths.map((path) => json(call(role, 'GET', `/api/${path}`))));
      return pricesIn(answers).length;
    };
    expect(await seen('owner')).toBeGreaterThan(20);
    expect([await seen('lead'), await seen('painter')]).toEqual([0, 0]);
    const [tip] = await list('owner', 'tips');
    expect(pricesIn(await json(call('owner', 'GET', `/api/tips/${tip?.id ?? ''}`))).length).toBe(1);
    expect(pricesIn(await json(call('painter', 'GET', `/api/tips/${tip?.id ?? ''}`)))).toEqual([]);
  });

  it('of offers are for owners: who is none neither sees, prints, writes nor hears of one', async () => {
    const [job] = await list('owner', 'jobs');
    const jobId = job?.id ?? '';
    const id = '0190a000-0000-7000-8000-0000000000f1';
    const offer = {
      ...{ jobId, number: 3, edition: 1, state: 'draft', sent: null, answered: null, intro: '', terms: '' },
      ...{ validDays: 30, blocks: [], listedBy: 'room', options: [], taken: [], exclusions: [] },
      ...{ sums: [], payments: [], withInside: false, figures: null, version: 0 },
    };
    const told = async (role: Role, since: string) =>
      json<{ items: { resource: string }[]; cursor: string }>(
        call(role, 'GET', `/api/changes?since=${since}`),
      );
    const { cursor } = await told('owner', 'now');
    expect((await call('lead', 'PUT', `/api/offers/${id}`, offer)).status).toBe(403);
    expect((await call('owner', 'PUT', `/api/offers/${id}`, offer)).status).toBe(200);
    const ways = ['offers', `offers/${id}`, `offers/${id}/offer.pdf`, `jobs/${jobId}/offers`];
    for (const way of ways) {
      expect([way, (await call('owner', 'GET', `/api/${way}`)).status]).toEqual([way, 200]);
      for (const role of ['lead', 'painter'] as const)
        expect([way, (await call(role, 'GET', `/api/${way}`)).status]).toEqual([way, 403]);
    }
    const heard = async (role: Role) => (await told(role, cursor)).items.map(({ resource }) => resource);
    expect([await heard('owner'), await heard('lead')]).toEqual([['offers'], []]);
  });

  it('stay as they are when a lead changes what has them, by itself and in a batch', async () => {
    const [owned] = await list('owner', 'coatings');
    const [row] = await list('lead', 'coatings');
    if (!owned || !row) throw new Error('no coating');
    const [first, ...others] = owned['containers'] as { size: number; price: number | null }[];
    const mine = [
      { size: first?.size ?? 0, price: 1 },
      { size: 0.007, price: 2 },
      ...others.map((one) => ({ ...one, price: null })),
    ];
    const put = await json<Row>(
      call('lead', 'PUT', `/api/coatings/${row.id}`, {
        ...content(row),
        note: 'By a lead',
        containers: mine,
      }),
    );
    expect([put.version, pricesIn(put)]).toEqual([row.version + 1, []]);
    const now = (await list('owner', 'coatings')).find(({ id }) => id === row.id);
    expect(now).toMatchObject({
      note: 'By a lead',
      containers: [first, { size: 0.007, price: null }, ...others],
    });
    // Again the same: nothing changes.
    const again = await json<Row>(
      call('lead', 'PUT', `/api/coatings/${row.id}`, { ...content(put), version: 1 }),
    );
    expect(again.version).toBe(put.version);

    const [tip] = await list('owner', 'tips');
    const writes = [
      { resource: 'tips', id: tip?.id, content: { ...content(tip as Row), price: null, note: 'In the van' } },
    ];
    expect((await call('lead', 'POST', '/api/batch', { writes })).status).toBe(200);
    const kept = (await list('owner', 'tips')).find(({ id }) => id === tip?.id);
    expect(kept).toMatchObject({ note: 'In the van', price: tip?.['price'] });
  });

  it('stand on the paper of owners only', async () => {
    const job = (await list('owner', 'jobs')).find(({ name }) => name === 'Kiln House, ground floor');
    const text = async (role: Role) => {
      const answer = await call(role, 'GET', `/api/jobs/${job?.id ?? ''}/buy-list.pdf`);
      return (await readPdf(new Uint8Array(await answer.arrayBuffer()))).pages.join(' ');
    };
    expect(await text('owner')).toMatch(/What it costs to buy.*€/);
    const without = await text('painter');
    expect(without).toContain('Besides paint');
    expect(without).not.toMatch(/€|What it costs/);
    // What is put on the cost is theirs, too
    const company = async (role: Role) =>
      await json<{ book: { terms: { profit: number } } }>(call(role, 'GET', '/api/company'));
    expect((await company('owner')).book.terms.profit).toBe(0.12);
    expect((await company('lead')).book.terms.profit).toBe(0);
  });
});
