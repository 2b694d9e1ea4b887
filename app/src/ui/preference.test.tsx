import { act, renderHook } from '@testing-library/react-native';
import { playStorage } from '@/testing/deviceStorage';
import { usePreference, usePreferenceText } from './preference';

let kept = new Map<string, string>();
const listeners = new Set<() => void>();
const put = (name: string, value: unknown) =>
  Object.defineProperty(globalThis, name, { configurable: true, writable: true, value });
const before = { add: globalThis.addEventListener, remove: globalThis.removeEventListener };

beforeEach(() => {
  kept = playStorage();
  put('addEventListener', (_kind: string, listener: () => void) => listeners.add(listener));
  put('removeEventListener', (_kind: string, listener: () => void) => listeners.delete(listener));
});
afterEach(() => {
  put('addEventListener', before.add);
  put('removeEventListener', before.remove);
});

const units = () => renderHook(() => usePreference('units', 'metric', ['metric', 'us'])).result;

describe('a choice of a device', () => {
  it('is the same wherever it is asked for on a page', () => {
    const [one, other] = [units(), units()];
    act(() => one.current[1]('us'));
    expect([one.current[0], other.current[0]]).toEqual(['us', 'us']);
    expect(units().current[0]).toBe('us');
  });

  it('follows another page at once', () => {
    const here = units();
    expect(here.current[0]).toBe('metric');
    kept.set('fine-spray.units', 'us');
    act(() => listeners.forEach((listener) => listener()));
    expect(here.current[0]).toBe('us');
  });

  it('holds until the page is closed where nothing can be kept, and is never one there is not', () => {
    const setItem = jest.spyOn(globalThis.localStorage, 'setItem').mockImplementation(() => {
      throw new Error('full');
    });
    const here = units();
    act(() => here.current[1]('us'));
    expect([here.current[0], kept.size]).toEqual(['us', 0]);
    setItem.mockRestore();
    act(() => here.current[1]('metric'));
    kept.set('fine-spray.units', 'cubits');
    expect(units().current[0]).toBe('metric');
    expect(renderHook(() => usePreferenceText('writer', 'WR')).result.current[0]).toBe('WR');
  });
});
