import fc from 'fast-check';
import { addTo, ordered } from '.';

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
