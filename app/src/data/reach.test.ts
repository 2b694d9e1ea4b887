import { reach, watchReach } from './reach';

const NOW = Date.parse('2026-11-25T10:00:00Z');

beforeEach(() => {
  jest.useFakeTimers({ now: NOW });
  reach.answered(new Date(NOW).toUTCString());
});
afterEach(() => {
  reach.failed();
  jest.useRealTimers();
});

describe('where the device stands to the server', () => {
  it('is reached by an answer, with the time it was and how far the clocks are apart', () => {
    reach.failed();
    reach.answered(new Date(NOW + 300_000).toUTCString());
    expect(reach.current()).toEqual({ reached: true, at: NOW, skew: 300, storesNothing: undefined });
  });

  it('is not reached by a failure, and says as of when', () => {
    jest.setSystemTime(NOW + 5000);
    reach.failed();
    expect(reach.current()).toMatchObject({ reached: false, at: NOW });
  });

  it('keeps what it knew of the clock where an answer has no time', () => {
    reach.failed();
    reach.answered(new Date(NOW + 300_000).toUTCString());
    reach.failed();
    reach.answered(null);
    expect(reach.current()).toMatchObject({ reached: true, skew: 300 });
  });

  it('tells a change at once, and that all is as it was once a minute', () => {
    const told = jest.fn();
    const end = reach.subscribe(told);
    const answer = (after: number) => {
      jest.setSystemTime(NOW + after);
      reach.answered(new Date(NOW + after).toUTCString());
    };
    answer(10_000);
    answer(50_000);
    expect(told).not.toHaveBeenCalled();
    answer(61_000);
    expect(told).toHaveBeenCalledTimes(1);
    reach.failed();
    reach.failed();
    expect(told).toHaveBeenCalledTimes(2);
    end();
    reach.answered(new Date(NOW).toUTCString());
    expect(told).toHaveBeenCalledTimes(2);
  });
});

describe('a page that watches', () => {
  /** A server that is there or not. */
  function server() {
    const state = { there: true, asked: 0 };
    const ask = () => {
      state.asked += 1;
      if (!state.there) {
        reach.failed();
        return Promise.reject(new Error('away'));
      }
      reach.answered(new Date().toUTCString());
      return Promise.resolve();
    };
    return { state, ask };
  }

  it('asks when it opens, and then only while the server is away', () => {
    const { state, ask } = server();
    const end = watchReach(ask, () => undefined);
    expect(state.asked).toBe(1);
    jest.advanceTimersByTime(60_000);
    expect(state.asked).toBe(1);
    state.there = false;
    reach.failed();
    jest.advanceTimersByTime(30_000);
    expect(state.asked).toBe(4);
    end();
    jest.advanceTimersByTime(60_000);
    expect(state.asked).toBe(4);
  });

  it('is told once when the server is back', () => {
    const { state, ask } = server();
    const back = jest.fn();
    const end = watchReach(ask, back);
    expect(back).not.toHaveBeenCalled();
    state.there = false;
    reach.failed();
    jest.advanceTimersByTime(20_000);
    expect(back).not.toHaveBeenCalled();
    state.there = true;
    jest.advanceTimersByTime(10_000);
    expect(back).toHaveBeenCalledTimes(1);
    jest.advanceTimersByTime(60_000);
    expect(back).toHaveBeenCalledTimes(1);
    end();
  });

  it('believes the device that its network went, and asks when it came', () => {
    const target = new EventTarget();
    const known = { add: globalThis.addEventListener, remove: globalThis.removeEventListener };
    globalThis.addEventListener = target.addEventListener.bind(target) as typeof globalThis.addEventListener;
    globalThis.removeEventListener = target.removeEventListener.bind(
      target,
    ) as typeof globalThis.removeEventListener;
    try {
      const { state, ask } = server();
      const end = watchReach(ask, () => undefined);
      target.dispatchEvent(new Event('offline'));
      expect(reach.current().reached).toBe(false);
      target.dispatchEvent(new Event('online'));
      expect(state.asked).toBe(2);
      expect(reach.current().reached).toBe(true);
      end();
      target.dispatchEvent(new Event('offline'));
      expect(reach.current().reached).toBe(true);
    } finally {
      globalThis.addEventListener = known.add;
      globalThis.removeEventListener = known.remove;
    }
  });
});
