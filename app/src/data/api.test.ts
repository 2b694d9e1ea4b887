import { waitFor } from '@testing-library/react-native';
import { NotOurs, Refused, Unreachable, call } from './api';
import { reach } from './reach';

const answer = (status: number, body?: unknown) => {
  globalThis.fetch = jest.fn(() =>
    Promise.resolve({
      status,
      ok: status < 300,
      json: () => (body === undefined ? Promise.reject(new Error('no body')) : Promise.resolve(body)),
    }),
  ) as unknown as typeof fetch;
};
const original = globalThis.fetch;
afterEach(() => {
  globalThis.fetch = original;
});

describe('calling the API', () => {
  it('gives the answer, or nothing for 204', async () => {
    answer(200, { items: [] });
    expect(await call('GET', '/api/jobs')).toEqual({ items: [] });
    answer(204);
    expect(await call('DELETE', '/api/jobs/1')).toBeUndefined();
  });

  it('throws what the server refused, with its fields', async () => {
    const errors = [{ field: 'name', message: 'Job name is missing.', code: 'custom' }];
    answer(422, { type: 't', title: 't', status: 422, detail: 'Job name is missing.', errors });
    await expect(call('PUT', '/api/jobs/1', {})).rejects.toMatchObject({
      message: 'Job name is missing.',
      errors,
    });
    await expect(call('PUT', '/api/jobs/1', {})).rejects.toBeInstanceOf(Refused);
  });

  it('says the server does not answer when it is away, and only then', async () => {
    globalThis.fetch = jest.fn(() => Promise.reject(new TypeError('fetch failed')));
    await expect(call('GET', '/api/jobs')).rejects.toBeInstanceOf(Unreachable);
    answer(502, '<html>');
    await expect(call('GET', '/api/jobs')).rejects.toBeInstanceOf(NotOurs);
    answer(200);
    await expect(call('GET', '/api/jobs')).rejects.toBeInstanceOf(NotOurs);
    const detail = 'The database does not answer. Try again in a moment.';
    answer(503, { type: 't', title: 't', status: 503, detail, errors: [] });
    await expect(call('GET', '/api/jobs')).rejects.toMatchObject({ message: detail });
  });

  it('knows that the server stores nothing for want of room, until a write is taken', async () => {
    const detail = 'The disk of the server is full.';
    answer(507, { type: 't', title: 't', status: 507, detail, errors: [] });
    await expect(call('PUT', '/api/jobs/1', {})).rejects.toBeInstanceOf(Refused);
    expect(reach.current().storesNothing).toBe(detail);
    answer(200, { items: [] });
    // Reading works on a full disk.
    await call('GET', '/api/jobs');
    expect(reach.current().storesNothing).toBe(detail);
    await call('PUT', '/api/jobs/1', {});
    expect(reach.current().storesNothing).toBeUndefined();
  });

  it('that nobody waits for any more says nothing of the server', async () => {
    const gone = Object.assign(new Error('gone'), { name: 'AbortError' });
    globalThis.fetch = jest.fn(() => Promise.reject(gone));
    await expect(call('GET', '/api/jobs')).rejects.toBe(gone);
  });

  it('ends a call whose line is dead without saying so, with what it would say of a server that is away', async () => {
    const dead = new AbortController();
    const timeout = jest.spyOn(AbortSignal, 'timeout').mockReturnValue(dead.signal);
    const silent = (_path: string, { signal }: RequestInit) =>
      new Promise((_resolve, reject) =>
        signal?.addEventListener('abort', () => reject(signal.reason as Error)),
      );
    globalThis.fetch = jest.fn(silent) as unknown as typeof fetch;
    reach.answered(null);
    const calls = [
      call('GET', '/api/jobs', undefined, { signal: new AbortController().signal }),
      call('PUT', '/api/jobs/1', {}),
    ];
    await waitFor(() => expect(globalThis.fetch).toHaveBeenCalledTimes(2));
    dead.abort(new DOMException('late', 'TimeoutError'));
    for (const one of calls) await expect(one).rejects.toBeInstanceOf(Unreachable);
    expect(reach.current().reached).toBe(false);
    // What carries a file has longer.
    void call('PUT', '/api/pictures/1', new Blob(['x'])).catch(() => undefined);
    const longest = timeout.mock.calls.map(([ms]) => ms);
    const [page = 0, , file = 0] = longest;
    expect([longest.length, page > 10_000, file > page]).toEqual([3, true, true]);
    timeout.mockRestore();
  });
});
