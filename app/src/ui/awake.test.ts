import { renderHook } from '@testing-library/react-native';
import { useAwake } from './awake';

describe('a screen that is to stay on', () => {
  const device: Record<string, unknown> = {};
  const before = Object.getOwnPropertyDescriptor(globalThis, 'navigator');
  const listeners = new Map<string, () => void>();
  const page = { visibilityState: 'visible' as 'visible' | 'hidden' };
  const locks: { on: boolean }[] = [];
  const held = () => locks.filter(({ on }) => on).length;
  let refuses = false;
  beforeEach(() => {
    Object.defineProperty(globalThis, 'navigator', { value: device, configurable: true });
    locks.length = 0;
    refuses = false;
    page.visibilityState = 'visible';
    listeners.clear();
    device['wakeLock'] = {
      request: () => {
        if (refuses) return Promise.reject(new Error('battery is low'));
        const lock = { on: true };
        locks.push(lock);
        return Promise.resolve({
          release: () => {
            lock.on = false;
            return Promise.resolve();
          },
        });
      },
    };
    (globalThis as { document?: unknown }).document = Object.assign(page, {
      addEventListener: (name: string, listener: () => void) => listeners.set(name, listener),
      removeEventListener: (name: string) => listeners.delete(name),
    });
  });
  afterEach(() => {
    delete device['wakeLock'];
    Object.defineProperty(globalThis, 'navigator', before ?? { value: undefined, configurable: true });
    delete (globalThis as { document?: unknown }).document;
  });
  const settled = () => new Promise((resolve) => setTimeout(resolve, 0));

  it('is held while it is wanted, and let go', async () => {
    const { rerender, unmount } = renderHook(({ on }: { on: boolean }) => useAwake(on), {
      initialProps: { on: false },
    });
    await settled();
    expect(held()).toBe(0);
    rerender({ on: true });
    await settled();
    expect(held()).toBe(1);
    rerender({ on: false });
    await settled();
    expect([held(), listeners.size]).toEqual([0, 0]);
    rerender({ on: true });
    // Gone before it was given: it is let go as soon as it comes.
    unmount();
    await settled();
    expect(held()).toBe(0);
  });

  it('is asked for again when the page is back, and not while it is hidden', async () => {
    const { unmount } = renderHook(() => useAwake());
    await settled();
    // The device lets go of it when the page is hidden.
    for (const lock of locks) lock.on = false;
    page.visibilityState = 'hidden';
    listeners.get('visibilitychange')?.();
    await settled();
    expect(held()).toBe(0);
    page.visibilityState = 'visible';
    listeners.get('visibilitychange')?.();
    await settled();
    expect(held()).toBe(1);
    unmount();
  });

  it('goes off as usual where the device refuses or cannot', async () => {
    refuses = true;
    const refused = renderHook(() => useAwake());
    await settled();
    delete device['wakeLock'];
    const without = renderHook(() => useAwake());
    await settled();
    expect(held()).toBe(0);
    refused.unmount();
    without.unmount();
  });
});
