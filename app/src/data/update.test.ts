import { update } from './update';

const worker = (state: ServiceWorkerState) => ({ state, postMessage: jest.fn() });

describe('taking over by a new version', () => {
  beforeEach(() => jest.useFakeTimers());
  afterEach(() => {
    jest.advanceTimersByTime(60_000);
    jest.useRealTimers();
    delete (globalThis as { fineSprayUpdate?: unknown }).fineSprayUpdate;
  });

  const put = (one: unknown) => Object.assign(globalThis, { fineSprayUpdate: one });

  it('asks until the worker has taken over, once for two taps, and no more after it', () => {
    const waiting = worker('installed');
    put(waiting);
    expect(update.ready()).toBe(true);
    update.use();
    update.use();
    expect(waiting.postMessage).toHaveBeenCalledTimes(1);
    jest.advanceTimersByTime(4_100);
    expect(waiting.postMessage).toHaveBeenCalledTimes(3);
    waiting.state = 'redundant';
    jest.advanceTimersByTime(20_000);
    expect(waiting.postMessage).toHaveBeenCalledTimes(3);
    waiting.state = 'installed';
    update.use();
    expect(waiting.postMessage).toHaveBeenCalledTimes(4);
    waiting.state = 'redundant';
  });

  it('asks nothing where no version waits', () => {
    expect(update.ready()).toBe(false);
    update.use();
    expect(jest.getTimerCount()).toBe(0);
  });
});
