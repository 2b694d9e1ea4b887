import { randomUUID } from 'node:crypto';
import type { AddressInfo } from 'node:net';
import { RESOURCES, RESOURCE_NAMES, changes as changesSchema, type Change } from '@fine-spray/contract';
import type { Knex } from 'knex';
import pino from 'pino';
import { createApp } from '../app';
import { openData } from '../db/data';
import { migrate, openDatabase } from '../db/database';
import { inCompany } from '../db/writing';
import { createPool } from '../jobs/pool';
import { addCompany } from '../people/addCompany';
import { DOCS, startTestServer, type TestServer } from '../testing/server';

let server: TestServer;
let companyId: string;
beforeAll(async () => {
  server = await startTestServer();
  companyId = (await server.db('company').first<{ id: string }>('id')).id;
});
afterAll(() => server.stop());

const tip = { family: 'standard', code: '515', litresBefore: 0, price: null, note: '' };
const note = (text: string) => ({
  ...{ kind: 'note', schema: 1, at: '2026-11-02T08:00:00.000Z', author: 'WR' },
  ...{ jobId: null, surfaceId: null, replaces: null, payload: { text } },
});
const put = (path: string, body: object) => server.call('PUT', `/api/${path}`, body);

/** One answer. */
async function ask(since?: string) {
  const { status, body } = await server.call(
    'GET',
    since === undefined ? '/api/changes' : `/api/changes?since=${encodeURIComponent(since)}`,
  );
  expect([status, body]).toEqual([200, body]);
  return changesSchema.parse(body);
}

/** Everything since a cursor, through all pages. */
async function since(cursor?: string): Promise<{ items: Change[]; cursor: string; pages: number }> {
  const items: Change[] = [];
  let now = cursor;
  for (let pages = 1; ; pages += 1) {
    const answer = await ask(now);
    items.push(...answer.items);
    now = answer.cursor;
    if (!answer.more) return { items, cursor: now, pages };
  }
}
const named = ({ items }: { readonly items: readonly Change[] }) =>
  items.map(({ resource, id, gone }) => `${gone ? 'gone ' : ''}${resource} ${id}`);

const left: Knex.Transaction[] = [];
afterEach(async () => {
  for (const trx of left.splice(0)) if (!trx.isCompleted()) await trx.rollback();
});

/** Stores a note in a transaction of its own that is left open. */
async function begun(id: string) {
  const trx = await server.db.transaction();
  left.push(trx);
  await trx('entry').insert({ id, companyId, version: 1, ...note('late') });
  return trx;
}

describe('what changed', () => {
  it('is everything from the beginning: each row once, and nothing more afterwards', async () => {
    const { items, cursor } = await since();
    const rows = await Promise.all(
      RESOURCE_NAMES.map(async (name) =>
        (await server.db(RESOURCES[name].table).select<{ id: string }[]>('id')).map(
          ({ id }) => `${name} ${id}`,
        ),
      ),
    );
    expect(named({ items }).sort()).toEqual([`company ${companyId}`, ...rows.flat()].sort());
    expect(await since(cursor)).toMatchObject({ items: [] });
  });

  it('is what was made, changed and deleted since, as it stands', async () => {
    const { cursor } = await ask('now');
    const [kept, deleted, entry] = [randomUUID(), randomUUID(), randomUUID()];
    for (const id of [kept, deleted]) await put(`tips/${id}`, { ...tip, version: 0 });
    await put(`tips/${kept}`, { ...tip, note: 'worn', version: 1 });
    await put(`entries/${entry}`, { ...note('hello'), version: 0 });
    await server.call('DELETE', `/api/tips/${deleted}?version=1`);
    const now = await since(cursor);
    expect(named(now).sort()).toEqual([`entries ${entry}`, `gone tips ${deleted}`, `tips ${kept}`]);
    expect(now.items.find(({ id }) => id === kept)?.row).toMatchObject({ note: 'worn', version: 2 });
    expect(now.items.find(({ id }) => id === deleted)?.gone).toMatchObject({ version: 2 });
  });

  it('misses nothing that is committed late, and repeats nothing that was told', async () => {
    const { cursor } = await ask('now');
    const [early, late, last] = [randomUUID(), randomUUID(), randomUUID()];
    // Begun first, committed last.
    const open = await begun(early);
    await put(`entries/${late}`, { ...note('done first'), version: 0 });
    const first = await since(cursor);
    expect(named(first)).toEqual([`entries ${late}`]);
    await put(`entries/${last}`, { ...note('done next'), version: 0 });
    const second = await since(first.cursor);
    expect(named(second)).toEqual([`entries ${last}`]);
    await open.commit();
    expect(named(await since(second.cursor))).toEqual([`entries ${early}`]);
    // Whoever asks from before all of it gets all of it.
    expect(named(await since(cursor)).sort()).toEqual(
      [early, late, last].map((id) => `entries ${id}`).sort(),
    );
  });

  it('forgets one that was taken back before it was committed', async () => {
    const { cursor } = await ask('now');
    const open = await begun(randomUUID());
    const first = await since(cursor);
    await open.rollback();
    expect(named(await since(first.cursor))).toEqual([]);
  });

  it('interleaved at random, each once for whoever follows', async () => {
    let at = (await ask('now')).cursor;
    const expected: string[] = [];
    const heard: string[] = [];
    const open: { id: string; trx: Awaited<ReturnType<typeof begun>> }[] = [];
    let seed = 7;
    const random = () => (seed = (seed * 48_271) % 2_147_483_647) / 2_147_483_647;
    for (let step = 0; step < 120; step += 1) {
      const what = random();
      if (what < 0.35 && open.length < 6) {
        const id = randomUUID();
        open.push({ id, trx: await begun(id) });
      } else if (what < 0.65 && open.length > 0) {
        const [one] = open.splice(Math.floor(random() * open.length), 1);
        if (random() < 0.2) await one?.trx.rollback();
        else {
          await one?.trx.commit();
          expected.push(`entries ${one?.id ?? ''}`);
        }
      } else {
        const next = await since(at);
        at = next.cursor;
        heard.push(...named(next));
      }
    }
    for (const { trx } of open.splice(0)) await trx.rollback();
    heard.push(...named(await since(at)));
    expect(heard.length).toBeGreaterThan(20);
    expect([...heard].sort()).toEqual([...expected].sort());
  });

  it('comes in pages; what changes meanwhile comes after them', async () => {
    const { cursor } = await ask('now');
    const ids = Array.from({ length: 2300 }, () => randomUUID());
    for (let from = 0; from < ids.length; from += 200)
      await server.call('POST', '/api/entries', {
        entries: ids.slice(from, from + 200).map((id) => ({ id, ...note('x') })),
      });
    const first = await ask(cursor);
    expect([first.items.length, first.more]).toEqual([1000, true]);
    const meanwhile = randomUUID();
    await put(`tips/${meanwhile}`, { ...tip, version: 0 });
    const rest = await since(first.cursor);
    const all = [...named(first), ...named(rest)].filter((one) => one.startsWith('entries'));
    expect(new Set(all)).toEqual(new Set(ids.map((id) => `entries ${id}`)));
    expect(all.length).toBe(ids.length);
    const told = [...named(rest), ...named(await since(rest.cursor))];
    expect(told).toContain(`tips ${meanwhile}`);
  });

  it('is never more than a megabyte at once, nor is a page of the log', async () => {
    const { cursor } = await ask('now');
    const long = 'x'.repeat(1900);
    for (let round = 0; round < 5; round += 1)
      await server.call('POST', '/api/entries', {
        entries: Array.from({ length: 200 }, () => ({ id: randomUUID(), ...note(long) })),
      });
    for (const url of [`/api/changes?since=${cursor}`, '/api/entries']) {
      const { body } = await server.call('GET', url);
      expect(body.items?.length).toBeGreaterThan(100);
      expect(JSON.stringify(body).length).toBeLessThan(1_000_000);
    }
  });

  it('shows the pages of the log last first, each entry once', async () => {
    const ids: unknown[] = [];
    let [url, pages] = ['/api/entries', 0];
    for (let next: unknown = ''; next !== null; pages += 1) {
      const { body } = await server.call('GET', url);
      ids.push(...(body.items ?? []).map(({ id }) => id));
      next = body['next'];
      url = `/api/entries?before=${String(next)}`;
    }
    const [row] = await server.db('entry').count<{ count: string }[]>('* as count');
    expect(pages).toBeGreaterThan(3);
    expect([new Set(ids).size, ids.length]).toEqual([Number(row?.count), Number(row?.count)]);
  });

  it.each(['', 'x', Buffer.from('[1,2,3]').toString('base64url'), '9'.repeat(300)])(
    'cannot be told from what is no cursor: %s',
    async (text) => {
      const { status, body } = await server.call('GET', `/api/changes?since=${text}`);
      expect([status, body.errors?.[0]?.field]).toEqual([422, 'since']);
    },
  );

  it('cannot be told from where another database, or a later one, was', async () => {
    const { cursor } = await ask('now');
    const [of, seen] = JSON.parse(Buffer.from(cursor, 'base64url').toString()) as [string, string];
    const written = (...parts: unknown[]) => Buffer.from(JSON.stringify(parts)).toString('base64url');
    for (const other of [written(`${of}1`, seen, null), written(of, '99999999:99999999:', null)]) {
      const { status, body } = await server.call('GET', `/api/changes?since=${other}`);
      expect([status, body['type']]).toEqual([410, 'urn:fine-spray:problem:begin-anew']);
    }
  });

  it('is put right where rows come from a database that was further on', async () => {
    const id = randomUUID();
    await put(`tips/${id}`, { ...tip, version: 0 });
    await server.db.raw('alter table tip disable trigger note_change');
    await server.db('tip').where({ id }).update({ changed: '999999999' });
    await server.db.raw('alter table tip enable trigger note_change');
    await migrate(server.databaseUrl);
    const { cursor } = await ask('now');
    expect(await since(cursor)).toMatchObject({ items: [] });
  });
});

/** Reads a stream of events until it says something for the so-manieth time. */
async function heard(address: string, times: number, then: () => Promise<unknown>): Promise<number> {
  const stop = new AbortController();
  const response = await fetch(`${address}/api/events`, { signal: stop.signal });
  expect(response.headers.get('content-type')).toBe('text/event-stream');
  const reader = (response.body as ReadableStream<Uint8Array>).getReader();
  let text = '';
  let began = 0;
  while ((text.match(/event: changed/g) ?? []).length < times) {
    const { value, done } = await reader.read();
    if (done) break;
    text += new TextDecoder().decode(value);
    if (began === 0) {
      began = Date.now();
      await then();
    }
  }
  stop.abort();
  return Date.now() - began;
}

describe('open pages', () => {
  it('are told of what another server of the same database has stored, and of what their own has', async () => {
    const data = openData(server.databaseUrl);
    const pool = createPool(process.env['TEST_WORKER_FILE'] ?? '');
    const other = createApp({ docsScript: DOCS, data, logger: pino({ level: 'silent' }), pool }).listen(
      0,
      '127.0.0.1',
    );
    await new Promise((resolve) => other.once('listening', resolve));
    const address = `http://127.0.0.1:${(other.address() as AddressInfo).port}`;
    const write = () => put(`tips/${randomUUID()}`, { ...tip, version: 0 });
    // First what was there when it began, then when the server listens, then what was stored.
    const took = await heard(address, 3, async () => {
      await new Promise((resolve) => setTimeout(resolve, 300));
      await write();
    });
    expect(took).toBeLessThan(5000);
    await heard(server.address, 3, write);
    await data.close();
    other.close();
    await pool.close();
  });

  it('are let go when the server stops', async () => {
    const data = openData(server.databaseUrl);
    const ended = new Promise<void>((resolve) => {
      data.announcer.follow(companyId, { tell: () => undefined, end: resolve });
    });
    await data.close();
    await ended;
  });

  it('are not told of another company', () => {
    const tell = jest.fn();
    const end = server.data.announcer.follow(randomUUID(), { tell, end: () => undefined });
    server.data.announcer.announce(companyId);
    expect(tell).not.toHaveBeenCalled();
    end();
  });
});

describe('the database itself keeps companies apart', () => {
  const tables = [
    ...['company', 'person', 'device', 'device_person', 'credential', 'sign_in_code', 'tombstone', 'old_job'],
    ...RESOURCE_NAMES.map((name) => RESOURCES[name].table),
  ];
  let other: string;
  beforeAll(async () => {
    await addCompany(server.databaseUrl, 'Another Firm', 'Ada Other');
    other = (await server.db('company').where({ name: 'Another Firm' }).first<{ id: string }>('id')).id;
  });
  const columns = (table: string) => (table === 'company' ? 'id' : 'company_id');

  it.each([...new Set(tables)])('%s: nothing without a company, and nothing of another', async (table) => {
    expect(await server.data.db(table).select('*')).toEqual([]);
    const seen = await inCompany(server.data.db, other, (trx) =>
      trx(table).select(`${columns(table)} as whose`),
    );
    expect((seen as { whose: string }[]).filter(({ whose }) => whose !== other)).toEqual([]);
    const changed = await inCompany(server.data.db, other, (trx) =>
      trx(table).where(columns(table), companyId).delete(),
    );
    expect(changed).toBe(0);
  });

  it('takes no row for another company', async () => {
    const row = { id: randomUUID(), companyId, version: 1, ...tip };
    await expect(inCompany(server.data.db, other, (trx) => trx('tip').insert(row))).rejects.toMatchObject({
      code: '42501',
    });
    await expect(server.data.db('tip').insert(row)).rejects.toMatchObject({ code: '42501' });
  });

  it('shows the door people and devices, and nothing of the work', async () => {
    expect((await server.data.doorDb('person').select('id')).length).toBeGreaterThan(0);
    for (const name of RESOURCE_NAMES.filter((one) => one !== 'people'))
      expect(await server.data.doorDb(RESOURCES[name].table).select('id')).toEqual([]);
  });

  it('holds the company within its transaction only', async () => {
    const db = openDatabase(server.databaseUrl);
    await inCompany(db, companyId, (trx) => trx('tip').select('id'));
    expect(await db('tip').select('id')).toEqual([]);
    await db.destroy();
  });
});
