import { Forwards } from './forwards';

const taken = (moments: readonly number[]) => {
  const time = new Forwards();
  return moments.map((moment) => Number(time.at(moment).toFixed(9)));
};

describe('moments that are told of', () => {
  it('in time are as they are', () => {
    expect(taken([0, 0.1, 0.1, 0.25])).toEqual([0, 0.1, 0.1, 0.25]);
  });

  it('late are put off together: between them lies what lay between them', () => {
    // Time went on to 1 s; then comes what was done from 0.4 s on.
    expect(taken([0, 1, 0.4, 0.45, 0.6, 0.9])).toEqual([0, 1, 1, 1.05, 1.2, 1.5]);
  });

  it('on time again go by their own, and never back', () => {
    expect(taken([1, 0.4, 0.6, 1.3])).toEqual([1, 1, 1.2, 1.3]);
    const wild = Array.from({ length: 500 }, (_none, index) => index * 0.01 + Math.sin(index * 1.7) * 0.2);
    const all = taken(wild);
    expect(all).toEqual([...all].sort((a, b) => a - b));
  });

  it('begin anew with a piece that is begun anew', () => {
    const time = new Forwards();
    time.at(100);
    time.begin();
    expect(time.at(0)).toBe(0);
  });
});
