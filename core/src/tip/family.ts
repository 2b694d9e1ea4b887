import { of, type Pressure } from '../units';

export const TIP_FAMILIES = ['standard', 'low-pressure', 'fine-finish', 'wide', 'heavy-texture'] as const;
export type TipFamily = (typeof TIP_FAMILIES)[number];

export interface FamilyData {
  readonly name: string;
  /** Pressure of an even fan for 0.1 Pa·s through 0.015 in, at the gun. */
  readonly evenFanPressure: Pressure;
  readonly band: { readonly low: Pressure; readonly high: Pressure };
  /** Exponent p of the fan profile (1 − s²)^p. */
  readonly profileExponent: number;
  readonly fans: { readonly low: number; readonly high: number };
  readonly orifices: { readonly low: number; readonly high: number; readonly evenToo: boolean };
}

/**
 * Families by what they do. Pressures and profile exponents: method.md, "Even-fan pressure" and
 * "Fan profile". The band of heavy-texture tips and the split of codes over families are judgement.
 */
export const FAMILY_DATA: Readonly<Record<TipFamily, FamilyData>> = {
  standard: {
    name: 'Standard',
    evenFanPressure: of(12, 'MPa'),
    band: { low: of(6, 'MPa'), high: of(20, 'MPa') },
    profileExponent: 1,
    fans: { low: 1, high: 12 },
    orifices: { low: 7, high: 35, evenToo: false },
  },
  'low-pressure': {
    name: 'Low-pressure',
    evenFanPressure: of(6.9, 'MPa'),
    band: { low: of(4, 'MPa'), high: of(9, 'MPa') },
    profileExponent: 1.5,
    fans: { low: 1, high: 8 },
    orifices: { low: 9, high: 25, evenToo: false },
  },
  'fine-finish': {
    name: 'Fine-finish',
    evenFanPressure: of(6.2, 'MPa'),
    band: { low: of(4, 'MPa'), high: of(9, 'MPa') },
    profileExponent: 1.5,
    fans: { low: 1, high: 8 },
    orifices: { low: 7, high: 18, evenToo: true },
  },
  wide: {
    name: 'Wide',
    evenFanPressure: of(12, 'MPa'),
    band: { low: of(6, 'MPa'), high: of(20, 'MPa') },
    profileExponent: 0.7,
    fans: { low: 8, high: 24 },
    orifices: { low: 13, high: 35, evenToo: false },
  },
  'heavy-texture': {
    name: 'Heavy-texture',
    evenFanPressure: of(15, 'MPa'),
    band: { low: of(10, 'MPa'), high: of(20, 'MPa') },
    profileExponent: 1,
    fans: { low: 3, high: 8 },
    orifices: { low: 21, high: 55, evenToo: false },
  },
};
