import Check from 'lucide-react-native/icons/check';
import Lock from 'lucide-react-native/icons/lock';
import { View } from 'react-native';
import { useTheme } from './theme/theme';

/** The box of something to tick: ticked, open, or locked until something else is done. */
export function TickBox({ on, locked = false }: { on: boolean; locked?: boolean }) {
  const { palette } = useTheme();
  return (
    <View
      className={`h-8 w-8 items-center justify-center rounded-lg border-2 ${on ? 'border-identity bg-identity' : 'border-ink'}`}
    >
      {on ? (
        <Check size={20} color={palette['on-identity']} aria-hidden />
      ) : locked ? (
        <Lock size={16} color={palette.ink2} aria-hidden />
      ) : null}
    </View>
  );
}
