import type { EntryFields } from '@fine-spray/contract';
import { Outbox } from './outbox';

const fields = (author: string): EntryFields => ({
  kind: 'fan measured',
  at: '2026-11-20T08:00:00.000Z',
  author,
  jobId: null,
  surfaceId: null,
  replaces: null,
  payload: { tipId: '01930000-0000-7000-8000-000000000018', width: 0.24, distance: 0.305 },
});

const kept = new Map<string, string>();
let answer: (url: string, body: { author: string }) => { status: number; body: unknown };
const seen: { id: string; author: string }[] = [];

beforeEach(() => {
  kept.clear();
  seen.length = 0;
  Object.defineProperty(globalThis, 'localStorage', {
    configurable: true,
    value: {
      getItem: (key: string) => kept.get(key) ?? null,
      setItem: (key: string, value: string) => void kept.set(key, value),
      removeItem: (key: string) => void kept.delete(key),
    },
  });
  answer = (url, body) => ({ status: 200, body: { ...body, id: url.split('/').pop(), version: 1 } });
  globalThis.fetch = ((url: string, { body }: { body: string }) => {
    const sent = JSON.parse(body) as { author: string };
    const { status, body: said } = answer(url, sent);
    if (status === 0) return Promise.reject(new Error('away'));
    if (status === 200) seen.push({ id: url.split('/').pop() ?? '', author: sent.author });
    return Promise.resolve({ ok: status === 200, status, json: () => Promise.resolve(said) });
  }) as unknown as typeof fetch;
  jest.useFakeTimers();
});
afterEach(() => jest.useRealTimers());

const settle = async () => {
  for (let turn = 0; turn < 30; turn += 1) await Promise.resolve();
};

describe('the outbox', () => {
  it('sends what is added in its order and keeps nothing afterwards', async () => {
    const box = new Outbox();
    const sent: string[] = [];
    box.onSent = ({ id }) => sent.push(id);
    const ids = ['a', 'b', 'c'].map((author) => box.add(fields(author)));
    await settle();
    expect(seen.map(({ author }) => author)).toEqual(['a', 'b', 'c']);
    expect(sent).toEqual(ids);
    expect(box.current().waiting).toEqual([]);
    expect(kept.size).toBe(0);
  });

  it('keeps what cannot be sent on the device, tries again, and finds it after a reload', async () => {
    answer = () => ({ status: 0, body: undefined });
    const box = new Outbox();
    box.add(fields('a'));
    box.add(fields('b'));
    await settle();
    expect(box.current().waiting).toHaveLength(2);
    const reloaded = new Outbox();
    expect(reloaded.current().waiting.map((one) => one.fields.author)).toEqual(['a', 'b']);
    answer = (url, body) => ({ status: 200, body: { ...body, id: url.split('/').pop(), version: 1 } });
    jest.advanceTimersByTime(5001);
    await settle();
    expect(box.current().waiting).toEqual([]);
    await reloaded.send();
    // The same ids again: to the server a repeat of the same writes.
    expect(new Set(seen.map(({ id }) => id)).size).toBe(2);
  });

  it('keeps what the server does not take, with the reason, and goes on with the rest', async () => {
    answer = (url, body) =>
      body.author === 'bad'
        ? {
            status: 422,
            body: { type: 'urn:x', title: 'No', status: 422, detail: 'It cannot be so.', errors: [] },
          }
        : { status: 200, body: { ...body, id: url.split('/').pop(), version: 1 } };
    const box = new Outbox();
    box.add(fields('bad'));
    box.add(fields('good'));
    await settle();
    expect(seen.map(({ author }) => author)).toEqual(['good']);
    expect(box.current().waiting).toMatchObject([{ refused: 'It cannot be so.' }]);
  });

  it('takes back what has not gone yet, and leaves aside what is kept but is no entry', async () => {
    answer = () => ({ status: 0, body: undefined });
    kept.set('fine-spray.kept.outbox', JSON.stringify([{ id: 'x', fields: { kind: 'old' } }, 7]));
    const box = new Outbox();
    expect(box.current().waiting).toEqual([]);
    const id = box.add(fields('a'));
    await settle();
    expect([box.takeBack(id), box.takeBack(id)]).toEqual([true, false]);
    expect(box.current().waiting).toEqual([]);
  });

  it('says when the device takes no more', async () => {
    answer = () => ({ status: 0, body: undefined });
    globalThis.localStorage.setItem = () => {
      throw new Error('full');
    };
    const box = new Outbox();
    box.add(fields('a'));
    await settle();
    expect(box.current()).toMatchObject({ full: true, waiting: [{ fields: { author: 'a' } }] });
  });
});
