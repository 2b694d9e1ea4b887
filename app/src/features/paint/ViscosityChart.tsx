import type { Entry } from '@fine-spray/contract';
import { counted, quantity, showText, type FittedSlopes } from '@fine-spray/core';
import { REFERENCE_TEMPERATURE, temperatureFactor } from '@fine-spray/core/coating';
import { scaleLinear } from 'd3-scale';
import { format } from 'date-fns/format';
import { useState } from 'react';
import { View } from 'react-native';
import Svg, { Circle, Line as Rule, Path, Text as SvgText } from 'react-native-svg';
import { Panel } from '@/ui/panel';
import { Segmented } from '@/ui/segmented';
import { lineThrough } from '@/ui/svgPath';
import { Words } from '@/ui/text';
import { useTheme } from '@/ui/theme/theme';
import { useUnits } from '@/ui/units';
import { readingsOf } from './usePaintCheck';

const BOX = { width: 340, height: 200, left: 44, right: 12, top: 12, bottom: 34 } as const;

/** Readings of a coating over temperature, with the line fitted to them, or day by day. */
export function ViscosityChart({
  entries,
  coatingId,
  name,
  slopes,
}: {
  entries: readonly Entry[];
  coatingId: string;
  name: string;
  slopes: FittedSlopes | undefined;
}) {
  const { palette } = useTheme();
  const { system } = useUnits();
  const [by, setBy] = useState<'temperature' | 'day'>('temperature');
  const readings = readingsOf(entries, coatingId);
  if (readings.length === 0) {
    return (
      <Panel title="Readings so far">
        <Words colour="ink2">{`None of ${name} yet. The first one stands here with its temperature, and from the second on a line is fitted.`}</Words>
      </Panel>
    );
  }
  const xs = readings.map(({ temperature, at }) => (by === 'temperature' ? temperature : Date.parse(at)));
  const least = Math.min(...xs);
  const span = Math.max(by === 'temperature' ? 8 : 86_400_000, Math.max(...xs) - least);
  const top = Math.max(...readings.map(({ viscosity }) => viscosity)) * 1.15;
  const floor = BOX.height - BOX.bottom;
  const x = scaleLinear([least, least + span], [BOX.left, BOX.width - BOX.right]);
  const y = scaleLinear([0, top], [floor, BOX.top]);
  const line =
    slopes && by === 'temperature'
      ? lineThrough(
          Array.from({ length: 25 }, (_unused, index) => {
            const kelvin = least + (span * index) / 24;
            const factor = temperatureFactor(
              quantity(kelvin),
              REFERENCE_TEMPERATURE,
              slopes.temperature.value,
            );
            return { x: x(kelvin), y: y(Math.min(slopes.viscosity * factor, top)) };
          }),
        )
      : undefined;
  const ends = [least, least + span];
  const label = (value: number) =>
    by === 'temperature' ? showText(value, 'temperature', system) : format(value, 'd MMM');
  return (
    <Panel title="Readings so far" testID="viscosity-chart">
      <Segmented
        label="Readings"
        value={by}
        options={[
          { value: 'temperature', label: 'By temperature' },
          { value: 'day', label: 'By day' },
        ]}
        onChange={setBy}
      />
      <View
        role="img"
        aria-label={`${counted(readings.length, 'reading')} of ${name}, from ${showText(Math.min(...readings.map((one) => one.viscosity)), 'viscosity', system)} to ${showText(top / 1.15, 'viscosity', system)}`}
      >
        <Svg
          width="100%"
          viewBox={`0 0 ${BOX.width} ${BOX.height}`}
          style={{ aspectRatio: BOX.width / BOX.height }}
          aria-hidden
        >
          <Rule x1={BOX.left} x2={BOX.left} y1={BOX.top} y2={floor} stroke={palette.ink2} />
          <Rule x1={BOX.left} x2={BOX.width - BOX.right} y1={floor} y2={floor} stroke={palette.ink2} />
          {[0.5, 1].map((share) => (
            <SvgText
              key={share}
              x={BOX.left - 6}
              y={y(top * share * 0.87) + 4}
              fontSize={12}
              textAnchor="end"
              fill={palette.ink2}
              fontFamily="Mono500"
            >
              {(top * share * 0.87).toFixed(1)}
            </SvgText>
          ))}
          {ends.map((end, index) => (
            <SvgText
              key={end}
              x={x(end)}
              y={floor + 18}
              fontSize={12}
              textAnchor={index === 0 ? 'start' : 'end'}
              fill={palette.ink2}
              fontFamily="Next400"
            >
              {label(end)}
            </SvgText>
          ))}
          {line ? <Path d={line} stroke={palette.identity} strokeWidth={2.5} fill="none" /> : null}
          {readings.map(({ viscosity, thinner }, index) => (
            <Circle
              key={index}
              cx={x(xs[index] ?? least)}
              cy={y(viscosity)}
              r={5}
              fill={thinner > 0.001 ? palette.sheet : palette.wet}
              stroke={palette.wet}
              strokeWidth={2.5}
            />
          ))}
        </Svg>
      </View>
      <Words size={14} colour="ink2">
        {`Pa·s. Full: as it came; ring: thinned.${slopes ? ` Line: unthinned paint from ${counted(slopes.readings, 'reading')}, ${showText(slopes.viscosity, 'viscosity', system)} at 23 °C.` : ''}`}
      </Words>
    </Panel>
  );
}
