import { histogramOf, showText, type PaintDistribution } from '@fine-spray/core';
import { scaleLinear } from 'd3-scale';
import { area } from 'd3-shape';
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
  const x = scaleLinear([from, to], [0, WIDTH]);
  const y = scaleLinear([0, Math.max(...counts)], [FLOOR, 6]);
  const last = from + counts.length * step;
  const shape = area<readonly [volume: number, count: number]>()
    .x(([volume]) => x(volume))
    .y0(FLOOR)
    .y1(([, count]) => y(count))([
    [from, 0],
    ...counts.map((count, index) => [from + (index + 0.5) * step, count] as const),
    [last, 0],
  ]);
  const text = (volume: number) => showText(volume, 'volume', system);
  const label = `Between ${text(from)} and ${text(last)}; ${text(wanted)} asked for, ${text(bought)} in containers`;
  return (
    <View role="img" aria-label={label}>
      <Svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} width="100%" style={{ aspectRatio: WIDTH / HEIGHT }}>
        <Path d={shape ?? ''} fill={palette['identity-tint']} stroke={palette.identity} strokeWidth={1.5} />
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
