import { Defs, LinearGradient, Stop } from 'react-native-svg';
import { useTheme } from './theme/theme';

/** What the ribbon of something that dries is filled with, inside a drawing: from wet to dry. Fill with `url(#ID)`. */
export function DryingRibbon({ id }: { id: string }) {
  const { palette } = useTheme();
  return (
    <Defs>
      <LinearGradient id={id} x1="0" x2="1" y1="0" y2="0">
        <Stop offset="0" stopColor={palette.wet} />
        <Stop offset="1" stopColor={palette.dry} />
      </LinearGradient>
    </Defs>
  );
}
