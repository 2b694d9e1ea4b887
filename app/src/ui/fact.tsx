import { View } from 'react-native';
import { Words } from './text';

/** A value large, with what it is above it. */
export const Fact = ({
  label,
  value,
  size = 22,
  weight = 'bold',
}: {
  label: string;
  value: string;
} & Pick<Parameters<typeof Words>[0], 'size' | 'weight'>) => (
  <View>
    <Words size={14} colour="ink2">
      {label}
    </Words>
    <Words size={size} weight={weight}>
      {value}
    </Words>
  </View>
);
