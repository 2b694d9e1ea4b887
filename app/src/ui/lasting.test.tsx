import { act, renderHook } from '@testing-library/react-native';
import { useLasting } from './lasting';

describe('what lasts', () => {
  beforeEach(() => void jest.useFakeTimers());
  afterEach(() => void jest.useRealTimers());

  it('is said once it has lasted, not where it was over before, and no longer than it lasts', () => {
    const { result, rerender } = renderHook(({ now }: { now: boolean }) => useLasting(now, 2000), {
      initialProps: { now: true },
    });
    const pass = (time: number) => act(() => jest.advanceTimersByTime(time));
    pass(1900);
    expect(result.current).toBe(false);
    rerender({ now: false });
    pass(5000);
    expect(result.current).toBe(false);
    rerender({ now: true });
    pass(1900);
    expect(result.current).toBe(false);
    pass(200);
    expect(result.current).toBe(true);
    rerender({ now: false });
    expect(result.current).toBe(false);
    rerender({ now: true });
    expect(result.current).toBe(false);
  });

  it('is said without waiting where that is wanted, and then stays until it is over', () => {
    const { result, rerender } = renderHook(
      ({ now, atOnce }: { now: boolean; atOnce: boolean }) => useLasting(now, 2000, atOnce),
      { initialProps: { now: true, atOnce: true } },
    );
    expect(result.current).toBe(true);
    act(() => jest.advanceTimersByTime(10));
    rerender({ now: true, atOnce: false });
    expect(result.current).toBe(true);
    rerender({ now: false, atOnce: false });
    expect(result.current).toBe(false);
    rerender({ now: true, atOnce: false });
    expect(result.current).toBe(false);
  });
});
