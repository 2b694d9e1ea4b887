import { QueryClient } from '@tanstack/react-query';
import { whenSettled } from './settled';

/** A page that has asked for so many things, and how each comes. */
function page(count: number) {
  const client = new QueryClient({ defaultOptions: { queries: { retry: false, gcTime: Infinity } } });
  const comes: ((how: 'here' | 'failed') => void)[] = [];
  for (let index = 0; index < count; index += 1)
    void client
      .query({
        queryKey: [index],
        queryFn: () =>
          new Promise<number>((resolve, reject) =>
            comes.push((how) => (how === 'here' ? resolve(index) : reject(new Error('away')))),
          ),
      })
      .catch(() => undefined);
  const told = jest.fn();
  return { client, comes, told, end: whenSettled(client, told) };
}

describe('the first screen', () => {
  beforeEach(() => void jest.useFakeTimers());
  afterEach(() => void jest.useRealTimers());

  it('has settled once all it asked for has come, or failed', async () => {
    const { comes, told } = page(2);
    await jest.advanceTimersByTimeAsync(250);
    comes[0]?.('here');
    await jest.advanceTimersByTimeAsync(500);
    expect(told).not.toHaveBeenCalled();
    comes[1]?.('failed');
    await jest.advanceTimersByTimeAsync(50);
    expect(told).toHaveBeenCalledTimes(1);
    await jest.advanceTimersByTimeAsync(10_000);
    expect(told).toHaveBeenCalledTimes(1);
  });

  it.each([
    ['that asks for nothing has settled when it has had the time to ask', 0, 150, 250],
    ['is not waited for for ever', 1, 2900, 3100],
  ])('%s', async (_what, count, before, after) => {
    const { told } = page(count);
    await jest.advanceTimersByTimeAsync(before);
    expect(told).not.toHaveBeenCalled();
    await jest.advanceTimersByTimeAsync(after - before);
    expect(told).toHaveBeenCalledTimes(1);
  });

  it('that is gone tells nobody', async () => {
    const { comes, told, end } = page(1);
    await jest.advanceTimersByTimeAsync(250);
    end();
    comes[0]?.('here');
    await jest.advanceTimersByTimeAsync(10_000);
    expect(told).not.toHaveBeenCalled();
  });
});
