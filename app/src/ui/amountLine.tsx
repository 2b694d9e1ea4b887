import { View } from 'react-native';
import { Words } from './text';

/** A name with its amount at the right. */
export function AmountLine({
  name,
  amount,
  strong = false,
}: {
  name: string;
  amount: string;
  strong?: boolean;
}) {
  return (
    <View className="flex-row items-baseline gap-3">
      <Words weight={strong ? 'bold' : 'regular'} className="min-w-0 flex-1">
        {name}
      </Words>
      <Words weight={strong ? 'digits-bold' : 'digits'} size={18}>
        {amount}
      </Words>
    </View>
  );
}
