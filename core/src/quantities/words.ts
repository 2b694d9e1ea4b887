import { counted, quantity, showText, to, unitOf, type UnitSystem } from '../units';
import type { ContainerCount } from './containers';
import type { Money } from './cost';

/** "2 × 10 L + 1 × 2.5 L", with no break between a count and its size. */
export function containerText(containers: readonly ContainerCount[], system: UnitSystem): string {
  return containers
    .map(({ size, count }) => {
      const amount = to(quantity(size), system === 'metric' ? 'L' : 'gal');
      return `${count}\u00a0×\u00a0${Number(amount.toFixed(2))}\u00a0${unitOf('volume', system)}`;
    })
    .join(' + ');
}

/** Tips to have besides the one that is fitted. */
export const sparesText = (spares: number): string =>
  spares === 0 ? 'A tip lasts for it.' : `Have ${counted(spares, 'tip')} to spare.`;

/** Time of work as people say it: minutes under an hour, half hours above; never nothing for a little. */
export function hoursText(seconds: number, system: UnitSystem): string {
  if (seconds >= 3600) return showText(seconds, 'duration', system);
  return seconds > 0 && seconds < 60 ? 'under 1 min' : showText(seconds, 'trigger', system);
}

/** A chance as people say it; never certain. */
export function chanceText(share: number): string {
  const inHundred = Math.min(99, Math.max(1, Math.round(share * 100)));
  return `${share > 0.99 ? 'more than ' : ''}${counted(inHundred, 'time')} in 100`;
}

/** An amount of money as people write it, without cents where they do not matter. */
export function moneyText(amount: number, currency: string): string {
  return new Intl.NumberFormat('en', {
    style: 'currency',
    currency,
    maximumFractionDigits: amount >= 100 ? 0 : 2,
  }).format(amount);
}

/** Languages an offer may write its numbers in, by their tags (BCP 47). */
export const NUMBER_LANGUAGES = [
  ...(['en', 'cs', 'da', 'de', 'de-CH', 'es', 'fi', 'fr', 'it', 'nb', 'nl', 'pl', 'pt', 'sv'] as const),
] as const;
export type NumberLanguage = (typeof NUMBER_LANGUAGES)[number];

/** A narrow space that does not break is in few fonts; one of usual width is in all. */
const plainSpaces = (text: string): string => text.replaceAll('\u202f', '\u00a0');

/** An amount to the coin: what somebody is asked for is not rounded again; without cents where it has none. */
export function exactMoney(amount: number, currency: string, numbers: NumberLanguage = 'en'): string {
  const whole = Number.isInteger(amount) ? { minimumFractionDigits: 0 } : {};
  return plainSpaces(
    new Intl.NumberFormat(numbers, { style: 'currency', currency, ...whole }).format(amount),
  );
}

/** A share to two digits after the point: "7.7 %". */
export function shareText(share: number, numbers: NumberLanguage = 'en'): string {
  const format = new Intl.NumberFormat(numbers, { maximumFractionDigits: 2 });
  return `${plainSpaces(format.format(share * 100))}\u00a0%`;
}

/** An amount in whole units of a currency. */
function wholeText(amount: number, currency: string): string {
  return new Intl.NumberFormat('en', { style: 'currency', currency, maximumFractionDigits: 0 }).format(
    amount,
  );
}

/** An amount rounded to what one would say of an estimate. */
export function aboutText(amount: number, currency: string): string {
  const step = amount >= 1000 ? 50 : amount >= 100 ? 10 : 1;
  return wholeText(Math.round(amount / step) * step, currency);
}

/** Low and high, rounded to what one would say. */
export function moneyRange({ low, high }: Money, currency: string): string {
  return `${aboutText(low, currency)} and ${aboutText(high, currency)}`;
}
