import { histogramOf, showText, type PaintDistribution } from '@fine-spray/core';
import { useMemo } from 'react';
import { View } from 'react-native';
import Svg, { Line, Path, Text as SvgText } from 'react-native-svg';
import { Words } from '@/ui/text';
import { useTheme } from '@/ui/theme/theme';
import { useUnits } from '@/ui/units';

const WIDTH = 340;
const HEIGHT = 96;
const FLOOR = 72;
const BINS = 28;

/** What a line in the drawing stands for. */
function Mark({ text, dashed }: { text: string; dashed: boolean }) {
  return (
    <View className="flex-row items-center gap-2">
      <View
        className={`h-4 ${dashed ? 'border-l-[3px] border-dashed border-identity' : 'border-l-2 border-ink'}`}
      />
      <Words size={14} colour="ink2">
        {text}
      </Words>
    </View>
  );
}

/** How likely each volume is, to scale, with the volume that was asked for and what the containers hold. */
export function Curve({
  distribution: { sorted },
  wanted,
  bought,
}: {
  distribution: PaintDistribution;
  wanted: number;
  bought: number;
}) {
  const { palette } = useTheme();
  const { system } = useUnits();
  const { from, step, counts } = useMemo(() => histogramOf(sorted, BINS), [sorted]);
  const to = Math.max(from + step * counts.length, bought);
  const x = (volume: number) => ((volume - from) / (to - from)) * WIDTH;
  const most = Math.max(...counts);
  const tops = counts.map(
    (count, index) => `L${x(from + (index + 0.5) * step)} ${FLOOR - (count / most) * (FLOOR - 6)}`,
  );
  const shape = `M${x(from)} ${FLOOR} ${tops.join(' ')} L${x(from + counts.length * step)} ${FLOOR} Z`;
  const text = (volume: number) => showText(volume, 'volume', system);
  const label = `Between ${text(from)} and ${text(from + step * counts.length)}; ${text(wanted)} asked for, ${text(bought)} in containers`;
  return (
    <View role="img" aria-label={label}>
      <Svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} width="100%" style={{ aspectRatio: WIDTH / HEIGHT }}>
        <Path d={shape} fill={palette['identity-tint']} stroke={palette.identity} strokeWidth={1.5} />
        <Line x1={0} y1={FLOOR} x2={WIDTH} y2={FLOOR} stroke={palette.rule} strokeWidth={1} />
        <Line x1={x(wanted)} y1={8} x2={x(wanted)} y2={FLOOR} stroke={palette.ink} strokeWidth={2} />
        <Line
          x1={Math.min(WIDTH - 1, x(bought))}
          y1={8}
          x2={Math.min(WIDTH - 1, x(bought))}
          y2={FLOOR}
          stroke={palette.identity}
          strokeWidth={3}
          strokeDasharray="6 4"
        />
        <SvgText x={0} y={HEIGHT - 6} fontFamily="Next400" fontSize={13} fill={palette.ink2}>
          {text(from)}
        </SvgText>
        <SvgText
          x={WIDTH}
          y={HEIGHT - 6}
          textAnchor="end"
          fontFamily="Next400"
          fontSize={13}
          fill={palette.ink2}
        >
          {text(to)}
        </SvgText>
      </Svg>
      <View className="flex-row flex-wrap gap-x-4 pt-1">
        <Mark text={`${text(wanted)} asked for`} dashed={false} />
        <Mark text={`${text(bought)} in containers`} dashed />
      </View>
    </View>
  );
}
