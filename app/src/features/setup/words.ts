import {
  FAMILY_DATA,
  quantity,
  showText,
  to,
  type Basis,
  type SetupCard,
  type TipFamily,
  type UnitSystem,
} from '@fine-spray/core';

/** What a number stands on, in words. */
export const BASIS_WORDS: Readonly<Record<Basis, string>> = {
  chosen: 'Chosen',
  measured: 'Measured or counted',
  history: 'Our history',
  'data-sheet': 'Data sheet',
  default: 'Working default',
};

export const familyName = (family: TipFamily): string => FAMILY_DATA[family].name.toLowerCase();

/** Time of a stroke of the coats after the first, where that one lays more than they do; undefined where all are alike. */
export function laterStroke({ stroke, laterSpeed }: SetupCard, system: UnitSystem): string | undefined {
  return laterSpeed && showText(stroke.length / laterSpeed.value, 'time', system);
}

/** Length a stroke is timed over: "2.4 m" or "8 ft". */
export function strokeText({ stroke }: Pick<SetupCard, 'stroke'>, system: UnitSystem): string {
  const length = to(quantity(stroke.length), system === 'metric' ? 'm' : 'ft');
  return `${Number(length.toFixed(1))} ${system === 'metric' ? 'm' : 'ft'}`;
}
