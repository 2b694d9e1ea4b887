import type { Problem } from '@fine-spray/contract';
import { act, renderHook } from '@testing-library/react-native';
import { Refused, Unreachable } from '@/data/api';
import { useAutosave } from './useAutosave';

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

const later = (ms: number) => act(() => jest.advanceTimersByTimeAsync(ms));
const stale: Problem = {
  type: 'x',
  title: 'x',
  status: 409,
  detail: 'Changed elsewhere.',
  errors: [],
  current: { version: 2 },
};

const refused = (status: number) => new Refused({ type: 'x', title: 'x', status, detail: 'No.', errors: [] });

describe('autosave', () => {
  it('stores the last of several quick changes once', async () => {
    const save = jest.fn(() => Promise.resolve());
    const { result } = renderHook(() => useAutosave<string>(save));
    act(() => ['a', 'ab', 'abc'].forEach((draft) => result.current.change(draft)));
    expect(result.current.state.kind).toBe('saving');
    await later(1000);
    expect(save.mock.calls).toEqual([['abc', false]]);
    expect(result.current.state.kind).toBe('saved');
  });

  it('never has two writes under way, and stores what came meanwhile', async () => {
    let finish: () => void = () => undefined;
    const save = jest.fn(() => new Promise<void>((resolve) => (finish = resolve)));
    const { result } = renderHook(() => useAutosave<string>(save));
    act(() => result.current.change('one'));
    await later(1000);
    act(() => result.current.change('two'));
    await later(1000);
    expect(save).toHaveBeenCalledTimes(1);
    act(() => finish());
    await later(0);
    expect(save).toHaveBeenLastCalledWith('two', false);
  });

  it('keeps a change while the server is away and stores it when it is back', async () => {
    let away = true;
    const save = jest.fn(() => (away ? Promise.reject(new Unreachable()) : Promise.resolve()));
    const { result } = renderHook(() => useAutosave<string>(save));
    act(() => result.current.change('kept'));
    await later(1000);
    expect(result.current.state).toMatchObject({ kind: 'waiting' });
    away = false;
    await later(5000);
    expect(save).toHaveBeenLastCalledWith('kept', false);
    expect(result.current.state.kind).toBe('saved');
  });

  it('tries again where the server has no room or its database is away, and not where it says no', async () => {
    let status = 507;
    const save = jest.fn(() => (status === 0 ? Promise.resolve() : Promise.reject(refused(status))));
    const { result } = renderHook(() => useAutosave<string>(save));
    act(() => result.current.change('kept'));
    await later(1000);
    expect(result.current.state.kind).toBe('waiting');
    status = 422;
    await later(5000);
    expect(save).toHaveBeenCalledTimes(2);
    status = 0;
    await later(20_000);
    expect(save).toHaveBeenCalledTimes(2);
    act(() => result.current.change('put right'));
    await later(1000);
    expect(result.current.state.kind).toBe('saved');
  });

  it('shows a conflict and does not try again by itself', async () => {
    const save = jest.fn(() => Promise.reject(new Refused(stale)));
    const { result } = renderHook(() => useAutosave<string>(save));
    act(() => result.current.change('mine'));
    await later(20_000);
    expect(save).toHaveBeenCalledTimes(1);
    expect(result.current.state).toMatchObject({ kind: 'conflict', problem: { current: { version: 2 } } });
    act(() => result.current.drop());
    expect(result.current.state.kind).toBe('saved');
  });

  it('stores what waits when the screen is left', async () => {
    const save = jest.fn(() => Promise.resolve());
    const { result, unmount } = renderHook(() => useAutosave<string>(save));
    act(() => result.current.change('last words'));
    unmount();
    await later(0);
    expect(save).toHaveBeenCalledWith('last words', true);
  });
});
