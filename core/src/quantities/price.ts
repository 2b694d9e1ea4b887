import type { Money } from './cost';

/** What a company puts on its cost: shares of it, and how its figures end. */
export interface PriceTerms {
  /** Office, vehicles, tools, as a share of the cost. */
  readonly overhead: number;
  /** On cost and overheads together, as a share of them. */
  readonly profit: number;
  /** On the price, as a share of it. */
  readonly tax: number;
  /** A price is a multiple of this, upwards; the company's money. */
  readonly rounding: number;
  /** No job is priced lower, before tax. */
  readonly minimum: number;
}

export const NO_TERMS: PriceTerms = { overhead: 0, profit: 0, tax: 0, rounding: 1, minimum: 0 };

/** A job's price: one figure outside, how it came about and how sure it is inside. */
export interface JobPrice {
  readonly cost: Money;
  readonly overhead: number;
  readonly profit: number;
  /** Before tax: rounded, and at least the minimum. */
  readonly net: number;
  readonly tax: number;
  readonly total: number;
  /** What would have been asked had the cost been at either end, before rounding. */
  readonly range: Money;
  /** What rounding and the minimum put on it. */
  readonly ends: number;
  readonly atMinimum: boolean;
}

/** Digits after the point of a currency: none for some. */
export const digitsOf = (currency: string): number =>
  new Intl.NumberFormat('en', { style: 'currency', currency }).resolvedOptions().maximumFractionDigits ?? 2;

/** An amount in whole smallest coins of a currency. */
const inCoins = (amount: number, digits: number): number => Math.round(amount * 10 ** digits + 1e-9);

/** Rounds up to a multiple, with room for the last digit of a sum. */
const upTo = (amount: number, step: number): number => Math.ceil(amount / step - 1e-9) * step;

/** The price of a job from what it costs. Every amount is whole in the smallest coin of the currency, and net and tax are the total. */
export function priceOf(cost: Money, terms: PriceTerms, currency: string): JobPrice {
  const digits = digitsOf(currency);
  const coin = 10 ** -digits;
  const whole = (amount: number) => inCoins(amount, digits) / 10 ** digits;
  const overhead = cost.likely * terms.overhead;
  const profit = (cost.likely + overhead) * terms.profit;
  const asked = cost.likely + overhead + profit;
  const step = Math.max(coin, terms.rounding);
  const net = whole(upTo(Math.max(asked, terms.minimum), step));
  const { tax, total } = offerTotals([net], terms.tax, [], currency);
  const factor = (1 + terms.overhead) * (1 + terms.profit);
  return {
    cost,
    overhead,
    profit,
    net,
    tax,
    total,
    range: { low: cost.low * factor, likely: asked, high: cost.high * factor },
    ends: net - asked,
    atMinimum: asked < terms.minimum,
  };
}

/**
 * An amount parted by weights, each part whole in the smallest coin, the parts together the amount to the last coin (largest remainders).
 * Weights that are all nothing part it evenly.
 * @param whole in whole units of the money, where the amount is in whole units itself
 */
export function parted(
  amount: number,
  weights: readonly number[],
  currency: string,
  whole = false,
): readonly number[] {
  if (weights.length === 0) return [];
  const digits = whole && Number.isInteger(amount) ? 0 : digitsOf(currency);
  const coins = inCoins(amount, digits);
  const sum = weights.reduce((total, one) => total + Math.max(0, one), 0);
  const share = (weight: number) => (sum > 0 ? Math.max(0, weight) / sum : 1 / weights.length);
  const exact = weights.map((weight) => coins * share(weight));
  const parts = exact.map((one) => Math.floor(one + 1e-9));
  const left = coins - parts.reduce((total, one) => total + one, 0);
  const byRemainder = exact
    .map((one, index) => ({ index, over: one - (parts[index] ?? 0) }))
    .sort((a, b) => b.over - a.over || a.index - b.index);
  for (const { index } of byRemainder.slice(0, left)) parts[index] = (parts[index] ?? 0) + 1;
  return parts.map((one) => one / 10 ** digits);
}

/** What an offer comes to, from the prices on it. */
export interface OfferTotals {
  /** Before tax. */
  readonly net: number;
  readonly tax: number;
  readonly total: number;
  /** What is due at each step of payment: together the total, to the last coin. */
  readonly due: readonly number[];
}

/**
 * Prices before tax added up in whole coins, the tax on them, and what is due at each step.
 * @param shares of the total, one for each step
 */
export function offerTotals(
  prices: readonly number[],
  tax: number,
  shares: readonly number[],
  currency: string,
): OfferTotals {
  const digits = digitsOf(currency);
  const asMoney = (coins: number) => coins / 10 ** digits;
  const net = prices.reduce((sum, one) => sum + inCoins(one, digits), 0);
  const taxed = inCoins(asMoney(net) * tax, digits);
  const total = asMoney(net + taxed);
  return { net: asMoney(net), tax: asMoney(taxed), total, due: parted(total, shares, currency) };
}
