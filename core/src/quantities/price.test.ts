import fc from 'fast-check';
import { NO_TERMS, digitsOf, parted, priceOf, type Money, type PriceTerms } from '.';

const money = (likely: number): Money => ({ low: 0.8 * likely, likely, high: 1.3 * likely });
const TERMS: PriceTerms = { overhead: 0.2, profit: 0.1, tax: 0.19, rounding: 10, minimum: 250 };
const CURRENCIES = ['EUR', 'USD', 'JPY', 'KWD'] as const;

describe('the price of a job', () => {
  it('is worked out by hand', () => {
    // 1,000 with a fifth of overheads 1,200, a tenth of profit 1,320, tax 250.80
    expect(priceOf(money(1000), TERMS, 'EUR')).toMatchObject({
      overhead: 200,
      profit: 120,
      net: 1320,
      tax: 250.8,
      total: 1570.8,
      range: { low: 1056, likely: 1320, high: 1716 },
      atMinimum: false,
    });
    // 1,001 asks 1,321.32: the next ten above
    expect(priceOf(money(1001), TERMS, 'EUR')).toMatchObject({ net: 1330, tax: 252.7 });
  });

  it('is at least the minimum, and says so', () => {
    expect(priceOf(money(40), TERMS, 'EUR')).toMatchObject({ net: 250, atMinimum: true });
    expect(priceOf(money(0), NO_TERMS, 'EUR')).toMatchObject({ net: 0, tax: 0, total: 0 });
  });

  it('ends in whole coins of its currency', () => {
    expect(CURRENCIES.map(digitsOf)).toEqual([2, 2, 0, 3]);
    expect(priceOf(money(1000.4), { ...NO_TERMS, tax: 0.077, rounding: 0.01 }, 'JPY')).toMatchObject({
      net: 1001,
      tax: 77,
      total: 1078,
    });
  });

  it('is net and tax together, never less than asked, and rises with the cost', () => {
    const amount = fc.double({ min: 0, max: 1e6, noNaN: true });
    fc.assert(
      fc.property(amount, amount, fc.constantFrom(...CURRENCIES), (one, more, currency) => {
        const price = priceOf(money(one), TERMS, currency);
        expect(price.net + price.tax).toBeCloseTo(price.total, 6);
        expect(price.net).toBeGreaterThanOrEqual(price.range.likely - 1e-6);
        expect(priceOf(money(one + more), TERMS, currency).net).toBeGreaterThanOrEqual(price.net);
      }),
    );
  });
});

describe('an amount in parts', () => {
  it('adds up to the coin, by hand', () => {
    expect(parted(100, [1, 1, 1], 'EUR')).toEqual([33.34, 33.33, 33.33]);
    expect(parted(100, [1, 1, 1], 'JPY')).toEqual([34, 33, 33]);
    expect(parted(10, [0, 0], 'EUR')).toEqual([5, 5]);
    expect(parted(10, [3, 0, 1], 'EUR')).toEqual([7.5, 0, 2.5]);
    expect(parted(10, [], 'EUR')).toEqual([]);
  });

  it('is the whole in every currency, each part near its share and none below nothing', () => {
    const weights = fc.array(fc.double({ min: 0, max: 100, noNaN: true }), { minLength: 1, maxLength: 30 });
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 5_000_000 }),
        weights,
        fc.constantFrom(...CURRENCIES),
        (cents, of, currency) => {
          const digits = digitsOf(currency);
          const amount = Math.round((cents / 100) * 10 ** digits) / 10 ** digits;
          const parts = parted(amount, of, currency);
          const coins = (value: number) => Math.round(value * 10 ** digits);
          expect(parts.reduce((sum, one) => sum + coins(one), 0)).toBe(coins(amount));
          const sum = of.reduce((total, one) => total + one, 0);
          parts.forEach((part, index) => {
            expect(part).toBeGreaterThanOrEqual(0);
            const share = sum > 0 ? (of[index] ?? 0) / sum : 1 / of.length;
            expect(Math.abs(part - amount * share)).toBeLessThan(1.001 * 10 ** -digits);
          });
        },
      ),
    );
  });
});
