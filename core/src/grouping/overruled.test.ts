import fc from 'fast-check';
import { overruled, type Replacing } from '.';

const one = (id: string, replaces?: string, more: Partial<Replacing> = {}): Replacing => ({
  id,
  replaces,
  ...more,
});
const back = (id: string, replaces: string, stored?: number) =>
  one(id, replaces, { takesBack: true, stored });
/** What holds of a log, those that take back left out. */
const holds = (log: readonly Replacing[]) => {
  const over = overruled(log);
  return log
    .filter(({ id, takesBack }) => !over.has(id) && takesBack !== true)
    .map(({ id }) => id)
    .sort()
    .join(' ');
};

describe('what does not hold of a log', () => {
  it.each([
    ['nothing replaces anything', [one('a'), one('b')], 'a b'],
    ['a correction', [one('a'), one('b', 'a')], 'b'],
    ['a correction of a correction', [one('a'), one('b', 'a'), one('c', 'b')], 'c'],
    ['one taken back', [one('a'), back('w', 'a')], ''],
    ['and that taken back', [one('a'), back('w', 'a'), back('x', 'w')], 'a'],
    ['and that, too', [one('a'), back('w', 'a'), back('x', 'w'), back('y', 'x')], ''],
    [
      'a correction taken back: what it corrected counts again',
      [one('a'), one('b', 'a'), back('w', 'b')],
      'a',
    ],
    ['and that taken back', [one('a'), one('b', 'a'), back('w', 'b'), back('x', 'w')], 'b'],
    [
      'of two corrections the later by the server',
      [one('a'), one('b', 'a', { stored: 2 }), one('c', 'a', { stored: 1 })],
      'b',
    ],
    ['what waits is later than all', [one('a'), one('b', 'a', { stored: 2 }), one('c', 'a')], 'c'],
    [
      'the later taken back: the other counts',
      [one('a'), one('b', 'a', { stored: 2 }), one('c', 'a', { stored: 1 }), back('w', 'b')],
      'c',
    ],
    [
      'corrected on one device and taken back on another: the later of both',
      [one('a'), one('b', 'a', { stored: 1 }), back('w', 'a', 2)],
      '',
    ],
    [
      'taken back on one device and corrected on another: the later of both',
      [one('a'), one('b', 'a', { stored: 3 }), back('w', 'a', 2)],
      'b',
    ],
    ['a correction of what is not here', [one('b', 'nobody')], 'b'],
  ])('%s', (_what, log, expected) => {
    expect(holds(log)).toBe(expected);
    expect(holds([...log].reverse())).toBe(expected);
  });

  it('is the same however the log came, says what stands over it, and ends on what replaces itself in a circle', () => {
    const chain = fc.array(
      fc.record({
        to: fc.integer({ min: 0, max: 11 }),
        takesBack: fc.boolean(),
        stored: fc.option(fc.integer({ min: 0, max: 5 }), { nil: undefined }),
      }),
      { minLength: 1, maxLength: 12 },
    );
    fc.assert(
      fc.property(chain, fc.infiniteStream(fc.double({ min: 0, max: 1, noNaN: true })), (made, random) => {
        const log = made.map(({ to, takesBack, stored }, index): Replacing => {
          const older = index > 0 && to < index ? String(to % index) : undefined;
          return { id: String(index), replaces: older, takesBack: takesBack && older !== undefined, stored };
        });
        const shuffled = log
          .map((entry) => ({ entry, at: random.next().value as number }))
          .sort((a, b) => a.at - b.at)
          .map(({ entry }) => entry);
        const over = overruled(log);
        expect([...overruled(shuffled)].sort()).toEqual([...over].sort());
        // One correction of an entry counts at most, and none of one that holds.
        for (const { id } of log) {
          const standing = log.filter((other) => other.replaces === id && !over.has(other.id));
          expect(standing.length).toBeLessThanOrEqual(1);
          if (standing.length === 1) expect(over.get(id)).toBe(standing[0]?.id);
        }
      }),
    );
    expect([...overruled([one('a', 'b'), one('b', 'a')]).keys()].length).toBeGreaterThan(0);
  });
});
