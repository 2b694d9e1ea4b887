import { act, renderHook } from '@testing-library/react-native';
import { useBeat } from '@/ui/beat';

describe('a beat that runs', () => {
  const buzzed: number[] = [];
  const device: Record<string, unknown> = {};
  const before = Object.getOwnPropertyDescriptor(globalThis, 'navigator');
  beforeEach(() => {
    Object.defineProperty(globalThis, 'navigator', { value: device, configurable: true });
    jest.useFakeTimers();
    buzzed.length = 0;
    device['vibrate'] = (ms: number) => buzzed.push(ms);
  });
  afterEach(() => {
    jest.useRealTimers();
    delete device['vibrate'];
    Object.defineProperty(globalThis, 'navigator', before ?? { value: undefined, configurable: true });
  });
  const told = { sound: true, vibration: true };
  const beat = (vibration = true) =>
    renderHook(({ interval }: { interval: number }) => useBeat(interval, 2, { ...told, vibration }), {
      initialProps: { interval: 1.75 },
    });

  it('counts by the clock, the first of each stroke longer, and stands still when it is stopped', () => {
    const { result } = beat();
    expect([result.current.running, result.current.count]).toEqual([false, undefined]);
    act(() => result.current.toggle());
    expect(result.current.count).toBe(0);
    act(() => jest.advanceTimersByTime(1750 * 3));
    expect(result.current.count).toBe(3);
    expect(buzzed).toEqual([90, 40, 90, 40]);
    act(() => result.current.toggle());
    act(() => jest.advanceTimersByTime(10_000));
    expect([result.current.count, buzzed.length]).toEqual([undefined, 4]);
  });

  it('begins anew with another speed, and says nothing on a screen that is left', () => {
    const { result, rerender, unmount } = beat(false);
    act(() => result.current.toggle());
    act(() => jest.advanceTimersByTime(1750));
    expect(result.current.count).toBe(1);
    rerender({ interval: 1 });
    expect(result.current.count).toBe(0);
    act(() => jest.advanceTimersByTime(2000));
    expect(result.current.count).toBe(2);
    unmount();
    expect(() => jest.advanceTimersByTime(5000)).not.toThrow();
    expect(buzzed).toEqual([]);
  });
});
