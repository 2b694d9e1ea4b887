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

/** A log that was read while nothing had been sent. */
const log = (there: readonly string[]) => ({ there: new Set(there), sentBefore: new Map<string, Entry>() });

let kept: Map<string, string>;
let sent: { id: string; clockSkew?: number | null }[];
let box: Outbox;
const original = globalThis.fetch;
beforeEach(async () => {
  globalThis.indexedDB = new IDBFactory();
  kept = playStorage();
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
    await sendLost(log([first]), new Device(), box);
    expect(sent.map(({ id, clockSkew }) => [id, clockSkew])).toEqual([
      [second, 3600],
      [third, 0],
    ]);
    expect(box.current().waiting).toEqual([]);
  });

  it('leaves nothing behind of what was sent before it was kept here', async () => {
    let keeps = () => {};
    const room = new Promise<void>((resolve) => (keeps = resolve));
    class SlowDevice extends Device {
      override async keepWaiting(one: Parameters<Device['keepWaiting']>[0]): Promise<void> {
        if (one.id === first) await room;
        await super.keepWaiting(one);
      }
    }
    const device = new SlowDevice();
    const slow = new Outbox(device);
    await slow.start();
    const all = sendLost(log([]), device, slow);
    while (slow.current().waiting.length === 0) await new Promise((resolve) => setImmediate(resolve));
    void slow.send();
    while (slow.current().waiting.length > 0) {
      // The first of them is being kept still when the server has all.
      if (sent.length > 0) keeps();
      await new Promise((resolve) => setImmediate(resolve));
    }
    await all;
    await slow.idle();
    slow.close();
    expect(sent.map(({ id }) => id)).toEqual(ids);
    expect(await device.waiting()).toEqual([]);
    expect([...kept.keys()]).toEqual([]);
  });

  it('gets nothing while it has all of it', async () => {
    await sendLost(log([...ids, 'another']), new Device(), box);
    expect(sent).toEqual([]);
  });

  it('gets from a device what those wrote who share it', async () => {
    await new Device().keepEntries([{ ...entry(second), personId: 'else' }]);
    await sendLost({ ...log([first]), isOurs: (id) => id === 'us' }, new Device(), box);
    expect(sent.map(({ id }) => id)).toEqual([third]);
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
    await sendLost(log(ids), device, box);
    expect(sent).toEqual([]);
    // In one that was asked for afterwards it is, or it was lost.
    await sendLost({ ...log(ids), sentBefore: box.current().sent }, device, box);
    expect(sent.map(({ id }) => id)).toEqual([written.id]);
  });
});
