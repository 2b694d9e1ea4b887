import type { CutPoint, PracticeTarget } from '@fine-spray/core/practice';
import { showText } from '@fine-spray/core/units';
import { View } from 'react-native';
import Svg, { Line, Path } from 'react-native-svg';
import { Words } from '@/ui/text';
import { useTheme } from '@/ui/theme/theme';
import { useUnits } from '@/ui/units';

const [WIDTH, HEIGHT] = [340, 130];
/** What is drawn above the sag limit, as a share of it. */
const ABOVE = 1.25;

/** The film along a cut: how thick from the bottom to the top of the piece, beside the least one and the sag limit. */
export function CutChart({ target, points }: { target: PracticeTarget; points: readonly CutPoint[] }) {
  const { palette } = useTheme();
  const { system } = useUnits();
  const { minimum, sagLimit } = target.wall.job.limits;
  const on = points.flatMap(({ film }) => (film === undefined ? [] : [film]));
  const top = Math.max(ABOVE * sagLimit, ...on);
  const last = points.at(-1)?.at ?? 1;
  const x = (at: number) => (at / last) * WIDTH;
  const y = (film: number) => HEIGHT - (film / top) * (HEIGHT - 4);
  let pen = 'M';
  const path = points
    .map(({ at, film }) => {
      if (film === undefined) {
        pen = 'M';
        return '';
      }
      const step = `${pen}${x(at).toFixed(1)} ${y(film).toFixed(1)}`;
      pen = 'L';
      return step;
    })
    .join('');
  const text = (film: number) => showText(film, 'wetFilm', system);
  const said =
    on.length === 0
      ? 'The cut goes past the piece.'
      : `Along the cut from ${text(Math.min(...on))} to ${text(Math.max(...on))}; wanted ${text(target.wanted)}.`;
  const level = (film: number, colour: string) => (
    <Line
      x1={0}
      y1={y(film)}
      x2={WIDTH}
      y2={y(film)}
      stroke={colour}
      strokeWidth={1.5}
      strokeDasharray="5 4"
    />
  );
  return (
    <View className="gap-1" testID="cut">
      <View role="img" aria-label={said}>
        <Svg width="100%" height={HEIGHT} viewBox={`0 0 ${WIDTH} ${HEIGHT}`} preserveAspectRatio="none">
          <Line x1={0} y1={HEIGHT - 1} x2={WIDTH} y2={HEIGHT - 1} stroke={palette.ink2} strokeWidth={1.5} />
          {level(minimum, palette.ink2)}
          {level(target.wanted, palette.wet)}
          {level(sagLimit, palette.caution)}
          <Path d={path} fill="none" stroke={palette.ink} strokeWidth={2} />
        </Svg>
      </View>
      <Words>{said}</Words>
      <Words size={14} colour="ink2">
        {`Dashed from below: the least film ${text(minimum)}, wanted ${text(target.wanted)}, the sag limit ${text(sagLimit)}. Bottom of the piece on the left.`}
      </Words>
    </View>
  );
}
