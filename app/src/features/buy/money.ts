import type { Money } from '@fine-spray/core';

/** An amount of money as people write it, without cents where they do not matter. */
export function moneyText(amount: number, currency: string): string {
  return new Intl.NumberFormat('en', {
    style: 'currency',
    currency,
    maximumFractionDigits: amount >= 100 ? 0 : 2,
  }).format(amount);
}

/** Low to high, rounded to what one would say. */
export function moneyRange({ low, high }: Money, currency: string): string {
  const step = high >= 1000 ? 50 : high >= 100 ? 10 : 1;
  const round = (amount: number) => Math.round(amount / step) * step;
  return `${moneyText(round(low), currency)} to ${moneyText(round(high), currency)}`;
}
