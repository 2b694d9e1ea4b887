import type { Surface } from '@fine-spray/contract';
import { QueryClientProvider } from '@tanstack/react-query';
import { act, renderHook } from '@testing-library/react-native';
import type { ReactNode } from 'react';
import { keys, makeQueryClient } from '@/data/resources';
import { useSurfaceDraft } from './useSurfaceDraft';

const ID = '01930000-0000-7000-8000-00000000000a';
const row: Surface = {
  id: ID,
  version: 3,
  createdAt: '2026-01-01T00:00:00.000Z',
  updatedAt: '2026-01-01T00:00:00.000Z',
  jobId: ID,
  placeId: null,
  part: '',
  name: 'North wall',
  room: '',
  position: 0,
  element: 'wall',
  side: 'inside',
  kind: 'smooth-board',
  condition: 'sealed',
  state: null,
  wind: 'calm',
  geometry: { shape: 'rectangle', width: 4, height: 2.4, count: 1, openings: [] },
  coatingId: ID,
  coats: 2,
  thinning: 0,
  under: [],
  tip: null,
};

type Sent = Record<string, unknown> & { version: number };
const sent: Sent[] = [];
let answer: (body: Sent) => { status: number; body: unknown };
const original = globalThis.fetch;

beforeEach(() => {
  jest.useFakeTimers();
  sent.length = 0;
  answer = (body) => ({ status: 200, body: { ...row, ...body, version: body.version + 1 } });
  globalThis.fetch = jest.fn((_url: string, init: RequestInit) => {
    const body = JSON.parse(init.body as string) as Sent;
    sent.push(body);
    const said = answer(body);
    return Promise.resolve({
      status: said.status,
      ok: said.status < 300,
      json: () => Promise.resolve(said.body),
    });
  }) as unknown as typeof fetch;
});
afterEach(() => {
  jest.useRealTimers();
  globalThis.fetch = original;
});

function draft() {
  const client = makeQueryClient();
  client.setQueryData(keys.ofJob('surfaces', ID), [row]);
  const wrapper = ({ children }: { children: ReactNode }) => (
    <QueryClientProvider client={client}>{children}</QueryClientProvider>
  );
  const { result } = renderHook(() => useSurfaceDraft(row), { wrapper });
  return { result, cached: () => client.getQueryData<Surface[]>(keys.ofJob('surfaces', ID))?.[0] };
}
const later = (ms: number) => act(() => jest.advanceTimersByTimeAsync(ms));

describe('a surface being edited', () => {
  it('answers at once and is stored with its version; the list follows', async () => {
    const { result, cached } = draft();
    act(() => result.current.change({ coats: 3 }));
    expect(result.current.draft.coats).toBe(3);
    await later(1000);
    expect(sent).toEqual([expect.objectContaining({ coats: 3, version: 3 })]);
    expect(cached()).toMatchObject({ coats: 3, version: 4 });
    act(() => result.current.change({ coats: 4 }));
    await later(1000);
    expect(sent[1]).toMatchObject({ coats: 4, version: 4 });
  });

  it('is not stored while it cannot be: the sentence stands at the field', async () => {
    const { result } = draft();
    act(() => result.current.change({ name: '' }));
    await later(5000);
    expect(sent).toEqual([]);
    expect(result.current.errors['name']).toBe('Surface name is missing.');
    expect(result.current.held).toBe(true);
    act(() => result.current.change({ name: 'Wall' }));
    await later(1000);
    expect(sent).toHaveLength(1);
    expect(result.current.held).toBe(false);
  });

  it('keeps mine or takes theirs after a conflict', async () => {
    const theirs = { ...row, version: 7, name: 'Theirs' };
    answer = (body) =>
      body.version === 7
        ? { status: 200, body: { ...row, ...body, version: 8 } }
        : {
            status: 409,
            body: { type: 't', title: 't', status: 409, detail: 'Changed.', errors: [], current: theirs },
          };
    const { result } = draft();
    act(() => result.current.change({ name: 'Mine' }));
    await later(1000);
    expect(result.current.saveState.kind).toBe('conflict');
    act(() => result.current.resolve('mine'));
    await later(1000);
    expect(sent[sent.length - 1]).toMatchObject({ name: 'Mine', version: 7 });
    expect(result.current.saveState.kind).toBe('saved');
  });

  it('takes theirs without sending anything', async () => {
    const theirs = { ...row, version: 7, name: 'Theirs' };
    answer = () => ({
      status: 409,
      body: { type: 't', title: 't', status: 409, detail: 'Changed.', errors: [], current: theirs },
    });
    const { result } = draft();
    act(() => result.current.change({ name: 'Mine' }));
    await later(1000);
    act(() => result.current.resolve('theirs'));
    await later(5000);
    expect(result.current.draft.name).toBe('Theirs');
    expect(sent).toHaveLength(1);
  });

  it('comes back over what is left of it when it was deleted elsewhere, or is let go', async () => {
    const left = { id: row.id, version: 5, deletedAt: '2026-11-20T08:00:00.000Z' };
    answer = (body) =>
      body.version === 5
        ? { status: 200, body: { ...row, ...body, version: 6 } }
        : {
            status: 409,
            body: { type: 't', title: 't', status: 409, detail: 'Deleted.', errors: [], current: left },
          };
    const { result } = draft();
    act(() => result.current.change({ name: 'Mine' }));
    await later(1000);
    act(() => result.current.resolve('mine'));
    await later(1000);
    expect(sent[sent.length - 1]).toMatchObject({ name: 'Mine', version: 5 });
    expect([result.current.saveState.kind, result.current.storedVersion()]).toEqual(['saved', 6]);
    const other = draft();
    act(() => other.result.current.change({ name: 'Mine' }));
    await later(1000);
    const before = sent.length;
    act(() => other.result.current.resolve('theirs'));
    await later(5000);
    expect([sent.length, other.result.current.saveState.kind]).toEqual([before, 'saved']);
  });

  it('is stored through before it is deleted: flushing waits for a write that is on its way', async () => {
    let done: () => void = () => undefined;
    const on = new Promise<void>((resolve) => (done = resolve));
    const real = globalThis.fetch;
    globalThis.fetch = async (...given: Parameters<typeof fetch>) => {
      await on;
      return real(...given);
    };
    const { result } = draft();
    act(() => result.current.change({ coats: 3 }));
    await later(1000);
    act(() => result.current.change({ coats: 4 }));
    const flushed = result.current.flush(false);
    await act(async () => {
      done();
      await flushed;
    });
    expect(sent.map(({ version }) => version)).toEqual([row.version, result.current.storedVersion() - 1]);
    expect(result.current.saveState.kind).toBe('saved');
  });
});
