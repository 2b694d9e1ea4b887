import type { Money } from '@fine-spray/core';

/** An amount of money as people write it, without cents where they do not matter. */
export function moneyText(amount: number, currency: string): string {
  return new Intl.NumberFormat('en', {
    style: 'currency',
    currency,
    maximumFractionDigits: amount >= 100 ? 0 : 2,
  }).format(amount);
}

/** An amount rounded to what one would say of an estimate. */
export function aboutText(amount: number, currency: string): string {
  const step = amount >= 1000 ? 50 : amount >= 100 ? 10 : 1;
  return moneyText(Math.round(amount / step) * step, currency);
}

/** Low to high, rounded to what one would say. */
export function moneyRange({ low, high }: Money, currency: string): string {
  return `${aboutText(low, currency)} and ${aboutText(high, currency)}`;
}
