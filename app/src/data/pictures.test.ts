import 'fake-indexeddb/auto';
import { openDB } from 'idb';
import { Device } from './device';
import { Pictures } from './pictures';

const bytes = (length = 10) => new Uint8Array(length).fill(7).buffer;
let count = 0;

/** A server that keeps what it is sent, or answers with a status. */
function server() {
  const stored = new Map<string, number>();
  const answers: (number | 'away')[] = [];
  globalThis.fetch = jest.fn((url: string, init?: { method?: string; body?: Blob }) => {
    const id = url.split('/').pop() ?? '';
    const next = answers.shift();
    if (next === 'away') return Promise.reject(new TypeError('away'));
    const json = (status: number, body: object) =>
      Promise.resolve({
        ok: status < 300,
        status,
        headers: new Headers(),
        json: () => Promise.resolve(body),
      });
    if (next !== undefined)
      return json(next, {
        ...{
          type: 'urn:fine-spray:problem:x',
          title: 'No',
          status: next,
          detail: 'Not this one.',
          errors: [],
        },
      });
    if (init?.method === 'PUT') {
      stored.set(id, init.body?.size ?? 0);
      return json(200, { id });
    }
    const size = stored.get(id);
    return size === undefined
      ? json(404, {
          type: 'urn:fine-spray:problem:not-found',
          title: 'No',
          status: 404,
          detail: 'Not here.',
          errors: [],
        })
      : Promise.resolve({ ok: true, status: 200, blob: () => Promise.resolve(new Blob([bytes(size)])) });
  }) as unknown as typeof fetch;
  return { stored, answers };
}

let now = 1_000_000;
function opened(name = `pictures ${(count += 1)}`) {
  const device = new Device(name);
  return {
    name,
    device,
    box: new Pictures(
      device,
      () => Promise.resolve(true),
      () => now,
    ),
  };
}

describe('pictures on their way', () => {
  it('wait for their entry, then go up once', async () => {
    const { stored } = server();
    const { box } = opened();
    const id = await box.keepDraft(bytes(12));
    await box.send();
    expect(stored.size).toBe(0);
    await box.written([id]);
    await box.send();
    expect([...stored]).toEqual([[id, 12]]);
    expect(box.current()).toEqual({ waiting: [], full: false });
    await box.again();
    expect(fetch).toHaveBeenCalledTimes(1);
  });

  it('outlast a reload and a server that is away', async () => {
    const { stored, answers } = server();
    const first = opened();
    answers.push('away', 'away');
    const id = await first.box.keepDraft(bytes());
    await first.box.written([id]);
    await first.box.send();
    expect(first.box.current().waiting).toHaveLength(1);
    first.box.close();
    const second = opened(first.name).box;
    await second.send();
    await second.again();
    expect([...stored.keys()]).toEqual([id]);
    second.close();
  });

  it('stay with the reason where the server does not take one, and the rest goes up', async () => {
    const { stored, answers } = server();
    const { box } = opened();
    const ids = [await box.keepDraft(bytes()), await box.keepDraft(bytes())];
    answers.push(422);
    await box.written(ids);
    await box.send();
    const [refused] = box.current().waiting;
    expect(refused).toMatchObject({ refused: 'Not this one.' });
    expect(stored.size).toBe(1);
    await box.sendAgain(refused?.id ?? '');
    await box.send();
    expect(stored.size).toBe(2);
  });

  it('are gone when they are taken back before they were sent', async () => {
    const { stored } = server();
    const { box } = opened();
    const id = await box.keepDraft(bytes());
    await box.drop([id]);
    await box.written([id]);
    await box.send();
    expect(stored.size).toBe(0);
    await expect(box.blobOf(id)).rejects.toThrow('Not here.');
  });

  it('are held by the page where the device has no room, and still go up', async () => {
    const { stored } = server();
    const { box, device } = opened();
    jest.spyOn(device, 'keepPicture').mockRejectedValue(new Error('full'));
    const id = await box.keepDraft(bytes());
    await box.written([id]);
    await box.send();
    expect([...stored.keys()]).toEqual([id]);
    expect(box.current()).toEqual({ waiting: [], full: false });
  });

  it('are let go as drafts after a week, and as sent ones when there are many', async () => {
    const { device, box } = opened();
    server();
    const draft = await box.keepDraft(bytes());
    for (let index = 0; index < 63; index += 1)
      await device.keepPicture({ id: `sent ${index}`, bytes: bytes(), state: 'sent', at: now + index });
    await box.send();
    const here = async () => new Set((await device.picturesHere()).map(({ id }) => id));
    expect(await here()).toEqual(
      new Set([draft, ...Array.from({ length: 60 }, (_one, at) => `sent ${at + 3}`)]),
    );
    now += 8 * 24 * 3_600_000;
    await box.send();
    expect((await here()).has(draft)).toBe(false);
  });

  it('are brought from the server once, and kept', async () => {
    const { stored } = server();
    stored.set('theirs', 20);
    const { box, device } = opened();
    expect((await box.blobOf('theirs')).size).toBe(20);
    await new Promise((done) => setTimeout(done, 20));
    expect(await device.picture('theirs')).toMatchObject({ state: 'sent' });
    await box.blobOf('theirs');
    expect(fetch).toHaveBeenCalledTimes(1);
  });
});

it('pictures that an older program kept in one with their files are here as before', async () => {
  const older = await openDB('older', 4, {
    upgrade: (database) => void database.createObjectStore('pictures', { keyPath: 'id' }),
  });
  const kept = { id: 'a', state: 'sent', at: 1, bytes: bytes(5) };
  await older.put('pictures', kept);
  older.close();
  const device = new Device('older');
  const { bytes: file, ...head } = kept;
  expect(await device.picturesHere()).toEqual([head]);
  expect((await device.picture('a'))?.bytes.byteLength).toBe(file.byteLength);
});
