import { showBeside, show, type DisplayKind } from '@fine-spray/core/units';
import { View } from 'react-native';
import { Words } from './text';
import { useUnits } from './units';

/** A number to set with the hand: as large as the screen lets it, the other unit system below. */
export function Big({
  label,
  value,
  kind,
  size = 64,
  testID,
}: {
  label: string;
  value: number;
  kind: DisplayKind;
  size?: 44 | 64;
  testID?: string;
}) {
  const { system } = useUnits();
  const { number, unit } = show(value, kind, system);
  return (
    <View className="min-w-[130px]" testID={testID}>
      <Words weight="semi" colour="ink2">
        {label}
      </Words>
      <View className="flex-row items-baseline gap-1">
        <Words size={size} weight="digits-bold">
          {number}
        </Words>
        <Words size={22} weight="semi">
          {unit}
        </Words>
      </View>
      <Words size={14} colour="ink2">
        {showBeside(value, kind, system)}
      </Words>
    </View>
  );
}
