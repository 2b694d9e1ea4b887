import { FAMILY_DATA, type Basis, type TipFamily } from '@fine-spray/core';

/** What a number stands on, in words. */
export const BASIS_WORDS: Readonly<Record<Basis, string>> = {
  measured: 'Given or measured',
  history: 'Our history',
  'data-sheet': 'Data sheet',
  default: 'Working default',
};

export const familyName = (family: TipFamily): string => FAMILY_DATA[family].name.toLowerCase();
