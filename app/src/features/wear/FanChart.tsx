import { showText, type TipFan } from '@fine-spray/core';
import { scaleLinear } from 'd3-scale';
import { View } from 'react-native';
import Svg, { Circle, Line, Path, Text as SvgText } from 'react-native-svg';
import { lineThrough } from '@/ui/svgPath';
import { Words } from '@/ui/text';
import { useTheme } from '@/ui/theme/theme';
import { useUnits } from '@/ui/units';

const BOX = { width: 340, height: 150, left: 52, right: 12, top: 14, bottom: 28 } as const;

/** Measured fans over the litres through the tip, between the new fan and the worn one. */
export function FanChart({ fans, fresh, worn }: { fans: readonly TipFan[]; fresh: number; worn: number }) {
  const { palette } = useTheme();
  const { system } = useUnits();
  const most = Math.max(...fans.map(({ volume }) => volume), 0.001) * 1.1;
  const widths = [fresh, worn, ...fans.map(({ width }) => width)];
  const [low, high] = [Math.min(...widths) * 0.96, Math.max(...widths) * 1.02];
  const x = scaleLinear([0, most], [BOX.left, BOX.width - BOX.right]);
  const y = scaleLinear([low, high], [BOX.height - BOX.bottom, BOX.top]);
  const label = (width: number) => showText(width, 'fanWidth', system);
  const name = `Fan from ${label(fresh)} when new; measured ${fans.map(({ width }) => label(width)).join(', ')}; replaced at ${label(worn)}`;
  return (
    <View role="img" aria-label={name}>
      <Svg
        viewBox={`0 0 ${BOX.width} ${BOX.height}`}
        width="100%"
        style={{ aspectRatio: BOX.width / BOX.height, maxHeight: 240 }}
      >
        {[
          { width: fresh, dash: '2 3' },
          { width: worn, dash: '7 4' },
        ].map(({ width, dash }) => (
          <Line
            key={dash}
            x1={BOX.left}
            x2={BOX.width - BOX.right}
            y1={y(width)}
            y2={y(width)}
            stroke={palette.ink2}
            strokeDasharray={dash}
          />
        ))}
        {[fresh, worn].map((width) => (
          <SvgText
            key={width}
            x={BOX.left - 6}
            y={y(width) + 4}
            fontSize={12}
            textAnchor="end"
            fill={palette.ink2}
            fontFamily="Mono500"
          >
            {label(width).split(' ')[0]}
          </SvgText>
        ))}
        <Path
          d={lineThrough([
            { x: x(0), y: y(fresh) },
            ...fans.map(({ volume, width }) => ({ x: x(volume), y: y(width) })),
          ])}
          stroke={palette.identity}
          strokeWidth={2}
          fill="none"
        />
        {fans.map(({ at, volume, width }) => (
          <Circle key={at} cx={x(volume)} cy={y(width)} r={5} fill={palette.identity} />
        ))}
        {[0, most / 1.1].map((volume, index) => (
          <SvgText
            key={index}
            x={x(volume)}
            y={BOX.height - 8}
            fontSize={12}
            textAnchor={index === 0 ? 'start' : 'end'}
            fill={palette.ink2}
            fontFamily="Next400"
          >
            {showText(volume, 'volume', system)}
          </SvgText>
        ))}
      </Svg>
      <Words size={14} colour="ink2">
        Dotted: the fan when new. Dashed: 25 % narrower, replace.
      </Words>
    </View>
  );
}
