import { randomUUID } from 'node:crypto';
import { SAMPLE_COMPANY, companies as companiesSchema, me as meSchema } from '@fine-spray/contract';
import { startTestServer, type TestServer } from '../testing/server';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.stop());

const OWN = { company: 'Heron Finishes', name: 'Ada Holm', initials: 'AH' };
const list = async () =>
  companiesSchema
    .parse((await server.call('GET', '/api/companies')).body)
    .items.map(({ name, answers, sample }) => [name, answers, sample]);
const names = async (resource: string) =>
  ((await server.call('GET', `/api/${resource}`)).body.items ?? []).map(({ name }) => name);
/** A page that says which company it shows. */
const asPageOf = (
  company: string,
  path: string,
  how: Omit<RequestInit, 'headers'> & { headers?: Record<string, string> } = {},
) => fetch(`${server.address}${path}`, { ...how, headers: { ...how.headers, Company: company } });

describe('the sample company and one’s own', () => {
  it('is left for an empty one, and come back to with all that is in it', async () => {
    expect(await list()).toEqual([['Millrace Decorating', true, true]]);
    const before = await names('jobs');
    expect(before).toHaveLength(3);
    const own = meSchema.parse((await server.call('POST', '/api/companies', OWN)).body);
    expect(own.company.name).toBe('Heron Finishes');
    expect(own.people.map(({ name }) => name)).toEqual(['Ada Holm']);
    expect(await names('jobs')).toEqual([]);
    expect(await names('coatings')).toEqual([]);
    expect(await list()).toEqual([
      ['Millrace Decorating', false, true],
      ['Heron Finishes', true, false],
    ]);
    // What is made now is its own.
    const id = randomUUID();
    await server.call('PUT', `/api/sprayers/${id}`, {
      ...{
        name: 'Ours',
        sprayerClass: 'mid electric',
        maxPressure: 2e7,
        maxFlow: 3e-5,
        largestOrificeThou: 21,
      },
      ...{
        waterOnly: false,
        power: 'electric',
        outlet: '1/4',
        inletMesh: 30,
        manifoldMesh: 60,
        cord: 5,
        version: 0,
      },
    });
    expect(await names('sprayers')).toEqual(['Ours']);
    expect((await server.call('POST', `/api/companies/${SAMPLE_COMPANY}/answering`, {})).status).toBe(200);
    expect(await names('jobs')).toEqual(before);
    expect(await names('sprayers')).not.toContain('Ours');
    await server.call('POST', `/api/companies/${own.company.id}/answering`, {});
    expect(await names('sprayers')).toEqual(['Ours']);
  });

  it('refuses a name that is taken, one that is missing, and a company that is not there', async () => {
    const taken = await server.call('POST', '/api/companies', { ...OWN, company: 'heron finishes' });
    expect(taken).toMatchObject({ status: 422, body: { errors: [{ field: 'company', code: 'taken' }] } });
    const empty = await server.call('POST', '/api/companies', { ...OWN, company: ' ' });
    expect(empty.body.errors?.[0]?.field).toBe('company');
    expect((await server.call('POST', `/api/companies/${randomUUID()}/answering`, {})).status).toBe(404);
  });

  it('sends a page away that shows the company it was before: nothing of the two is mixed', async () => {
    const own = meSchema.parse((await server.call('GET', '/api/me')).body).company.id;
    expect(own).not.toBe(SAMPLE_COMPANY);
    const stale = await asPageOf(SAMPLE_COMPANY, '/api/jobs');
    expect(stale.status).toBe(409);
    expect(await stale.json()).toMatchObject({ type: 'urn:fine-spray:problem:other-company' });
    const id = randomUUID();
    const write = await asPageOf(SAMPLE_COMPANY, `/api/hoses/${id}`, {
      method: 'PUT',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({
        name: 'x',
        length: 15,
        bore: 0.006,
        maxPressure: 2e7,
        fitting: '1/4',
        version: 0,
      }),
    });
    expect(write.status).toBe(409);
    expect(await names('hoses')).toEqual([]);
    // Which one answers it may ask.
    expect((await asPageOf(SAMPLE_COMPANY, '/api/me')).status).toBe(200);
    expect((await asPageOf(own, '/api/jobs')).status).toBe(200);
  });
});

it('is not chosen where people sign in: each device is of its own', async () => {
  const signed = await startTestServer({ signIn: true, demo: false });
  try {
    const phone = await fetch(`${signed.address}/api/company`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ ...OWN, login: 'ada', password: 'correct horse' }),
    });
    const cookie = (phone.headers.getSetCookie()[0] ?? '').split(';')[0] ?? '';
    for (const [method, path] of [
      ['GET', '/api/companies'],
      ['POST', `/api/companies/${SAMPLE_COMPANY}/answering`],
    ] as const) {
      const answer = await fetch(`${signed.address}${path}`, {
        method,
        headers: { Cookie: cookie, 'Content-Type': 'application/json' },
        ...(method === 'POST' ? { body: '{}' } : {}),
      });
      expect(answer.status).toBe(403);
    }
  } finally {
    await signed.stop();
  }
});
