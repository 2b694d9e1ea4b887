import 'fake-indexeddb/auto';
import { IDBFactory } from 'fake-indexeddb';
import { playStorage } from '@/testing/deviceStorage';
import { Device } from './device';
import { asEntry } from './log';
import { Outbox, type NewFields } from './outbox';

const fields = (author: string): NewFields => ({
  kind: 'fan measured',
  at: '2026-11-20T08:00:00.000Z',
  author,
  jobId: null,
  surfaceId: null,
  replaces: null,
  payload: { tipId: '01930000-0000-7000-8000-000000000018', width: 0.24, distance: 0.305, gun: null },
});

type Answer = { readonly status: number; readonly body: unknown };
let kept = new Map<string, string>();
let answer: (id: string, body: { author: string }) => Answer;
const seen: { id: string; author: string }[] = [];
/** How many entries each request had. */
const requests: number[] = [];
const took = (id: string, body: object): Answer => ({
  status: 200,
  body: { ...body, id, version: 1, clockSkew: 0 },
});
const away = (): Answer => ({ status: 0, body: undefined });
const problem = (status: number, detail: string, extra: object = {}): Answer => ({
  status,
  body: { type: 'urn:x', title: 'No', status, detail, errors: [], ...extra },
});

/** The type of what a server says that answers for another company. */
const OTHER = 'urn:fine-spray:problem:other-company';

beforeEach(() => {
  globalThis.indexedDB = new IDBFactory();
  kept = playStorage();
  seen.length = 0;
  requests.length = 0;
  answer = took;
  // As the server does it: each entry is answered for itself, but where it fails at one it fails at the request.
  globalThis.fetch = ((_url: string, { body }: { body: string }) => {
    const { entries } = JSON.parse(body) as { entries: { id: string; author: string }[] };
    requests.push(entries.length);
    const answers = entries.map(({ id, ...sent }) => ({ id, author: sent.author, ...answer(id, sent) }));
    const whole = answers.find(
      ({ status, body: said }) =>
        status === 0 || status >= 500 || status === 429 || (said as { type?: string }).type === OTHER,
    );
    if (whole?.status === 0) return Promise.reject(new Error('away'));
    if (!whole)
      seen.push(...answers.flatMap(({ id, author, status }) => (status === 200 ? [{ id, author }] : [])));
    const results = answers.map(({ id, status, body: said }) =>
      status === 200 ? { id, row: said } : { id, problem: said },
    );
    return Promise.resolve({
      ok: !whole,
      status: whole?.status ?? 200,
      json: () => Promise.resolve(whole ? whole.body : { results }),
    });
  }) as unknown as typeof fetch;
});

/** Boxes of a test, each as a page of its own on one device. */
const opened: Outbox[] = [];
const page = (device = new Device()) => {
  const box = new Outbox(device);
  opened.push(box);
  return box;
};
afterEach(() => opened.splice(0).forEach((box) => box.close()));
/** Waits until no page keeps or sends anything; what they tell each other takes a turn of the event loop of its own. */
async function settled(): Promise<void> {
  await Promise.all(opened.map((box) => box.idle()));
}
/** Waits for what one page hears of another. */
async function until(holds: () => boolean): Promise<void> {
  while (!holds()) await new Promise((resolve) => setImmediate(resolve));
}
const authors = (box: Outbox) => box.current().waiting.map((one) => one.fields.author);

describe('the outbox', () => {
  it('sends what is written in its order and keeps nothing afterwards', async () => {
    const box = page();
    const sent: string[] = [];
    box.onSent = (taken) => sent.push(...taken.map(({ id }) => id));
    const ids = ['a', 'b', 'c'].map((author) => box.write(fields(author)).id);
    await settled();
    expect(seen.map(({ author }) => author)).toEqual(['a', 'b', 'c']);
    expect(sent).toEqual(ids);
    expect(box.current().waiting).toEqual([]);
    expect([...box.current().sent.keys()]).toEqual(ids);
    const later = page();
    await later.start();
    expect(later.current().waiting).toEqual([]);
  });

  it('keeps what cannot be sent on the device, finds it after a reload in its order, and sends each under its id', async () => {
    answer = away;
    const box = page();
    const kinds = ['a', 'b', 'c', 'd'];
    const ids = kinds.map((author) => box.write(fields(author)).id);
    await settled();
    const reloaded = page();
    await reloaded.start();
    expect(authors(reloaded)).toEqual(kinds);
    answer = took;
    await reloaded.send();
    await until(() => box.current().waiting.length === 0);
    // In its order; a second page that tries again meanwhile sends the same ids, which changes nothing.
    expect([...new Set(seen.map(({ id }) => id))]).toEqual(ids);
    // The other page has heard of it.
    expect(reloaded.current().waiting).toEqual([]);
  });

  it('sends again what the server took without its answer arriving, under the same id', async () => {
    let lost = true;
    const stored = new Set<string>();
    answer = (id, body) => {
      stored.add(id);
      return lost ? away() : took(id, body);
    };
    const box = page();
    const { id } = box.write(fields('a'));
    await settled();
    lost = false;
    await box.send();
    await settled();
    expect([...stored]).toEqual([id]);
    expect(box.current().waiting).toEqual([]);
  });

  it('keeps what the server does not take, with the reason, and goes on with the rest', async () => {
    answer = (id, body) => (body.author === 'bad' ? problem(422, 'It cannot be so.') : took(id, body));
    const box = page();
    box.write(fields('bad'));
    box.write(fields('good'));
    await settled();
    expect(seen.map(({ author }) => author)).toEqual(['good']);
    const later = page();
    await later.start();
    expect(later.current().waiting).toMatchObject([
      { refused: 'It cannot be so.', fields: { author: 'bad' } },
    ]);
  });

  it('sends what waited in a few requests, in its order', async () => {
    answer = away;
    const box = page();
    const ids = Array.from({ length: 450 }, (_one, index) => box.write(fields(String(index))).id);
    await settled();
    requests.length = 0;
    answer = took;
    await box.send();
    await settled();
    expect(requests).toEqual([200, 200, 50]);
    expect(seen.map(({ id }) => id)).toEqual(ids);
    expect(box.current().waiting).toEqual([]);
  });

  it('finds the one the server fails at among many, and sends all others', async () => {
    answer = away;
    const box = page();
    const ids = Array.from({ length: 300 }, (_one, index) => box.write(fields(String(index))).id);
    await settled();
    answer = (id, body) => (body.author === '77' ? problem(500, 'It broke.') : took(id, body));
    await box.send();
    await settled();
    expect(authors(box)).toEqual(['77']);
    expect(new Set(seen.map(({ id }) => id))).toEqual(new Set(ids.filter((_id, index) => index !== 77)));
    // Found by halves, not one by one.
    expect(requests.length).toBeLessThan(40);
  });

  it('steps over what the server fails at, says why, and sends it once that is mended', async () => {
    let broken = true;
    answer = (id, body) => (broken && body.author === 'bad' ? problem(500, 'It broke.') : took(id, body));
    const box = page();
    const { id } = box.write(fields('bad'));
    for (const author of ['a', 'b', 'c', 'd']) box.write(fields(author));
    await settled();
    expect(seen.map(({ author }) => author)).toEqual(['a', 'b', 'c', 'd']);
    expect(authors(box)).toEqual(['bad']);
    expect(box.current().failing.get(id)).toMatch(/It broke/);
    broken = false;
    await box.send();
    await settled();
    expect([box.current().waiting, box.current().failing.size]).toEqual([[], 0]);
    expect(seen.map(({ author }) => author)).toContain('bad');
  });

  it('does not go through everything where the server fails at all of it', async () => {
    answer = () => problem(500, 'It broke.');
    const box = page();
    for (const author of ['a', 'b', 'c', 'd', 'e', 'f']) box.write(fields(author));
    await settled();
    expect(authors(box)).toEqual(['a', 'b', 'c', 'd', 'e', 'f']);
    requests.length = 0;
    await box.send();
    await settled();
    // All of them, by halves to the first, and three in a row; nothing is lost.
    expect(requests).toEqual([6, 3, 2, 1, 1, 1]);
    expect(authors(box)).toEqual(['a', 'b', 'c', 'd', 'e', 'f']);
  });

  it('shows both sides of a conflict, overwrites neither, and sends it as a new one when told to', async () => {
    const theirs = { id: 'x', author: 'other' };
    const box = page();
    let first = true;
    answer = (id, body) => {
      if (!first) return took(id, body);
      first = false;
      return problem(409, 'Changed elsewhere.', { current: theirs });
    };
    const { id } = box.write(fields('mine'));
    await settled();
    expect(box.current().waiting).toMatchObject([{ id, theirs, fields: { author: 'mine' } }]);
    expect(seen).toEqual([]);
    await box.sendAsNew(id);
    await settled();
    expect(seen.map(({ author }) => author)).toEqual(['mine']);
    expect(seen[0]?.id).not.toBe(id);
    expect(box.current().waiting).toEqual([]);
  });

  it('holds nothing against an entry where the server answers for another company: it waits with its own', async () => {
    const box = page();
    answer = () => problem(409, 'Another company.', { type: OTHER });
    const { id } = box.write(fields('mine'));
    await settled();
    expect(box.current().waiting).toMatchObject([{ id }]);
    expect(box.current().waiting[0]).not.toHaveProperty('refused');
    expect(box.current().waiting[0]).not.toHaveProperty('theirs');
    answer = took;
    await box.send();
    await settled();
    expect(seen.map(({ author }) => author)).toEqual(['mine']);
  });

  it('sends what is known of the clock an entry goes by: that of what it corrects, not of this device', async () => {
    const clocks: unknown[] = [];
    answer = (id, body) => {
      clocks.push('clockSkew' in body ? body.clockSkew : 'by this device');
      return took(id, body);
    };
    const box = page();
    box.write(fields('a'));
    box.write(fields('b'), undefined, -86_400);
    box.write(fields('c'), undefined, null);
    expect(box.current().waiting.map((one) => asEntry(one).clockSkew)).toEqual([null, -86_400, null]);
    await settled();
    expect(clocks).toEqual(['by this device', -86_400, null]);
  });

  it('waits longer each time the server is away, and from the beginning once it is back', async () => {
    answer = away;
    const waits: number[] = [];
    const timer = jest.spyOn(globalThis, 'setTimeout').mockImplementation(((_work: unknown, wait = 0) => {
      if (wait >= 1000) waits.push(wait);
      return 0;
    }) as unknown as typeof setTimeout);
    const box = page();
    box.write(fields('a'));
    await settled();
    for (let again = 0; again < 3; again += 1) await box.send();
    expect(waits).toEqual([5000, 10_000, 20_000, 40_000]);
    await box.again();
    expect(waits.at(-1)).toBe(5000);
    timer.mockRestore();
  });

  it('takes back what has not gone yet', async () => {
    answer = away;
    const box = page();
    const { id } = box.write(fields('a'));
    await settled();
    expect([box.takeBack(id), box.takeBack(id)]).toEqual([true, false]);
    await settled();
    const later = page();
    await later.start();
    expect(later.current().waiting).toEqual([]);
  });

  it('brings in what an older program left, in today’s form, and sets aside what it cannot read', async () => {
    answer = away;
    const old = {
      ...fields('old'),
      payload: { tipId: '01930000-0000-7000-8000-000000000018', width: 0.2, distance: 0.3 },
    };
    kept.set(
      'fine-spray.kept.outbox',
      JSON.stringify([{ id: 'one', fields: old }, { id: 'two', fields: { kind: 'tea' } }, 7]),
    );
    const box = page();
    await box.start();
    expect(box.current()).toMatchObject({
      aside: 2,
      waiting: [{ id: 'one', fields: { schema: 2, payload: { gun: null } } }],
    });
    expect(kept.size).toBe(0);
    const again = page();
    await again.start();
    expect(again.current()).toMatchObject({ aside: 2, waiting: [{ id: 'one' }] });
  });

  it('keeps what a newer program left as it was, and counts it', async () => {
    const device = new Device();
    await device.keepWaiting({ id: 'new', fields: { ...fields('x'), schema: 50 } });
    const box = page(device);
    await box.start();
    await box.send();
    expect(box.current()).toMatchObject({ aside: 1, waiting: [] });
    expect(await device.waiting()).toMatchObject([{ id: 'new', fields: { schema: 50 } }]);
  });
});

describe('on a device that takes no more', () => {
  /** A device whose database is full. */
  class FullDevice extends Device {
    override keepWaiting(): Promise<void> {
      return Promise.reject(new DOMException('full', 'QuotaExceededError'));
    }
  }

  it('an entry goes into the spare place, and into the database once there is room', async () => {
    answer = away;
    const box = page(new FullDevice());
    const { id } = box.write(fields('a'));
    await settled();
    expect(box.current()).toMatchObject({ full: false, waiting: [{ id }] });
    expect(kept.size).toBe(1);
    const later = page();
    await later.start();
    expect(later.current().waiting).toMatchObject([{ id }]);
    expect(kept.size).toBe(0);
  });

  it('it says so while the spare place is full too, holds what waits, and still sends it', async () => {
    answer = away;
    globalThis.localStorage.setItem = () => {
      throw new Error('full');
    };
    const box = page(new FullDevice());
    box.write(fields('a'));
    box.write(fields('b'));
    await settled();
    expect(box.current().full).toBe(true);
    expect(authors(box)).toEqual(['a', 'b']);
    answer = took;
    await box.send();
    await settled();
    expect(seen.map(({ author }) => author)).toEqual(['a', 'b']);
    expect(box.current().waiting).toEqual([]);
  });
});

describe('a page that is closed before the database has what was tapped', () => {
  /** A device whose database is busy, and takes nothing before the page is closed. */
  class BusyDevice extends Device {
    override keepWaiting(): Promise<void> {
      return new Promise(() => undefined);
    }
  }
  /** Pages that are closed: nothing of theirs comes to an end. */
  const closed = (device = new BusyDevice()) => new Outbox(device);

  it('loses nothing of it: the next page has it and sends it once', async () => {
    const [one, other] = [closed(), closed()];
    void one.write(fields('a')).kept;
    void other.write(fields('b')).kept;
    one.close();
    other.close();
    const box = page();
    await box.send();
    await settled();
    expect(seen.map(({ author }) => author)).toEqual(['a', 'b']);
    expect(box.current().waiting).toEqual([]);
    expect(kept.size).toBe(0);
  });

  it('what the database has stands there only', async () => {
    answer = away;
    const box = page();
    await Promise.all(['a', 'b', 'c'].map((author) => box.write(fields(author)).kept));
    expect(kept.size).toBe(0);
    expect(await new Device().waiting()).toHaveLength(3);
  });

  it('of thousands at once only the first are written twice, and the database has all of them', async () => {
    answer = away;
    const box = page();
    const all = Array.from({ length: 100 }, (_, index) => box.write(fields(`${index}`)).kept);
    expect(kept.size).toBe(20);
    await Promise.all(all);
    expect(kept.size).toBe(0);
    expect(await new Device().waiting()).toHaveLength(100);
  });
});

describe('two pages on one device', () => {
  it('tell each other what was sent', async () => {
    const [one, other] = [page(), page()];
    await Promise.all([one.start(), other.start()]);
    const heard: string[] = [];
    other.onSent = (taken) => heard.push(...taken.map(({ author }) => author));
    one.write(fields('a'));
    await until(() => heard.length > 0 && other.current().waiting.length === 0);
    await settled();
    expect(heard).toEqual(['a']);
    expect(other.current().waiting).toEqual([]);
  });
});
