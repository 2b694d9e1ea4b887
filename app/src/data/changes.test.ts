import 'fake-indexeddb/auto';
import type { Entry } from '@fine-spray/contract';
import type { QueryClient } from '@tanstack/react-query';
import { IDBFactory } from 'fake-indexeddb';
import { playStorage } from '@/testing/deviceStorage';
import { Following } from './changes';
import { Device } from './device';
import { forgetChanges } from './newer';
import { Outbox } from './outbox';
import { keys, makeQueryClient } from './resources';
import { forgetWhose } from './whose';

const entry = (id: string): Entry => ({
  ...{ id, kind: 'note', schema: 1, at: '2026-11-20T08:00:00.000Z', author: 'AB' },
  ...{ jobId: null, surfaceId: null, replaces: null, payload: { text: id } },
  ...{ version: 1, createdAt: '2026-11-20T08:00:01.000Z', updatedAt: '2026-11-20T08:00:01.000Z' },
  clockSkew: 0,
});

/** A server with a log, whose cursor is how many changes there have been. */
class Server {
  changes: object[] = [];
  entries: Entry[] = [];
  asked: string[] = [];
  era = 'a';
  sent: string[] = [];
  /** Rows of one page. */
  page = 2;

  write(...rows: Entry[]): void {
    this.entries.push(...rows);
    this.changes.push(...rows.map((row) => ({ resource: 'entries', id: row.id, row })));
  }

  answer(url: string, body: string | undefined): { status: number; body: unknown } {
    this.asked.push(url);
    const { pathname, searchParams } = new URL(url, 'http://here');
    if (pathname === '/api/me') return { status: 200, body: { company: { id: 'ours' } } };
    if (pathname === '/api/changes') return this.since(searchParams.get('since') ?? '');
    if (body !== undefined) {
      const { entries } = JSON.parse(body) as { entries: Entry[] };
      this.sent.push(...entries.map(({ id }) => id));
      this.write(...entries.map(({ id }) => entry(id)));
      return { status: 200, body: { results: entries.map(({ id }) => ({ id, row: entry(id) })) } };
    }
    const last = [...this.entries].reverse();
    const from = Number(searchParams.get('before') ?? 0);
    const next = from + this.page < last.length ? String(from + this.page) : null;
    return { status: 200, body: { items: last.slice(from, from + this.page), unreadable: [], next } };
  }

  private since(since: string): { status: number; body: unknown } {
    const cursor = (at: number) => `${this.era} ${at}`;
    if (since === 'now')
      return { status: 200, body: { items: [], cursor: cursor(this.changes.length), more: false } };
    const [era, at] = since.split(' ');
    const problem = { type: 'x', title: 'x', status: 410, detail: 'Begin anew.', errors: [] };
    if (era !== this.era) return { status: 410, body: problem };
    const items = this.changes.slice(Number(at), Number(at) + this.page);
    const now = Number(at) + items.length;
    return { status: 200, body: { items, cursor: cursor(now), more: now < this.changes.length } };
  }
}

let server: Server;
let device: Device;
let outbox: Outbox;
let client: QueryClient;
const original = globalThis.fetch;
beforeEach(() => {
  globalThis.indexedDB = new IDBFactory();
  playStorage();
  forgetWhose();
  forgetChanges();
  server = new Server();
  globalThis.fetch = ((url: string, init?: { body?: string }) => {
    const { status, body } = server.answer(url, init?.body);
    return Promise.resolve({ ok: status < 400, status, json: () => Promise.resolve(body) });
  }) as unknown as typeof fetch;
  open();
});
afterEach(() => {
  outbox.close();
  globalThis.fetch = original;
});

/** A page that was just opened on the device. */
function open(): Following {
  device = new Device();
  outbox = new Outbox(device);
  client = makeQueryClient();
  return new Following(client, device, outbox);
}
const shown = () =>
  (client.getQueryData<readonly Entry[]>(keys.list('entries')) ?? []).map(({ id }) => id).sort();
/** Waits until the device has the log up to where it is. */
async function isKept(): Promise<void> {
  const now = `${server.era} ${server.changes.length}`;
  for (let tries = 0; tries < 200 && (await new Device().cursor()) !== now; tries += 1)
    await new Promise((resolve) => setTimeout(resolve, 5));
  expect(await new Device().cursor()).toBe(now);
}

describe('a page that follows', () => {
  it('reads the whole log once, in pages, and from then on only what is new', async () => {
    server.write(entry('a'), entry('b'), entry('c'), entry('d'), entry('e'));
    await open().catchUp();
    expect(shown()).toEqual(['a', 'b', 'c', 'd', 'e']);
    await isKept();
    // Another day: the device has it.
    server.asked = [];
    server.write(entry('f'), entry('g'), entry('h'));
    const page = open();
    client.setQueryData(keys.list('entries'), await device.entries());
    await page.catchUp();
    expect(shown()).toEqual(['a', 'b', 'c', 'd', 'e', 'f', 'g', 'h']);
    expect(server.asked.filter((url) => url.startsWith('/api/entries'))).toEqual([]);
    await isKept();
    expect((await device.entryIds()).length).toBe(8);
  });

  it('brings the lists on screen up to date', async () => {
    const page = open();
    await page.catchUp();
    const job = (id: string, version: number, name: string) => ({ id, version, name });
    client.setQueryData(keys.list('jobs'), [job('a', 1, 'Old'), job('b', 1, 'Gone')]);
    server.changes.push(
      { resource: 'jobs', id: 'a', row: job('a', 2, 'New') },
      { resource: 'jobs', id: 'b', gone: { id: 'b', version: 2, deletedAt: '' } },
      { resource: 'jobs', id: 'c', row: job('c', 1, 'Another') },
    );
    await page.catchUp();
    expect(client.getQueryData(keys.list('jobs'))).toEqual([job('a', 2, 'New'), job('c', 1, 'Another')]);
  });

  it('asks once more when it is told while it asks, and not for each time', async () => {
    const page = open();
    await page.catchUp();
    server.asked = [];
    await Promise.all([page.catchUp(), page.catchUp(), page.catchUp()]);
    expect(server.asked.length).toBeLessThanOrEqual(2);
  });

  it('begins anew where the server was restored, and sends what it lost', async () => {
    server.write(entry('a'), entry('b'), entry('c'));
    await open().catchUp();
    await isKept();
    server.era = 'b';
    server.changes = [];
    server.entries = [];
    server.write(entry('a'));
    await open().catchUp();
    for (let tries = 0; tries < 200 && server.sent.length < 2; tries += 1)
      await new Promise((resolve) => setTimeout(resolve, 5));
    expect(server.sent.sort()).toEqual(['b', 'c']);
  });

  it('reads all of it though another page has kept it meanwhile: what it saw before was nothing', async () => {
    server.write(entry('a'), entry('b'), entry('c'));
    const first = open();
    const second = new Following(makeQueryClient(), new Device(), outbox);
    // The second page looks at the device while the first has kept nothing yet.
    expect(await second.beganWhole()).toBe(false);
    await first.catchUp();
    await isKept();
    server.asked = [];
    await second.catchUp();
    expect(server.asked.filter((url) => url.startsWith('/api/entries')).length).toBeGreaterThan(0);
  });

  it('goes on from where the device has all of it: cut off in between it is told again', async () => {
    server.write(entry('a'));
    await open().catchUp();
    await isKept();
    server.write(entry('b'), entry('c'), entry('d'));
    const page = open();
    jest.spyOn(device, 'keepEntries').mockRejectedValueOnce(new Error('full'));
    await page.catchUp();
    // The device did not take it: the next page is told of it once more.
    const next = open();
    client.setQueryData(keys.list('entries'), await device.entries());
    await next.catchUp();
    expect(shown()).toEqual(['a', 'b', 'c', 'd']);
  });

  it('throws nothing away and asks for nothing where the server is away', async () => {
    const page = open();
    globalThis.fetch = () => Promise.reject(new Error('away'));
    await expect(page.catchUp()).rejects.toThrow(/does not answer/);
    expect(await device.cursor()).toBeUndefined();
  });
});
