import fc from 'fast-check';
import { containersFor, staysShut, usualContainers } from '.';
import { of, quantity, to, type Volume } from '../units';

const litres = (sizes: number[]) => sizes.map((size) => of(size, 'L'));
const total = (counts: readonly { size: number; count: number }[]) =>
  counts.reduce((sum, { size, count }) => sum + size * count, 0) * 1000;

/** All ways to buy up to so many of each size, the obvious way. */
function leastBought(need: number, sizes: readonly number[]): { bought: number; pieces: number } {
  let best = { bought: Infinity, pieces: Infinity };
  const walk = (index: number, bought: number, pieces: number) => {
    if (bought >= need - 1e-9) {
      if (bought < best.bought - 1e-9 || (Math.abs(bought - best.bought) < 1e-9 && pieces < best.pieces))
        best = { bought, pieces };
      return;
    }
    for (let next = index; next < sizes.length; next += 1)
      walk(next, bought + (sizes[next] ?? 0), pieces + 1);
  };
  walk(0, 0, 0);
  return best;
}

describe('containers as people buy them', () => {
  const bought = (need: number, ...sizes: number[]) =>
    usualContainers(of(need, 'L'), litres(sizes)).map(({ size, count }) => [
      count,
      Number(to(quantity<Volume>(size), 'L').toFixed(3)),
    ]);
  it('are one more large one, not a row of small ones', () => {
    expect(bought(129.4, 1, 2.5, 5, 10)).toEqual([[13, 10]]);
    expect(bought(9.2, 1, 2.5, 5, 10)).toEqual([[1, 10]]);
    expect(bought(12, 1, 2.5, 5, 10)).toEqual([
      [1, 10],
      [2, 1],
    ]);
    expect(bought(0.8, 1, 2.5, 5, 10)).toEqual([[1, 1]]);
  });

  it('stay shut where so much is left, the largest first', () => {
    const [large, small] = [of(10, 'L'), of(2.5, 'L')];
    const list = [
      { size: small, count: 3 },
      { size: large, count: 2 },
    ];
    expect(staysShut(list, of(13, 'L'))).toEqual([
      { size: large, count: 1 },
      { size: small, count: 1 },
    ]);
    expect(staysShut(list, of(2, 'L'))).toEqual([]);
    expect(staysShut(list, of(-4, 'L'))).toEqual([]);
    expect(staysShut(list, of(100, 'L'))).toEqual([
      { size: large, count: 2 },
      { size: small, count: 3 },
    ]);
  });
});

describe('containers', () => {
  it('buys the least that is enough, then the fewest, as an exhaustive search does', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 240 }),
        fc.uniqueArray(fc.constantFrom(1, 2.5, 5, 10, 15), { minLength: 1 }),
        (tenths, sizes) => {
          const counts = containersFor(of(tenths / 10, 'L'), litres(sizes));
          const expected = leastBought(
            tenths / 10,
            [...sizes].sort((a, b) => b - a),
          );
          expect(total(counts)).toBeCloseTo(expected.bought, 6);
          expect(counts.reduce((sum, { count }) => sum + count, 0)).toBe(expected.pieces);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('buys US sizes without rounding a container away', () => {
    const counts = containersFor(of(6, 'gal'), [of(1, 'gal'), of(5, 'gal')]);
    expect(counts.map(({ count }) => count)).toEqual([1, 1]);
  });

  it('buys US sizes as an exhaustive search does: exact gallons, never short', () => {
    const quarts = fc.uniqueArray(fc.constantFrom(1, 2, 4, 20), { minLength: 1 });
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 2400 }), quarts, (hundredths, sizes) => {
        const need = of(hundredths / 100, 'gal');
        const offered = sizes.map((quart) => of(quart / 4, 'gal'));
        const counts = containersFor(need, offered);
        // In quarts, each a whole number of them
        const expected = leastBought(
          hundredths / 25,
          [...sizes].sort((a, b) => b - a),
        );
        const bought = counts.reduce((sum, { size, count }) => sum + size * count, 0);
        expect(bought).toBeGreaterThanOrEqual(need * (1 - 1e-12));
        expect(to(quantity<Volume>(bought), 'gal') * 4).toBeCloseTo(expected.bought, 6);
        expect(counts.reduce((sum, { count }) => sum + count, 0)).toBe(expected.pieces);
      }),
      { numRuns: 150 },
    );
  });

  it('28.03 gal are not 28 gallons, and no list of quarts', () => {
    const [quart, gallon, pail] = [of(0.25, 'gal'), of(1, 'gal'), of(5, 'gal')];
    const list = (offered: readonly number[]) =>
      containersFor(of(28.03, 'gal'), offered).map(({ size, count }) => [count, size]);
    expect(list([gallon])).toEqual([[29, gallon]]);
    expect(list([quart, gallon, pail])).toEqual([
      [5, pail],
      [3, gallon],
      [1, quart],
    ]);
  });

  it('sizes of both worlds together are never short', () => {
    const offered = [of(1, 'gal'), of(10, 'L'), of(2.5, 'L')];
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1200 }), (tenths) => {
        const need = of(tenths / 10, 'L');
        expect(total(containersFor(need, offered))).toBeGreaterThanOrEqual((tenths / 10) * (1 - 1e-12));
      }),
      { numRuns: 40 },
    );
  });

  it('fills a very large need in the largest container', () => {
    const counts = containersFor(of(3000, 'L'), litres([1, 10]));
    expect(total(counts)).toBeCloseTo(3000, 6);
  });

  it('buys nothing for nothing, or without sizes', () => {
    expect(containersFor(of(0, 'L'), litres([1]))).toEqual([]);
    expect(containersFor(of(5, 'L'), [])).toEqual([]);
  });
});

it('lists the largest container first, however the sizes come', () => {
  expect(containersFor(of(16, 'L'), litres([1, 10, 5])).map(({ size }) => size)).toEqual(litres([10, 5, 1]));
});
