import { Gathered } from './gathered';

/** Work that ends when it is let go. */
function held() {
  const done: number[][] = [];
  const ends: (() => void)[] = [];
  const work = async (all: readonly number[]) => {
    done.push([...all]);
    await new Promise<void>((resolve) => ends.push(resolve));
    if (all.includes(13)) throw new Error('thirteen');
    return all.map((one) => one * 10);
  };
  const next = async () => {
    ends.shift()?.();
    await new Promise((resolve) => setImmediate(resolve));
  };
  return { done, work, next };
}

it('the first is done at once, what comes meanwhile together after it, each answered for itself', async () => {
  const { done, work, next } = held();
  const gathered = new Gathered<number, number>(3);
  const all = [1, 2, 3, 4, 5].map((one) => gathered.add('a', one, work));
  expect(done).toEqual([[1]]);
  await next();
  expect(await all[0]).toBe(10);
  expect(done).toEqual([[1], [2, 3, 4]]);
  // Another line does not wait for this one.
  void gathered.add('b', 9, work);
  expect(done.at(-1)).toEqual([9]);
  await next();
  await next();
  await next();
  expect(await Promise.all(all)).toEqual([10, 20, 30, 40, 50]);
  // Idle again, the next one is done at once.
  void gathered.add('a', 6, work);
  expect(done.at(-1)).toEqual([6]);
});

it('what fails together is told to each, and those after it are done', async () => {
  const { done, work, next } = held();
  const gathered = new Gathered<number, number>(10);
  const first = gathered.add('a', 1, work);
  const failing = Promise.allSettled([13, 2].map((one) => gathered.add('a', one, work)));
  await next();
  const last = gathered.add('a', 3, work);
  await next();
  expect(await failing).toMatchObject([
    { reason: { message: 'thirteen' } },
    { reason: { message: 'thirteen' } },
  ]);
  await next();
  expect([await first, await last]).toEqual([10, 30]);
  expect(done).toEqual([[1], [13, 2], [3]]);
});
