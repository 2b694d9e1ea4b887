import { of } from '../units';
import { aboutText, chanceText, containerText, moneyRange, moneyText } from './words';

describe('amounts in words', () => {
  it('writes containers in the units of the system', () => {
    expect(
      containerText(
        [
          { size: of(10, 'L'), count: 2 },
          { size: of(2.5, 'L'), count: 1 },
        ],
        'metric',
      ),
    ).toBe('2\u00a0×\u00a010\u00a0L + 1\u00a0×\u00a02.5\u00a0L');
    expect(containerText([{ size: of(5, 'gal'), count: 1 }], 'us')).toBe('1\u00a0×\u00a05\u00a0gal');
  });

  it('never says certain', () => {
    expect([1, 0.999, 0.954, 0.5, 0].map(chanceText)).toEqual([
      'more than 99 times in 100',
      'more than 99 times in 100',
      '95 times in 100',
      '50 times in 100',
      '1 time in 100',
    ]);
  });

  it('says money without cents where they do not matter, and an estimate rounded', () => {
    expect([9.5, 99.99, 100.4, 12_345.6].map((amount) => moneyText(amount, 'EUR'))).toEqual([
      '€9.50',
      '€99.99',
      '€100',
      '€12,346',
    ]);
    expect([7.4, 123, 4_321].map((amount) => aboutText(amount, 'USD'))).toEqual(['$7', '$120', '$4,300']);
    expect(moneyRange({ low: 140, likely: 150, high: 1_020 }, 'EUR')).toBe('€140 and €1,000');
  });
});
