import 'fake-indexeddb/auto';
import type { Entry } from '@fine-spray/contract';
import { IDBFactory } from 'fake-indexeddb';
import { playStorage } from '@/testing/deviceStorage';
import { Device } from './device';
import { Outbox } from './outbox';
import { sendLost } from './restored';

const entry = (id: string, clockSkew: number | null = 0): Entry => ({
  id,
  kind: 'note',
  schema: 1,
  at: '2026-11-20T08:00:00.000Z',
  author: 'AB',
  jobId: null,
  surfaceId: null,
  replaces: null,
  payload: { text: id },
  version: 1,
  createdAt: '2026-11-20T08:00:01.000Z',
  updatedAt: '2026-11-20T08:00:01.000Z',
  clockSkew,
});
const ids = ['a', 'b', 'c'].map((one) => `01930000-0000-7000-8000-00000000000${one}`);
const [first = '', second = '', third = ''] = ids;

let sent: { id: string; clockSkew?: number | null }[];
let box: Outbox;
const original = globalThis.fetch;
beforeEach(async () => {
  globalThis.indexedDB = new IDBFactory();
  playStorage();
  sent = [];
  globalThis.fetch = ((_url: string, init?: { body?: string }) => {
    const { entries = [] } = (init?.body === undefined ? {} : JSON.parse(init.body)) as {
      entries?: typeof sent;
    };
    sent.push(...entries);
    const body = { results: entries.map(({ id }) => ({ id, row: entry(id) })) };
    return Promise.resolve({ ok: true, status: 200, json: () => Promise.resolve(body) });
  }) as unknown as typeof fetch;
  const device = new Device();
  box = new Outbox(device);
  await device.keepEntries([entry(first), entry(second, 3600), entry(third)]);
});
afterEach(() => {
  box.close();
  globalThis.fetch = original;
});

describe('a server that was restored from a backup', () => {
  it('gets what it no longer has, with what it once found of the clock', async () => {
    await sendLost(new Set([first]), new Device(), box);
    expect(sent.map(({ id, clockSkew }) => [id, clockSkew])).toEqual([
      [second, 3600],
      [third, 0],
    ]);
    expect(box.current().waiting).toEqual([]);
  });

  it('gets nothing while it has all of it', async () => {
    await sendLost(new Set([...ids, 'another']), new Device(), box);
    expect(sent).toEqual([]);
  });

  it('gets it though it was sent from this page', async () => {
    const { kind, at, author, jobId, surfaceId, replaces, payload } = entry(first);
    const written = box.write({ kind, at, author, jobId, surfaceId, replaces, payload });
    await written.kept;
    await box.idle();
    const device = new Device();
    await device.keepEntries([entry(written.id)]);
    sent.length = 0;
    // In a list that was asked for before it was taken it cannot be.
    await sendLost(new Set(ids), device, box);
    expect(sent).toEqual([]);
    await box.sendAgain([entry(written.id)]);
    expect(sent.map(({ id }) => id)).toEqual([written.id]);
  });
});
