import { CALENDARS_PER_JOB, newCalendarLink } from '@fine-spray/contract';
import { startTestServer, type TestServer } from '../testing/server';

let server: TestServer;
let job: string;
beforeAll(async () => {
  server = await startTestServer();
  const jobs = (await server.call('GET', '/api/jobs')).body.items ?? [];
  job = String(jobs.find(({ name }) => name === 'Tern Boathouse')?.['id']);
});
afterAll(() => server.stop());

const made = async (what: string, of = job) =>
  newCalendarLink.parse(
    (await server.call('POST', `/api/jobs/${of}/calendars`, { what, zone: 'Asia/Tokyo' })).body,
  );
/** As a calendar program asks: without a cookie, by the address alone. */
async function asked(url: string) {
  const answer = await fetch(url);
  const text = await answer.text();
  return { status: answer.status, type: answer.headers.get('content-type'), text, lines: linesOf(text) };
}
const linesOf = (text: string) => text.replace(/\r\n[ \t]/g, '').split('\r\n');
const values = (lines: readonly string[], name: string) =>
  lines.filter((line) => line.startsWith(`${name}:`)).map((line) => line.slice(name.length + 1));

describe('a calendar that is followed', () => {
  it('has the plan of the days by the clock where the site is, and moves what has moved', async () => {
    const [row] = (await server.call('GET', `/api/jobs/${job}/schedules`)).body.items ?? [];
    const { id, createdAt: _made, updatedAt: _changed, ...content } = row as Record<string, unknown>;
    const place = { people: [0], sprayer: null, setUp: 0 };
    const plan = async (start: number, version: unknown) => {
      const stored = await server.call('PUT', `/api/schedules/${String(id)}`, {
        ...content,
        version,
        first: '2026-12-01',
        result: {
          placed: [
            { ...place, task: 'Stair protect', start, end: start + 60 },
            { ...place, task: 'Boat hall mask', start: 900, end: 1440 + 480, setUp: 15 },
            { ...place, task: 'Gone for good', start: 1500, end: 1560 },
          ],
          finish: 1440 + 480,
          bound: { finish: 1440 + 480, binds: 'people' },
          chances: null,
        },
      });
      expect([stored.status, stored.body.errors]).toEqual([200, undefined]);
      return Number(stored.body['version']);
    };
    const link = await made('days');
    expect(values((await asked(link.url)).lines, 'DTSTART')).toEqual([]);
    const version = await plan(480, content['version']);
    const { status, type, lines } = await asked(link.url);
    expect([status, type]).toEqual([200, 'text/calendar; charset=utf-8']);
    // 8:00 in Tokyo, nine hours east of UTC.
    expect(values(lines, 'DTSTART')).toEqual(['20261130T230000Z', '20261201T060000Z']);
    expect(values(lines, 'SUMMARY')).toEqual(['Stair: protect', 'Boat hall: mask and cover']);
    expect(new Set(values(lines, 'URL'))).toEqual(new Set([`${server.address}/jobs/${job}/days`]));
    expect(new Set(values(lines, 'SEQUENCE'))).toEqual(new Set([String(version)]));
    const uids = values(lines, 'UID');

    await plan(540, version);
    const after = (await asked(link.url)).lines;
    expect(values(after, 'UID')).toEqual(uids);
    expect(values(after, 'DTSTART')[0]).toBe('20261201T000000Z');
    expect(new Set(values(after, 'SEQUENCE'))).toEqual(new Set([String(version + 1)]));
  });

  it('has the recoat windows that are not over', async () => {
    const surfaces = (await server.call('GET', `/api/jobs/${job}/surfaces`)).body.items ?? [];
    const [row] = surfaces as { id: string; coatingId: string; room: string; name: string }[];
    if (!row) throw new Error('no surface');
    const link = await made('windows');
    const before = (await asked(link.url)).lines;
    expect(before[0]).toBe('BEGIN:VCALENDAR');
    const weather = {
      source: 'by hand',
      air: 293.15,
      surface: 293.15,
      humidity: 0.5,
      wind: null,
      rain: null,
    };
    const finished = await server.db('entry').where({ kind: 'coat finished' }).first<{
      payload: Record<string, unknown>;
      schema: number;
    }>('payload', 'schema');
    const id = '0193bbbb-0000-7000-8000-000000000001';
    const entry = {
      version: 0,
      kind: 'coat finished',
      schema: finished.schema,
      at: new Date().toISOString(),
      author: 'IN',
      jobId: job,
      surfaceId: row.id,
      replaces: null,
      payload: {
        ...finished.payload,
        coatingId: row.coatingId,
        coat: 1,
        weather: { ...(finished.payload['weather'] as object), ...weather },
      },
    };
    const written = await server.call('PUT', `/api/entries/${id}`, entry);
    expect([written.status, written.body.errors]).toEqual([200, undefined]);
    const { lines } = await asked(link.url);
    expect(values(lines, 'UID').filter((uid) => uid.startsWith(id)).length).toBeGreaterThan(0);
    expect(values(lines, 'URL')[0]).toBe(`${server.address}/log/clocks?job=${job}`);
    const now = new Date().toISOString().replace(/[-:]|\.\d+/g, '');
    expect(values(lines, 'DTEND').every((end) => end > now)).toBe(true);
  });

  it('is told once, kept as a hash, and leads nowhere when it was taken back', async () => {
    const link = await made('windows');
    const secret = link.url.split('/').pop() ?? '';
    const kept = JSON.stringify(await server.db('calendar').select('*'));
    expect(kept).not.toContain(secret);
    const list = async () => (await server.call('GET', `/api/jobs/${job}/calendars`)).body.items ?? [];
    expect(JSON.stringify(await list())).not.toContain(secret);
    expect((await list()).find(({ id }) => id === link.id)).toMatchObject({ what: 'windows', usedAt: null });
    expect((await asked(link.url)).status).toBe(200);
    expect((await list()).find(({ id }) => id === link.id)?.['usedAt']).toEqual(expect.any(String));
    expect((await server.call('DELETE', `/api/calendars/${link.id}`)).status).toBe(204);
    const gone = await asked(link.url);
    expect(gone.status).toBe(404);
    expect(gone.text).toMatch(/not given any more/);
    expect((await asked(`${server.address}/api/calendar/${'0'.repeat(64)}`)).status).toBe(404);
  });

  it('ends with the person who made it', async () => {
    const link = await made('days');
    const person = await server.db('person').whereNot({ role: 'owner' }).first<{ id: string }>('id');
    await server.db('calendar').where({ id: link.id }).update({ personId: person.id });
    expect((await asked(link.url)).status).toBe(200);
    await server.db('person').where({ id: person.id }).update({ active: false });
    expect((await asked(link.url)).status).toBe(404);
    await server.db('person').where({ id: person.id }).update({ active: true });
  });

  it('is refused where it is of nothing, of no job, in no zone, or one too many', async () => {
    const path = `/api/jobs/${job}/calendars`;
    expect((await server.call('POST', path, { what: 'moon' })).body.errors).toMatchObject([
      { field: 'what' },
    ]);
    expect((await server.call('POST', path, { what: 'days', zone: 'Moon/Base' })).body.errors).toMatchObject([
      { field: 'zone', message: expect.stringMatching(/no such time zone/) as string },
    ]);
    const nowhere = '/api/jobs/0193aaaa-0000-7000-8000-00000000ffff/calendars';
    expect((await server.call('POST', nowhere, { what: 'days' })).status).toBe(404);
    const there = (await server.call('GET', path)).body.items?.length ?? 0;
    for (let more = there; more < CALENDARS_PER_JOB; more += 1) await made('windows');
    const full = await server.call('POST', path, { what: 'windows' });
    expect([full.status, full.body['detail']]).toEqual([409, expect.stringMatching(/20 calendars/)]);
  });
});
