import { View } from 'react-native';
import Svg, { Circle, Line, Rect } from 'react-native-svg';
import { Words } from '@/ui/text';
import { useTheme, type Palette } from '@/ui/theme/theme';

const SIZE = 22;

/** What a film is called at a place, with its mark: as it is painted live. */
const MARKS = ['thin', 'on target', 'heavy', 'over the sag limit', 'lap on a dried edge'] as const;
type MarkOf = (typeof MARKS)[number];

function Mark({ of, palette }: { of: MarkOf; palette: Palette }) {
  const slants = (colour: string, step: number, wide: number) =>
    [-8, 0, 8].map((at) => (
      <Line
        key={`${step} ${at}`}
        x1={step > 0 ? at : SIZE - at}
        y1={SIZE}
        x2={step > 0 ? at + SIZE : -at}
        y2={0}
        stroke={colour}
        strokeWidth={wide}
      />
    ));
  const ground = { thin: palette.wall, 'over the sag limit': palette['caution-tint'] } as const;
  return (
    <>
      <Rect
        width={SIZE}
        height={SIZE}
        fill={of in ground ? ground[of as keyof typeof ground] : palette['wet-tint']}
        stroke={palette.ink2}
      />
      {of === 'thin'
        ? [5, 11, 17].flatMap((cx) =>
            [5, 11, 17].map((cy) => (
              <Circle key={`${cx} ${cy}`} cx={cx} cy={cy} r={1.1} fill={palette.wet} />
            )),
          )
        : null}
      {of === 'heavy' ? slants(palette.wet, 1, 1.4) : null}
      {of === 'over the sag limit'
        ? [slants(palette.caution, 1, 1.4), slants(palette.caution, -1, 1.4)]
        : null}
      {of === 'lap on a dried edge' ? slants(palette.ink2, -1, 3) : null}
    </>
  );
}

/** What the patterns of a film mean. */
export function FilmLegend() {
  const { palette } = useTheme();
  return (
    <View className="flex-row flex-wrap gap-x-4 gap-y-1">
      {MARKS.map((of) => (
        <View key={of} className="flex-row items-center gap-2">
          <Svg width={SIZE} height={SIZE} viewBox={`0 0 ${SIZE} ${SIZE}`} aria-hidden>
            <Mark of={of} palette={palette} />
          </Svg>
          <Words size={14}>{of}</Words>
        </View>
      ))}
    </View>
  );
}
