import {
  FAMILY_DATA,
  quantity,
  to,
  unitOf,
  type Basis,
  type ContainerCount,
  type TipFamily,
  type UnitSystem,
} from '@fine-spray/core';

/** What a number stands on, in words. */
export const BASIS_WORDS: Readonly<Record<Basis, string>> = {
  measured: 'Given or measured',
  history: 'Our history',
  'data-sheet': 'Data sheet',
  default: 'Working default',
};

export const familyName = (family: TipFamily): string => FAMILY_DATA[family].name.toLowerCase();

/** "2 × 10 L + 1 × 2.5 L" */
export function containerText(containers: readonly ContainerCount[], system: UnitSystem): string {
  return containers
    .map(({ size, count }) => {
      const amount = to(quantity(size), system === 'metric' ? 'L' : 'gal');
      // Not to be broken between the count and the size
      return `${count}\u00a0×\u00a0${Number(amount.toFixed(2))}\u00a0${unitOf('volume', system)}`;
    })
    .join(' + ');
}
