import 'fake-indexeddb/auto';
import type { Entry } from '@fine-spray/contract';
import type { QueryClient } from '@tanstack/react-query';
import { IDBFactory } from 'fake-indexeddb';
import { playStorage } from '@/testing/deviceStorage';
import { LogServer, entry } from '@/testing/logServer';
import { Following } from './changes';
import { Device } from './device';
import { forgetChanges } from './newer';
import { Outbox } from './outbox';
import { keys, makeQueryClient } from './resources';
import { forgetWhose } from './whose';

let server: LogServer;
let device: Device;
let outbox: Outbox;
let client: QueryClient;
const original = globalThis.fetch;
beforeEach(() => {
  globalThis.indexedDB = new IDBFactory();
  playStorage();
  forgetWhose();
  forgetChanges();
  server = new LogServer();
  server.listen();
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

  it('has the log from the server where the database of the device does not answer', async () => {
    server.write(entry('a'), entry('b'));
    class Silent extends Device {
      override cursor() {
        return new Promise<never>(() => undefined);
      }
    }
    jest.useFakeTimers();
    try {
      const page = new Following(client, new Silent(), outbox);
      const done = page.catchUp();
      await jest.advanceTimersByTimeAsync(9_000);
      expect(server.asked.some((url) => url.startsWith('/api/entries'))).toBe(false);
      await jest.advanceTimersByTimeAsync(2_000);
      await done;
      expect(page.hasDevice).toBe(false);
      expect(shown()).toEqual(['a', 'b']);
    } finally {
      jest.useRealTimers();
    }
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
