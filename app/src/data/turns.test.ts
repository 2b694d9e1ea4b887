import { eachInTurn, inTurns } from './turns';

/** Steps that take so long each, ms. */
function* slow(count: number, each: number, done: number[] = []): Generator<void, number> {
  for (let step = 0; step < count; step += 1) {
    for (const end = performance.now() + each; performance.now() < end;);
    done.push(step);
    yield;
  }
  return done.length;
}

describe('a computation in turns', () => {
  it('lets others have their turn in between, and gives what it would have given at once', async () => {
    let others = 0;
    const timer = setInterval(() => (others += 1), 1);
    expect(await inTurns(slow(30, 2))).toBe(30);
    clearInterval(timer);
    expect(others).toBeGreaterThan(3);
  });

  it('fails as it would have failed', async () => {
    function* failing(): Generator<void, number> {
      yield;
      throw new Error('no kit');
    }
    await expect(inTurns(failing())).rejects.toThrow('no kit');
  });

  it('ends where nobody waits for it any more', async () => {
    const left = new AbortController();
    const done: number[] = [];
    const end = jest.fn();
    void inTurns(slow(100, 2, done), left.signal).then(end, end);
    await new Promise((resolve) => setTimeout(resolve, 30));
    left.abort();
    await new Promise((resolve) => setTimeout(resolve, 10));
    const then = done.length;
    expect(then).toBeGreaterThan(0);
    await new Promise((resolve) => setTimeout(resolve, 30));
    expect(done).toHaveLength(then);
    expect(then).toBeLessThan(100);
    expect(end).not.toHaveBeenCalled();
  });
});

describe('several things, one after another', () => {
  it('have each a turn of their own, in their order, and end where nobody wants the rest', async () => {
    const said: string[] = [];
    const left = new AbortController();
    const pause = () => {
      said.push('pause');
      return Promise.resolve();
    };
    const say = (what: string) => () => said.push(what);
    await eachInTurn([say('a'), say('b')], { pause });
    expect(said).toEqual(['pause', 'a', 'pause', 'b']);
    said.length = 0;
    await eachInTurn([say('a'), () => left.abort(), say('b')], { left: left.signal, pause });
    expect(said).toEqual(['pause', 'a', 'pause', 'pause']);
  });
});
