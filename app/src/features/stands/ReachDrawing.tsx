import { IN_HAND, showText, type Stand } from '@fine-spray/core';
import { useState } from 'react';
import { View } from 'react-native';
import Svg, { G, Line, Rect, Text as SvgText } from 'react-native-svg';
import { useTheme } from '@/ui/theme/theme';
import { useUnits } from '@/ui/units';

const ROW = 46;
const FOOT = 24;

/**
 * The hose from one place of the machine, to scale along the floor: to each door thin, through each room broad, what has to be left in the hand
 * hatched, and where the hose ends.
 */
export function ReachDrawing({ stand, hose }: { stand: Stand; hose: number }) {
  const { palette } = useTheme();
  const { system } = useUnits();
  const [width, setWidth] = useState(326);
  const { reached } = stand;
  const longest = Math.max(hose, ...reached.map(({ toDoor, across }) => toDoor + across + IN_HAND));
  const x = (metres: number) => 6 + (metres / longest) * (width - 12);
  const height = reached.length * ROW + FOOT;
  const step = longest > 24 ? 10 : 5;
  const marks = Array.from({ length: Math.floor(longest / step) + 1 }, (_unused, index) => index * step);
  const label = `Hose from ${stand.at}: ${reached
    .map(({ room, left }) => `${room}, ${showText(Math.max(0, left), 'reach', system)} left`)
    .join('; ')}`;
  return (
    <View
      role="img"
      aria-label={label}
      testID="reach"
      onLayout={({ nativeEvent }) => setWidth(Math.max(220, nativeEvent.layout.width))}
    >
      <Svg width={width} height={height}>
        {marks.map((metres) => (
          <G key={metres}>
            <Line x1={x(metres)} x2={x(metres)} y1={0} y2={height - FOOT + 4} stroke={palette.rule} />
            <SvgText
              x={Math.min(width - 4, Math.max(4, x(metres)))}
              y={height - 6}
              fill={palette.ink2}
              fontSize={13}
              fontFamily="Mono500"
              textAnchor={metres === 0 ? 'start' : 'middle'}
            >
              {metres === 0 ? 'machine' : showText(metres, 'reach', system)}
            </SvgText>
          </G>
        ))}
        {reached.map(({ room, toDoor, across, left }, index) => {
          const y = index * ROW;
          const short = left < IN_HAND - 1e-6;
          const end = toDoor + across;
          return (
            <G key={room}>
              <SvgText x={8} y={y + 15} fill={palette.ink} fontSize={14} fontFamily="Next600">
                {room}
              </SvgText>
              <Line
                x1={x(0)}
                x2={x(toDoor)}
                y1={y + 30}
                y2={y + 30}
                stroke={palette.identity}
                strokeWidth={4}
              />
              <Rect
                x={x(toDoor)}
                y={y + 22}
                width={Math.max(2, x(end) - x(toDoor))}
                height={16}
                rx={3}
                fill={palette['identity-tint']}
                stroke={short ? palette.danger : palette.identity}
                strokeWidth={short ? 2 : 1}
              />
              <Line
                x1={x(end)}
                x2={x(Math.min(longest, end + IN_HAND))}
                y1={y + 30}
                y2={y + 30}
                stroke={palette.ink2}
                strokeWidth={4}
                strokeDasharray="3 3"
              />
            </G>
          );
        })}
        <Line x1={x(hose)} x2={x(hose)} y1={0} y2={height - FOOT + 4} stroke={palette.ink} strokeWidth={3} />
      </Svg>
    </View>
  );
}
