import fc from 'fast-check';
import { addTo, byTime, inForce, ordered } from '.';

describe('lists by a key', () => {
  it('have each one that was added, in the order it came', () => {
    const lists = new Map<string, number[]>();
    [1, 2, 3, 4, 5].forEach((one) => addTo(lists, one % 2 === 0 ? 'even' : 'odd', one));
    expect([...lists]).toEqual([
      ['odd', [1, 3, 5]],
      ['even', [2, 4]],
    ]);
  });
});

describe('a list in order', () => {
  const ascending = (a: number, b: number) => a - b;

  it('is the list itself where it already is', () => {
    const list = [1, 1, 2, 7];
    expect(ordered(list, ascending)).toBe(list);
  });

  it('is sorted, and the list given is left as it was', () => {
    fc.assert(
      fc.property(fc.array(fc.integer()), (list) => {
        const before = [...list];
        expect(ordered(list, ascending)).toEqual([...list].sort(ascending));
        expect(list).toEqual(before);
      }),
    );
  });
});

describe('what holds of a log', () => {
  const one = (id: string, at: number, replaces?: string | null) => ({ id, at, replaces });
  const ids = (log: readonly { id: string }[]) => log.map(({ id }) => id).join(' ');

  it('is what nothing replaces: a correction of a correction alone, one of an unknown entry as it is', () => {
    const log = [one('a', 1), one('b', 2, 'a'), one('c', 3, 'b'), one('d', 4, 'nobody'), one('e', 5, null)];
    expect(ids(inForce(log))).toBe('c d e');
  });

  it('is in the order of time, then of id, however it came', () => {
    fc.assert(
      fc.property(
        fc.shuffledSubarray([one('y', 1), one('b', 2), one('a', 2), one('x', 3)], { minLength: 4 }),
        (log) => {
          expect(ids(inForce(log))).toBe('y a b x');
          expect(ids([...log].sort(byTime))).toBe('y a b x');
        },
      ),
    );
  });
});
