import { Link } from 'expo-router';
import Plus from 'lucide-react-native/icons/plus';
import { Pressable } from 'react-native';
import { Words } from './text';
import { useTheme } from './theme/theme';

/** One tap to the emergency card, on every screen and every sheet, at the same place. */
export function InjuredButton({ onPress }: { onPress?: () => void }) {
  const { palette } = useTheme();
  return (
    <Link href="/emergency" asChild>
      <Pressable
        role="link"
        onPress={onPress}
        aria-label="Injured: emergency card"
        className="min-h-[56px] low:min-h-[44px] print:hidden flex-row items-center justify-center gap-2 rounded-xl border-2 border-ink bg-sheet px-3 max-[260px]:flex-col max-[260px]:gap-0 max-[260px]:px-1"
      >
        <Plus size={20} strokeWidth={3} color={palette.ink} aria-hidden />
        <Words weight="bold">Injured</Words>
      </Pressable>
    </Link>
  );
}
