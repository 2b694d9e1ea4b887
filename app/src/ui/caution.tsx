import TriangleAlert from 'lucide-react-native/icons/triangle-alert';
import { View } from 'react-native';
import { Words } from './text';
import { useTheme } from './theme/theme';

/** A caution where it belongs: what, why, what to do. Icon and word, never colour alone. */
export function CautionBox({ what, why, instead }: { what: string; why: string; instead: string }) {
  const { palette } = useTheme();
  return (
    <View className="flex-row gap-3 rounded-2xl bg-caution-tint p-4">
      <TriangleAlert size={22} color={palette.caution} aria-hidden />
      <View className="min-w-0 flex-1">
        <Words weight="bold" colour="caution">{`Caution: ${what}`}</Words>
        <Words size={14}>{`${why} ${instead}`}</Words>
      </View>
    </View>
  );
}
