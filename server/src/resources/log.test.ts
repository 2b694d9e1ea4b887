import { randomUUID } from 'node:crypto';
import {
  ENTRY_KINDS,
  KINDS,
  NOTE_LIMIT,
  entriesOfKind,
  entry as entrySchema,
  entriesInForce,
  weatherAnswer,
  type Entry,
} from '@fine-spray/contract';
import { coreLog } from '@fine-spray/contract/log';
import { offsetIn } from '@fine-spray/contract/zone';
import { readRecord } from '@fine-spray/core/record';
import { journal, logNames, type JournalDay } from '@fine-spray/contract/log';
import { logRows } from '../paper/rows';
import { startTestServer, type TestServer } from '../testing/server';
import { readPdf } from '../testing/pdf';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.stop());

const all = async (): Promise<Entry[]> =>
  ((await server.call('GET', '/api/entries')).body.items ?? []).map((row) => entrySchema.parse(row));
const put = (id: string, body: object, headers: Record<string, string> = {}) =>
  fetch(`${server.address}/api/entries/${id}`, {
    method: 'PUT',
    headers: { 'Content-Type': 'application/json', ...headers },
    body: JSON.stringify({ version: 0, ...body }),
  }).then(async (response) => ({
    status: response.status,
    body: (await response.json()) as Record<string, unknown> & {
      errors?: { field: string; message: string }[];
    },
  }));
const note = (text = 'Rain until ten.') => ({
  kind: 'note',
  at: '2026-11-25T08:00:00.000Z',
  author: 'WR',
  jobId: null,
  surfaceId: null,
  replaces: null,
  payload: { text },
});

const OWNER = (companyId: string) => ({ companyId, role: 'owner' as const, personId: null, deviceId: null });
const EMPTY = { jobs: [], surfaces: [], coatings: [], tips: [], sprayers: [] };

describe('the log of the demo', () => {
  it('has entries of almost every kind, each as the contract says, and ends on the last day of work before it was loaded', async () => {
    const entries = await all();
    const kinds = new Set(entries.map(({ kind }) => kind));
    expect(ENTRY_KINDS.filter((kind) => !kinds.has(kind))).toEqual([
      'tip reversed',
      'tip cleaned',
      'tip retired',
      // Nobody took pictures of a company that is made up.
      'picture',
    ]);
    const last = Math.max(...entries.map(({ at }) => Date.parse(at)));
    const loaded = Math.min(...entries.map(({ createdAt }) => Date.parse(createdAt)));
    expect(loaded - last).toBeGreaterThan(19 * 60_000);
    expect(loaded - last).toBeLessThan(4 * 24 * 60 * 60_000);
  });

  it('teaches the core: coats of both jobs, and one wrong number that was taken back', async () => {
    const record = readRecord(coreLog(await all()));
    expect(new Set(record.coats.map(({ job }) => job)).size).toBe(2);
    expect(record.coats.length).toBeGreaterThan(35);
    // 60 L were typed for 6 and taken back
    expect(Math.max(...record.of('sprayed').map(({ volume }) => volume))).toBeLessThan(0.05);
  });
});

describe('an entry', () => {
  it('keeps how far the clock of its device was off, and the first time it came decides', async () => {
    const id = randomUUID();
    const year = 365 * 24 * 3600;
    const slow = new Date(Date.now() - year * 1000).toISOString();
    const first = await put(id, note(), { 'Device-Time': slow });
    expect(first.status).toBe(200);
    expect(Math.abs((first.body['clockSkew'] as number) - year)).toBeLessThanOrEqual(2);
    const again = await put(id, note(), { 'Device-Time': new Date().toISOString() });
    expect(again).toEqual(first);
    const silent = await put(randomUUID(), note());
    expect(silent.body['clockSkew']).toBeNull();
    expect((await put(randomUUID(), note(), { 'Device-Time': 'noon' })).body['clockSkew']).toBeNull();
    // No clock of a device stands there: it says nothing, and every reader of the log goes on.
    for (const never of ['-271821-04-20T00:00:00.000Z', '+275760-09-13T00:00:00.000Z']) {
      expect((await put(randomUUID(), note(), { 'Device-Time': never })).body['clockSkew']).toBeNull();
    }
    expect((await put(randomUUID(), { ...note(), at: '2300-01-01T00:00:00.000Z' })).status).toBe(422);
  });

  it('stored with a clock that no reader can work with is one bad line, and the rest is there', async () => {
    const id = randomUUID();
    await put(id, note('read me'));
    const before = (await all()).length;
    await server.db('entry').where({ id }).update({ clock_skew: 8.6e12 });
    const { status, body } = await server.call('GET', '/api/entries');
    expect(status).toBe(200);
    expect((body['items'] as unknown[]).length).toBe(before - 1);
    expect(JSON.stringify(body['unreadable'])).toContain(id);
    expect((await server.call('GET', '/api/log/days/2026-11-24')).status).toBe(200);
    await server.db('entry').where({ id }).update({ clock_skew: null });
  });

  it('of an older form is brought up, and sent again in either form it is the same entry', async () => {
    const [tip] = ((await server.call('GET', '/api/tips')).body.items ?? []) as { id: string }[];
    const old = { ...note(), kind: 'fan measured', payload: { tipId: tip?.id, width: 0.25, distance: 0.3 } };
    const id = randomUUID();
    const first = await put(id, old);
    expect(first.body).toMatchObject({ schema: 2, payload: { gun: null, width: 0.25 } });
    // As a server before this one stored it
    await server
      .db('entry')
      .where({ id })
      .update({ schema: 1, payload: JSON.stringify(old.payload) });
    expect((await server.call('GET', `/api/entries/${id}`)).body).toEqual(first.body);
    const twice = [
      await put(id, old),
      await put(id, { ...old, schema: 2, payload: { ...old.payload, gun: null } }),
    ];
    expect(twice.map(({ status, body }) => [status, body['version']])).toEqual([
      [200, 1],
      [200, 1],
    ]);
    const other = await put(id, { ...old, schema: 2, payload: { ...old.payload, gun: 1e7 } });
    expect(other.status).toBe(409);
    expect(other.body['current']).toMatchObject({ payload: { gun: null } });
  });

  it('of a newer form is refused with what to do', async () => {
    const answer = await put(randomUUID(), { ...note(), schema: 7 });
    expect(answer.status).toBe(422);
    expect(answer.body.errors?.[0]).toMatchObject({
      field: 'schema',
      message: expect.stringMatching(/up to date/) as string,
    });
  });

  it('for a surface that was deleted is kept, and one that takes another back counts it out', async () => {
    const [id, back] = [randomUUID(), randomUUID()];
    const gone = { ...note('Second thoughts'), surfaceId: randomUUID(), jobId: randomUUID() };
    expect((await put(id, gone)).status).toBe(200);
    expect(
      (await put(back, { ...gone, kind: 'withdrawn', payload: { why: '' } })).body.errors?.[0]?.field,
    ).toBe('replaces');
    expect((await put(back, { ...gone, kind: 'withdrawn', payload: { why: '' }, replaces: id })).status).toBe(
      200,
    );
    const entries = await all();
    expect(entries.some((one) => one.id === id)).toBe(true);
    expect(entriesInForce(entries).some((one) => one.id === id)).toBe(false);
  });

  it(`takes a note of ${NOTE_LIMIT} characters and says so of a longer one`, async () => {
    expect((await put(randomUUID(), note('x'.repeat(NOTE_LIMIT)))).status).toBe(200);
    const answer = await put(randomUUID(), note('x'.repeat(NOTE_LIMIT + 1)));
    expect(answer.status).toBe(422);
    expect(answer.body.errors?.[0]?.message).toMatch(/20,000 characters at most/);
  });

  const weather = { source: 'by hand', air: 293, surface: null, humidity: 0.5, wind: null, rain: null };
  it.each([
    ['sprayed', { volume: -0.003 }, 'volume', /between 0.01 and 500 litres/],
    ['sprayed', { coat: 0 }, 'coat', /counted from 1/],
    ['comb', { lastWet: [0.000111] }, 'lastWet.0', /no such tooth/],
    ['comb', { lastWet: [0.0008] }, 'lastWet.0', /Every tooth is wet/],
    ['comb', { lastWet: [] }, 'lastWet', /one reading at least/],
    ['coat finished', { weather: { ...weather, air: 500 } }, 'weather.air', /−40 and 60/],
    ['coat finished', { trueArea: 0 }, 'trueArea', /between 0.001/],
    ['dry reading', { readings: [1] }, 'readings.0', /between 1 and 5,000/],
    ['delivered', { count: 0 }, 'count', /One container at least/],
    ['clog', { where: 'elbow' }, 'where', /must be one of/],
    ['incident', { what: '' }, 'what', /missing/],
    ['fault', { what: '  ' }, 'what', /missing/],
  ] as const)('%s with %j is refused at %s', async (kind, extra, field, sentence) => {
    const entries = await all();
    const sample = entriesOfKind(entries, kind).at(-1);
    if (!sample) throw new Error(`no ${kind}`);
    const payload = { ...sample.payload, ...extra };
    const schema = sample.entry.schema;
    const answer = await put(randomUUID(), {
      ...note(),
      kind,
      schema,
      surfaceId: sample.entry.surfaceId,
      payload,
    });
    expect(answer.status).toBe(422);
    expect(answer.body.errors?.[0]).toMatchObject({
      field: `payload.${field}`,
      message: expect.stringMatching(sentence) as string,
    });
  });

  it('has a schema for every kind', () => {
    expect(Object.keys(KINDS)).toEqual(ENTRY_KINDS);
  });
});

describe('a day of the log on paper', () => {
  it('is a PDF with weather, who and what; an empty day says so', async () => {
    const entries = await all();
    const finished = entriesOfKind(entries, 'coat finished').at(-1);
    const day = finished?.entry.at.slice(0, 10) ?? '';
    const response = await fetch(`${server.address}/api/log/days/${day}`);
    expect(response.headers.get('content-type')).toBe('application/pdf');
    const text = (await readPdf(new Uint8Array(await response.arrayBuffer()))).pages.join(' ');
    for (const part of [
      `Site log, ${day}`,
      'Millrace Decorating',
      'Coat finished',
      'humidity',
      'page 1 of',
    ]) {
      expect(text).toContain(part);
    }
    const empty = await fetch(`${server.address}/api/log/days/2001-01-01`);
    const read = await readPdf(new Uint8Array(await empty.arrayBuffer()));
    expect(read.pages.join(' ')).toContain('Nothing was written down');
    const wrong = await server.call('GET', '/api/log/days/yesterday');
    expect(wrong.status).toBe(422);
  });
});

describe('a day of a long log', () => {
  it.each(['UTC', 'America/Los_Angeles', 'Europe/Berlin'])(
    'has what the whole log has of it, wherever the day is: %s',
    async (zone) => {
      const id = randomUUID();
      const first = (await all())[0];
      // Somebody takes back another day's entry today; a clock was wrong by a day.
      await put(randomUUID(), {
        ...note(),
        kind: 'withdrawn',
        payload: { why: 'Wrong wall' },
        replaces: first?.id,
      });
      await put(id, note());
      await server.db('entry').where({ id }).update({ clock_skew: 86_400 });
      // Summer time ends in the night after 00:30 in Berlin: each of these is on one day, and on no other.
      for (const at of ['2026-10-24T21:59:00.000Z', '2026-10-24T22:30:00.000Z', '2026-10-25T22:59:00.000Z'])
        await put(randomUUID(), { ...note(), at });
      const companyId = (await server.db('company').first<{ id: string }>('id')).id;
      const how = { names: logNames(EMPTY), system: 'metric', offsetAt: offsetIn(zone) } as const;
      const says = (day: JournalDay) =>
        day.lines.map(({ entry, clock, replacedBy }) => [entry.id, clock, replacedBy?.id]);
      const stored = new Set(
        (await server.db('surface').select<{ id: string }[]>('id')).map((row) => row.id),
      );
      const days = journal(await all(), how);
      expect(days.length).toBeGreaterThan(5);
      if (zone === 'Europe/Berlin')
        expect(days.find(({ day }) => day === '2026-10-25')?.lines.map(({ clock }) => clock)).toEqual(
          expect.arrayContaining(['00:30', '23:59']),
        );
      let printed = 0;
      for (const day of days) {
        const rows = await logRows(server.data.db, OWNER(companyId), { date: day.day, zone });
        const found = journal(rows.entries, how).find((one) => one.day === day.day);
        expect([day.day, found && says(found)]).toEqual([day.day, says(day)]);
        printed += says(day).length;
        const named = new Set(rows.surfaces.map((one) => one.id));
        for (const { entry } of day.lines)
          if (stored.has(entry.surfaceId ?? ''))
            expect([entry.id, named.has(entry.surfaceId ?? '')]).toEqual([entry.id, true]);
      }
      expect(printed).toBe((await all()).length);
    },
  );
});

describe('the simulated weather station', () => {
  it('answers a reading and its forecast, and refuses a day it has no script for', async () => {
    const answer = await server.call('GET', '/api/stand-ins/weather?day=breezy&hour=9&ahead=8');
    const { reading, forecast } = weatherAnswer.parse(answer.body);
    expect(reading.air).toBeGreaterThan(285);
    expect(Math.max(...forecast.map(({ wind }) => wind))).toBeCloseTo(8, 0);
    expect((await server.call('GET', '/api/stand-ins/weather?day=monsoon&hour=9')).status).toBe(422);
    expect((await server.call('GET', '/api/stand-ins/weather?hour=ten')).status).toBe(422);
  });
});
