import ChevronRight from 'lucide-react-native/icons/chevron-right';
import { Pressable, View } from 'react-native';
import { Words } from '@/ui/text';
import { useTheme } from '@/ui/theme/theme';

/** One thing to practise: what it is, and how one stands with it. */
export function PracticeRow({
  name,
  note,
  said,
  strong,
  onPress,
}: {
  name: string;
  note?: string;
  said: string;
  strong?: boolean;
  onPress: () => void;
}) {
  const { palette } = useTheme();
  return (
    <Pressable
      role="link"
      onPress={onPress}
      className="min-h-[56px] flex-row items-center gap-3 border-b border-rule py-2 hover:bg-identity-tint"
    >
      <View className="min-w-0 flex-1">
        <Words weight="semi">{name}</Words>
        {note === undefined ? null : (
          <Words size={14} colour="ink2">
            {note}
          </Words>
        )}
      </View>
      <Words weight={strong ? 'bold' : 'regular'} colour={strong ? 'identity' : 'ink'}>
        {said}
      </Words>
      <ChevronRight size={20} color={palette.ink2} aria-hidden />
    </Pressable>
  );
}
