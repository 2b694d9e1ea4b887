import { show, showBeside, showText, type DisplayKind } from '@fine-spray/core/units';
import { View } from 'react-native';
import { Words, type Colour } from './text';
import { useUnits } from './units';

export interface NumberProps {
  readonly value: number;
  readonly kind: DisplayKind;
  readonly size?: 18 | 22 | 30 | 44 | 64;
  readonly colour?: Colour;
  /** The other unit system, small, below. */
  readonly both?: boolean;
}

/** A big number for the hand: rounded to what can be set, unit beside it, the other unit system small below. */
export function BigNumber({ value, kind, size = 30, colour = 'ink', both = true }: NumberProps) {
  const { system } = useUnits();
  const { number, unit } = show(value, kind, system);
  const other = showBeside(value, kind, system);
  return (
    <View>
      <View className="flex-row items-baseline gap-1">
        <Words size={size} weight="digits-bold" colour={colour}>
          {number}
        </Words>
        <Words size={size >= 44 ? 22 : 18} weight="semi" colour={colour}>
          {unit}
        </Words>
      </View>
      {both && other !== showText(value, kind, system) ? (
        <Words size={14} colour="ink2">
          {other}
        </Words>
      ) : null}
    </View>
  );
}
