import 'fake-indexeddb/auto';
import { IDBFactory } from 'fake-indexeddb';
import { Device } from './device';
import { keepQueries, keptLog } from './keptQueries';
import { keys, makeQueryClient } from './resources';

beforeEach(() => {
  globalThis.indexedDB = new IDBFactory();
});

const entry = (id: string) => ({ id, kind: 'note' });

describe('what a page has read', () => {
  it('is there after a reload without the server, with the time it was read', async () => {
    const client = makeQueryClient();
    const { keepNow } = await keepQueries(client, new Device());
    client.setQueryData(keys.list('jobs'), [{ id: 'j' }], { updatedAt: 1234 });
    client.setQueryData(keys.list('entries'), [entry('a'), entry('b')]);
    await keepNow();
    const later = makeQueryClient();
    await keepQueries(later, new Device());
    expect(later.getQueryData(keys.list('jobs'))).toEqual([{ id: 'j' }]);
    expect(later.getQueryState(keys.list('jobs'))?.dataUpdatedAt).toBe(1234);
    // The log is read by who asks for it.
    expect(later.getQueryData(keys.list('entries'))).toBeUndefined();
    expect(await keptLog(new Device())).toEqual([entry('a'), entry('b')]);
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

  it('keeps of the log only what is new', async () => {
    const device = new Device();
    const keepEntries = jest.spyOn(device, 'keepEntries');
    const client = makeQueryClient();
    const { keepNow } = await keepQueries(client, device);
    client.setQueryData(keys.list('entries'), [entry('a'), entry('b')]);
    await keepNow();
    client.setQueryData(keys.list('entries'), [entry('a'), entry('b'), entry('c')]);
    await keepNow();
    expect(keepEntries.mock.calls.map(([some]) => some.map(({ id }) => id))).toEqual([['a', 'b'], ['c']]);
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
