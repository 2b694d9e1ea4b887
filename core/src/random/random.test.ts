import { normal, seeded } from '.';

describe('a seeded source', () => {
  it('gives the same numbers for the same seed, one by one or by the row', () => {
    const [one, rows] = [seeded(7), seeded(7)];
    const singly = Array.from({ length: 7 }, one);
    expect([...rows.fill(new Float64Array(4)), rows(), ...rows.fill(new Float64Array(2))]).toEqual(singly);
    expect(seeded(8)()).not.toBe(singly[0]);
  });

  it('is even over 0 to 1: every tenth of it as often, within what chance allows', () => {
    const counts = Array.from({ length: 10 }, () => 0);
    for (const number of seeded(3).fill(new Float64Array(100_000))) {
      const tenth = Math.floor(number * 10);
      counts[tenth] = (counts[tenth] ?? NaN) + 1;
    }
    // Chi square of nine degrees of freedom: below 21.7 in 99 of 100
    expect(counts.reduce((sum, count) => sum + (count - 10_000) ** 2 / 10_000, 0)).toBeLessThan(21.7);
  });

  it('has normal numbers of mean 0 and deviation 1', () => {
    const random = seeded(5);
    const numbers = Array.from({ length: 40_000 }, () => normal(random));
    const mean = numbers.reduce((sum, one) => sum + one, 0) / numbers.length;
    const square = numbers.reduce((sum, one) => sum + one * one, 0) / numbers.length;
    // Three standard errors: 3/√n, and 3·√(2/n) for the variance
    expect(Math.abs(mean)).toBeLessThan(0.015);
    expect(Math.abs(square - mean ** 2 - 1)).toBeLessThan(0.022);
  });
});
