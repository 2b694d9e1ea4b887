import type { ReactNode } from 'react';
import { View } from 'react-native';
import { useWide } from './wide';

/** Two parts of a screen: one below the other on a phone, side by side when wide. */
export function Beside({ left, right }: { left: ReactNode; right: ReactNode }) {
  const wide = useWide();
  return (
    <View className={wide ? 'flex-row items-start gap-4' : 'gap-4'}>
      <View className={`gap-4 ${wide ? 'min-w-0 flex-1' : ''}`}>{left}</View>
      <View className={`gap-4 ${wide ? 'min-w-0 flex-1' : ''}`}>{right}</View>
    </View>
  );
}
