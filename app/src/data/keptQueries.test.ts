import 'fake-indexeddb/auto';
import { IDBFactory } from 'fake-indexeddb';
import { Device } from './device';
import { keepQueries, keptLog } from './keptQueries';
import { keys, makeQueryClient } from './resources';

beforeEach(() => {
  globalThis.indexedDB = new IDBFactory();
});

const entry = (id: string) => ({
  id,
  kind: 'note',
  createdAt: `2026-11-02T08:00:00.${id.padStart(3, '0')}Z`,
});

describe('what a page has read', () => {
  it('is there after a reload without the server, with the time it was read', async () => {
    const client = makeQueryClient();
    const { keepNow } = await keepQueries(client, new Device());
    client.setQueryData(keys.list('jobs'), [{ id: 'j' }], { updatedAt: 1234 });
    client.setQueryData(keys.list('entries'), [entry('a')]);
    await keepNow();
    const later = makeQueryClient();
    await keepQueries(later, new Device());
    expect(later.getQueryData(keys.list('jobs'))).toEqual([{ id: 'j' }]);
    expect(later.getQueryState(keys.list('jobs'))?.dataUpdatedAt).toBe(1234);
    // The log is kept by who takes it over, and read by who asks for it.
    expect(later.getQueryData(keys.list('entries'))).toBeUndefined();
    expect(await keptLog(new Device())).toBeUndefined();
    await new Device().keepEntries([entry('a') as never]);
    expect(await keptLog(new Device())).toEqual([entry('a')]);
  });

  it('is old when it was read by a clock that was ahead', async () => {
    const client = makeQueryClient();
    const { keepNow } = await keepQueries(client, new Device());
    client.setQueryData(keys.list('jobs'), [{ id: 'j' }], { updatedAt: Date.now() + 1e9 });
    await keepNow();
    const later = makeQueryClient();
    await keepQueries(later, new Device());
    expect(later.getQueryState(keys.list('jobs'))?.dataUpdatedAt).toBe(0);
  });

  it('of a long log is what was stored last at once, and then all of it', async () => {
    const all = Array.from({ length: 4500 }, (_one, index) => ({
      ...entry(String(index).padStart(5, '0')),
      createdAt: new Date(Date.UTC(2026, 0, 1) + index * 1000).toISOString(),
    }));
    await new Device().keepEntries(all as never);
    const rest: string[] = [];
    const ended = new Promise<void>((resolve) => {
      void keptLog(new Device(), (more, isAll) => {
        rest.push(...more.map(({ id }) => id));
        if (isAll) resolve();
      }).then((first) => expect([first?.length, first?.[0]?.id]).toEqual([200, '04499']));
    });
    await ended;
    expect(rest).toEqual(all.map(({ id }) => id));
  });

  it('works as before where the device keeps nothing', async () => {
    class NoDevice extends Device {
      override queries() {
        return Promise.reject(new Error('forbidden'));
      }
      override keepQuery() {
        return Promise.reject(new Error('forbidden'));
      }
    }
    const client = makeQueryClient();
    const { keepNow } = await keepQueries(client, new NoDevice());
    client.setQueryData(keys.list('jobs'), [{ id: 'j' }]);
    await keepNow();
    expect(client.getQueryData(keys.list('jobs'))).toEqual([{ id: 'j' }]);
  });
});
