import type { ReactNode } from 'react';
import { Text, type TextProps } from 'react-native';

const SIZES = {
  14: 'text-14',
  16: 'text-16',
  18: 'text-18',
  22: 'text-22',
  30: 'text-30',
  44: 'text-44',
  64: 'text-64',
} as const;
const COLOURS = {
  ink: 'text-ink',
  ink2: 'text-ink2',
  identity: 'text-identity',
  'on-identity': 'text-on-identity',
  wet: 'text-wet',
  dry: 'text-dry',
  caution: 'text-caution',
  danger: 'text-danger',
} as const;
const WEIGHTS = {
  regular: 'font-words',
  semi: 'font-words-semi',
  bold: 'font-words-bold',
  digits: 'font-digits',
  'digits-bold': 'font-digits-bold',
} as const;

export type Colour = keyof typeof COLOURS;

export interface WordsProps extends Omit<TextProps, 'children'> {
  readonly children: ReactNode;
  readonly size?: keyof typeof SIZES;
  readonly colour?: Colour;
  readonly weight?: keyof typeof WEIGHTS;
  /** Heading level for assistive technology. */
  readonly heading?: 1 | 2 | 3;
}

/** All text of the product: one family for words, one for digits, seven sizes. */
export function Words({
  children,
  size = 16,
  colour = 'ink',
  weight = 'regular',
  heading,
  className = '',
  ...rest
}: WordsProps) {
  const level = heading === undefined ? {} : { role: 'heading' as const, 'aria-level': heading };
  return (
    <Text
      className={`${SIZES[size]} ${COLOURS[colour]} ${WEIGHTS[weight]} ${className}`}
      {...level}
      {...rest}
    >
      {children}
    </Text>
  );
}
