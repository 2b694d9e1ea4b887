import fc from 'fast-check';
import { seeded } from '../random';
import { JUDGED, JUDGED_NAMES, compareTrials } from './trials';

const compared = (first: number[], second: number[], floor = 0) => {
  const result = compareTrials(first, second, floor);
  if (!result.ok) throw new Error(result.message);
  return result.value;
};

describe('two products in one thing', () => {
  it('is what Welch says: a case by hand', () => {
    // Means 0.13 and 0.16, variances 1e-4 and 1e-4 of three: s = sqrt(2e-4 / 3), 4 degrees of freedom, t = 2.132.
    const { difference, low, high, less } = compared([0.12, 0.13, 0.14], [0.15, 0.16, 0.17]);
    expect(difference).toBeCloseTo(-0.03, 12);
    expect(high - difference).toBeCloseTo(2.132 * Math.sqrt(2e-4 / 3), 9);
    expect(low).toBeCloseTo(2 * difference - high, 12);
    expect(less).toBe('first');
    expect(compared([0.15, 0.16, 0.17], [0.12, 0.13, 0.14]).less).toBe('second');
  });

  it('cannot tell what is within the scatter, and says what one more would', () => {
    const { less, toldByOneMore, high, difference } = compared([0.12, 0.16], [0.13, 0.17]);
    expect(less).toBeUndefined();
    expect(toldByOneMore).toBeGreaterThan(0);
    expect(toldByOneMore).toBeLessThan(high - difference);
  });

  it('is refused for a trial of one, and for none', () => {
    expect(compareTrials([], [1, 2], 0)).toMatchObject({ code: 'trials.none' });
    expect(compareTrials([1], [1], 0)).toMatchObject({
      code: 'trials.one',
      message: expect.stringMatching(/^One trial of each/) as string,
    });
    expect(compareTrials([1], [1, 2], 0)).toMatchObject({
      code: 'trials.one',
      message: expect.stringMatching(/single trial/) as string,
    });
  });

  it('does not take trials that happen to agree for exact', () => {
    expect(compared([2, 2], [3, 3], 0.5).less).toBeUndefined();
    expect(compared([2, 2, 2, 2, 2, 2], [3, 3, 3, 3, 3, 3], 0.5).less).toBe('first');
    expect(compared([2, 2], [2, 2], 0.5)).toMatchObject({ difference: 0, less: undefined });
  });

  it('is the other way round where the products are, and does not hang on their unit', () => {
    const values = fc.array(fc.double({ min: 0.01, max: 10, noNaN: true }), { minLength: 2, maxLength: 9 });
    fc.assert(
      fc.property(values, values, (first, second) => {
        const [one, other] = [compared(first, second, 0.01), compared(second, first, 0.01)];
        expect(one.difference).toBeCloseTo(-other.difference, 9);
        expect(one.low).toBeCloseTo(-other.high, 9);
        const large = compared(
          first.map((v) => v * 1000),
          second.map((v) => v * 1000),
          10,
        );
        expect(large.less).toBe(one.less);
      }),
    );
  });

  it('finds a difference where there is none once in ten at most, by drawn crews', () => {
    const random = seeded(7);
    const normal = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
    const draw = (count: number) => Array.from({ length: count }, () => 0.13 + 0.02 * normal());
    for (const count of [2, 3, 5]) {
      let wrong = 0;
      for (let turn = 0; turn < 2000; turn += 1) if (compared(draw(count), draw(count)).less) wrong += 1;
      expect(wrong / 2000).toBeLessThan(0.115);
      expect(wrong).toBeGreaterThan(0);
    }
  });

  it('has five words for each thing that is judged, no two alike', () => {
    for (const one of JUDGED_NAMES) expect(new Set(JUDGED[one].steps).size).toBe(5);
  });
});
