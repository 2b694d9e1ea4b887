import { of, type Flow, type Pressure } from '../units';

export const SPRAYER_CLASSES = ['small electric', 'mid electric', 'large'] as const;
export type SprayerClass = (typeof SPRAYER_CLASSES)[number];

export interface Sprayer {
  readonly maxPressure: Pressure;
  readonly maxFlow: Flow;
  readonly largestOrificeThou: number;
  /** Packings and hoses that solvent would attack. */
  readonly waterOnly: boolean;
}

/** Working defaults by class (method.md, "Machines"). */
export const SPRAYER_CLASS_DATA: Readonly<Record<SprayerClass, Sprayer>> = {
  'small electric': {
    maxPressure: of(20.7, 'MPa'),
    maxFlow: of(1.1, 'L/min'),
    largestOrificeThou: 17,
    waterOnly: true,
  },
  'mid electric': {
    maxPressure: of(22.8, 'MPa'),
    maxFlow: of(2, 'L/min'),
    largestOrificeThou: 23,
    waterOnly: false,
  },
  large: {
    maxPressure: of(22.8, 'MPa'),
    maxFlow: of(4.2, 'L/min'),
    largestOrificeThou: 35,
    waterOnly: false,
  },
};
