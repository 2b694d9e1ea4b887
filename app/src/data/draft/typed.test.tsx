import { hoseFields } from '@fine-spray/contract';
import { act, renderHook } from '@testing-library/react-native';
import { useCallback } from 'react';
import { playStorage } from '@/testing/deviceStorage';
import { useDraft, useForm } from '.';

jest.mock('@/data/may', () => ({ useMay: () => true }));

let kept = new Map<string, string>();
beforeEach(() => {
  kept = playStorage();
  jest.useFakeTimers();
});
afterEach(() => jest.useRealTimers());

interface Row {
  readonly name: string;
  readonly size: number;
}
const row: Row = { name: 'North wall', size: 4 };

/** A page that is open on a row; saving goes on for ever unless it is told how. */
function page(
  save: (content: Row, version: number) => Promise<number> = () => new Promise(() => undefined),
  now: { content: Row; version: number } = { content: row, version: 3 },
) {
  return renderHook(() =>
    useDraft<Row>({
      rowId: 'row',
      first: now.content,
      version: now.version,
      check: useCallback(
        ({ name }: Row): Record<string, string> => (name === '' ? { name: 'Name is missing.' } : {}),
        [],
      ),
      save,
      read: (current) => current as { content: Row; version: number },
      capability: 'plans',
    }),
  );
}
const later = (ms: number) => act(() => jest.advanceTimersByTimeAsync(ms));

describe('what is typed', () => {
  it('outlives a page that goes before it is stored, and is stored by the next over the version it was typed on', async () => {
    const first = page();
    act(() => first.result.current.change({ size: 6 }));
    // A moment later the page is gone: nothing was stored, not even begun.
    first.unmount();
    const saved: unknown[] = [];
    const next = page((content, version) => {
      saved.push([content, version]);
      return Promise.resolve(version + 1);
    });
    expect(next.result.current.draft).toEqual({ ...row, size: 6 });
    expect(next.result.current.saveState.kind).not.toBe('saved');
    await later(1000);
    expect(saved).toEqual([[{ ...row, size: 6 }, 3]]);
    expect(next.result.current.saveState.kind).toBe('saved');
    next.unmount();
    expect(page().result.current.draft).toEqual(row);
  });

  it('is kept while it cannot be stored as it is, and says so when it is opened again', () => {
    const first = page();
    act(() => first.result.current.change({ name: '' }));
    first.unmount();
    const { result } = page();
    expect(result.current.draft.name).toBe('');
    expect(result.current.errors).toEqual({ name: 'Name is missing.' });
    expect(result.current.held).toBe(true);
    act(() => result.current.undo());
    expect([result.current.draft, result.current.held]).toEqual([row, false]);
  });

  it('is forgotten where it arrived after all', async () => {
    const first = page();
    act(() => first.result.current.change({ size: 6 }));
    first.unmount();
    // The last write of that page reached the server.
    const save = jest.fn(() => Promise.resolve(5));
    const next = page(save, { content: { size: 6, name: 'North wall' }, version: 4 });
    await later(2000);
    expect(next.result.current.draft).toEqual({ ...row, size: 6 });
    expect(save).not.toHaveBeenCalled();
    expect(kept.size).toBe(0);
  });

  it('is kept of what came while the rest was being stored', async () => {
    let done: (version: number) => void = () => undefined;
    const first = page(() => new Promise((resolve) => (done = resolve)));
    act(() => first.result.current.change({ size: 6 }));
    await later(500);
    act(() => first.result.current.change({ size: 7 }));
    await act(() => {
      done(4);
      return Promise.resolve();
    });
    first.unmount();
    const saved: unknown[] = [];
    const next = page(
      (content, version) => {
        saved.push([content, version]);
        return Promise.resolve(version + 1);
      },
      { content: { ...row, size: 6 }, version: 4 },
    );
    expect(next.result.current.draft.size).toBe(7);
    await later(1000);
    expect(saved).toEqual([[{ ...row, size: 7 }, 4]]);
  });
});

describe('a form that is left', () => {
  const first = { name: 'Whip', length: 1.5, bore: 0.005, maxPressure: 2.5e7, fitting: '1/4' };
  const form = () => renderHook(() => useForm({ schema: hoseFields, first, keptAs: 'hose' }));

  it('has what was typed when it is opened again, until it is stored or dropped', async () => {
    const one = form();
    expect(one.result.current.kept).toBe(false);
    act(() => one.result.current.change({ name: 'Long one' }));
    one.unmount();
    const two = form();
    expect(two.result.current).toMatchObject({ kept: true, changed: true });
    expect(two.result.current.content.name).toBe('Long one');
    act(() => two.result.current.drop());
    expect(two.result.current.content).toEqual(first);
    act(() => two.result.current.change({ name: 'Longer' }));
    await act(() => two.result.current.submit(() => undefined));
    two.unmount();
    expect(form().result.current).toMatchObject({ kept: false, content: first });
  });

  it('keeps what was typed alone: what a colleague changed beside it meanwhile stands', () => {
    const open = (row: typeof first) =>
      renderHook(() => useForm({ schema: hoseFields, first: row, keptAs: 'hose' }));
    const one = open(first);
    act(() => one.result.current.change({ name: 'Long one' }));
    one.unmount();
    const two = open(first);
    act(() => two.result.current.change({ name: 'Longer' }));
    two.unmount();
    expect(open({ ...first, length: 15 }).result.current.content).toEqual({
      ...first,
      name: 'Longer',
      length: 15,
    });
  });

  it('keeps what was typed where storing failed', async () => {
    const one = form();
    act(() => one.result.current.change({ name: 'Long one' }));
    await act(() => one.result.current.submit(() => Promise.reject(new Error('no room'))));
    one.unmount();
    expect(form().result.current.content.name).toBe('Long one');
  });
});
