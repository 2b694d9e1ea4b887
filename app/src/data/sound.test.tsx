import { RESOURCES, USUAL_BOOK } from '@fine-spray/contract';
import { QueryClientProvider } from '@tanstack/react-query';
import { act, renderHook, waitFor } from '@testing-library/react-native';
import type { ReactNode } from 'react';
import '@/data/rowChecks';
import { coatingRow, hoseRow, row } from '@/testing/rows';
import { makeQueryClient, useCompany, useList, useWrites, keys } from './resources';
import { useUnreadable } from './sound';

const id = (last: number) => `01930000-0000-7000-8000-00000000000${last}`;
const good = coatingRow(id(1), 'Matt', 'wall-matt');
const bad = {
  ...coatingRow(id(2), 'Half a coating', 'wall-matt'),
  overrides: { density: { value: 'thick' } },
};

const answers = new Map<string, unknown>();
const original = globalThis.fetch;
beforeEach(() => {
  answers.clear();
  globalThis.fetch = ((url: string) =>
    Promise.resolve({
      ok: answers.has(url),
      status: answers.has(url) ? 200 : 404,
      json: () => Promise.resolve(answers.get(url)),
    })) as unknown as typeof fetch;
});
afterEach(() => {
  globalThis.fetch = original;
});

function inClient(client = makeQueryClient()) {
  const wrapper = ({ children }: { children: ReactNode }) => (
    <QueryClientProvider client={client}>{children}</QueryClientProvider>
  );
  return { client, wrapper };
}
const useCoatings = () => ({ list: useList('coatings'), unreadable: useUnreadable() });

describe('rows that are not as their schema says', () => {
  it('are left out of what the server answered, and named once', async () => {
    answers.set('/api/coatings', { items: [good, bad], unreadable: [] });
    const { result, unmount } = renderHook(useCoatings, inClient());
    await waitFor(() => expect(result.current.list.data).toEqual([good]));
    await waitFor(() =>
      expect(result.current.unreadable).toEqual([
        expect.objectContaining({
          id: bad.id,
          name: 'Half a coating',
          why: expect.stringMatching(/density/) as string,
        }),
      ]),
    );
    unmount();
  });

  it('are left out of what the device kept', async () => {
    const { client, wrapper } = inClient();
    client.setQueryData(keys.list('coatings'), [bad, good], { updatedAt: 0 });
    answers.set('/api/coatings', { items: [good], unreadable: [] });
    const { result } = renderHook(useCoatings, { wrapper });
    expect(result.current.list.data).toEqual([good]);
    await waitFor(() => expect(result.current.unreadable).toEqual([]));
  });

  it('are said where the server could not read them', async () => {
    answers.set('/api/hoses', {
      items: [hoseRow(id(3), 'Short one')],
      unreadable: [
        { id: id(4), name: 'Long one', why: 'Inside diameter must be between 1/8 and 1 in. (bore)' },
      ],
    });
    const { result } = renderHook(
      () => ({ list: useList('hoses'), unreadable: useUnreadable() }),
      inClient(),
    );
    await waitFor(() => expect(result.current.unreadable.map(({ name }) => name)).toEqual(['Long one']));
    expect(result.current.list.data).toHaveLength(1);
  });

  it('by themselves are a failure that says so, not "the server does not answer"', async () => {
    answers.set('/api/company', { id: id(5), name: 7 });
    const { result } = renderHook(useCompany, inClient());
    await waitFor(() =>
      expect(result.current.error?.message).toMatch(/in a way this program cannot read: .*name/),
    );
    answers.set(`/api/coatings/${bad.id}`, bad);
    const writes = renderHook(() => useWrites('coatings'), inClient());
    await act(() =>
      expect(writes.result.current.put({ id: bad.id, content: {} })).rejects.toThrow(/cannot read/),
    );
  });

  it('have a schema for every resource', () => {
    for (const { row } of Object.values(RESOURCES)) expect(row.safeParse({ id: 'x' }).success).toBe(false);
  });
});

it('a company that this device kept since an older program has what its book has got since', () => {
  const older = { intro: 'Hello.', terms: '', validDays: 14 };
  const kept = { ...row, id: id(5), name: 'Millrace', book: { ...USUAL_BOOK, offer: older } };
  const { client, wrapper } = inClient();
  answers.set('/api/company', kept);
  client.setQueryData(keys.company, kept, { updatedAt: 0 });
  const { result, unmount } = renderHook(() => useCompany(), { wrapper });
  expect(result.current.data?.book?.offer).toEqual({ ...older, blocks: [], payments: [], numbers: 'en' });
  unmount();
});
