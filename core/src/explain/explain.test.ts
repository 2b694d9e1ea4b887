import { FORMULAS, chosen, explain, given, weakestBasis, workingDefault } from '.';

describe('what somebody chose', () => {
  const wanted = chosen('Wet film wanted', 'wetFilm', 1e-4, 'Target');
  const read = given('Comb', 'wetFilm', 1e-4, 'Comb');
  const usual = workingDefault('Solids', 'percent', 0.4, 0.36, 0.44);

  it('is never said to be measured, and makes what follows from it neither more nor less trusted', () => {
    expect(weakestBasis([wanted])).toBe('chosen');
    expect(weakestBasis([wanted, read])).toBe('measured');
    expect(weakestBasis([read, wanted, usual])).toBe('default');
  });
});

describe('a number that explains itself', () => {
  const width = given('Width', 'size', 4, 'Typed');
  const factor = workingDefault('Factor', 'factor', 2, 1.8, 2.4);

  it('carries value, formula, inputs and the weakest basis', () => {
    const result = explain('fan width', 'size', { width, factor }, (v) => v.width * v.factor);
    expect(result).toMatchObject({ value: 8, formula: 'fan width', kind: 'size', basis: 'default' });
    expect(result.inputs).toEqual([width, factor]);
    expect(weakestBasis([width])).toBe('measured');
  });

  it('spreads an uneven range as it is: one input alone gives its own ends', () => {
    const result = explain('fan width', 'size', { width, factor }, (v) => v.width * v.factor);
    expect(result.low).toBeCloseTo(7.2, 12);
    expect(result.high).toBeCloseTo(9.6, 12);
  });

  it('adds independent ranges as root of the sum of squares, also where the result falls with an input', () => {
    const a = workingDefault('a', 'factor', 10, 9, 11);
    const b = workingDefault('b', 'factor', 1, 0.5, 1.5);
    const difference = explain('fan width', 'factor', { a, b }, (v) => v.a - v.b);
    expect(difference.high - 9).toBeCloseTo(Math.hypot(1, 0.5), 12);
    expect(9 - difference.low).toBeCloseTo(Math.hypot(1, 0.5), 12);
  });

  it('has a source and a range for every formula', () => {
    for (const formula of Object.values(FORMULAS)) {
      for (const text of Object.values(formula)) expect(text.length).toBeGreaterThan(5);
    }
  });
});
