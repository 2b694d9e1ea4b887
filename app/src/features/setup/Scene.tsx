import { showBeside, showText, type SetupCard } from '@fine-spray/core';
import { View } from 'react-native';
import Svg, { Line, Path, Polygon, Rect, Text as SvgText } from 'react-native-svg';
import { useTheme } from '@/ui/theme/theme';
import { useUnits } from '@/ui/units';

const WIDTH = 340;
const HEIGHT = 190;
/** Gun tip and wall in the drawing; the fan is drawn to the scale of its distance. */
const TIP = { x: 196, y: 96 };
const WALL_X = 300;

/**
 * The line as it stands on site: pump, hose, gun, fan from the side, wall. The fan is to scale against the gun
 * distance: its angle on paper is its angle in the room.
 */
export function Scene({ card, hoseText }: { card: SetupCard; hoseText: string }) {
  const { palette } = useTheme();
  const { system } = useUnits();
  const reach = WALL_X - TIP.x;
  const half = Math.min(88, ((card.fan.value / card.distance.value) * reach) / 2);
  const text = { fontFamily: 'Next400', fontSize: 13, fill: palette.ink2 };
  const strong = { fontFamily: 'Next700', fontSize: 15, fill: palette.ink };
  const start = card.dialledIn?.state === 'used' ? 'dialled in' : 'start';
  const fanText = showText(card.fan.value, 'fanWidth', system);
  const label = `Pump to wall: pump at ${showText(card.pumpPressure.start, 'pressure', system)}, gun at ${showText(card.gunPressure.start, 'pressure', system)}, ${showText(card.distance.value, 'distance', system)} from the wall, fan ${fanText} wide`;
  return (
    <View role="img" aria-label={label}>
      <Svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} width="100%" style={{ aspectRatio: WIDTH / HEIGHT }}>
        <Rect x={WALL_X} y={6} width={7} height={HEIGHT - 12} fill={palette.wet} />
        <Rect x={WALL_X + 7} y={6} width={14} height={HEIGHT - 12} fill={palette.wall} />
        <Polygon
          points={`${TIP.x},${TIP.y} ${WALL_X},${TIP.y - half} ${WALL_X},${TIP.y + half}`}
          fill={palette['wet-tint']}
        />
        <Path
          d={`M${TIP.x} ${TIP.y} L${WALL_X} ${TIP.y - half} M${TIP.x} ${TIP.y} L${WALL_X} ${TIP.y + half}`}
          stroke={palette.wet}
          strokeWidth={1.5}
          strokeDasharray="5 4"
          fill="none"
        />
        <Path
          d={`M54 128 C 84 128, 78 84, 112 92 S 140 116, 158 106`}
          stroke={palette.identity}
          strokeWidth={3.5}
          fill="none"
          strokeLinecap="round"
        />
        <Rect
          x={10}
          y={106}
          width={44}
          height={40}
          rx={7}
          fill={palette.sheet}
          stroke={palette.ink}
          strokeWidth={2}
        />
        <Path d="M20 146 v10 M44 146 v10" stroke={palette.ink} strokeWidth={2} />
        <Path
          d={`M158 92 L${TIP.x - 8} 90 L${TIP.x} ${TIP.y} L${TIP.x - 10} 101 L176 102 L172 124 L160 124 L164 102 L156 100 Z`}
          fill={palette.sheet}
          stroke={palette.ink}
          strokeWidth={2}
          strokeLinejoin="round"
        />
        <SvgText x={8} y={84} {...text}>
          {`pump, ${start}`}
        </SvgText>
        <SvgText x={8} y={100} {...strong}>
          {showText(card.pumpPressure.start, 'pressure', system)}
        </SvgText>
        <SvgText x={60} y={150} {...text}>
          {hoseText}
        </SvgText>
        <SvgText x={112} y={58} {...text}>
          {`gun, ${start}`}
        </SvgText>
        <SvgText x={112} y={75} {...strong}>
          {showText(card.gunPressure.start, 'pressure', system)}
        </SvgText>
        <Line
          x1={TIP.x}
          y1={HEIGHT - 14}
          x2={WALL_X}
          y2={HEIGHT - 14}
          stroke={palette.ink2}
          strokeWidth={1}
        />
        <Path
          d={`M${TIP.x} ${HEIGHT - 19} v10 M${WALL_X} ${HEIGHT - 19} v10`}
          stroke={palette.ink2}
          strokeWidth={1}
        />
        <SvgText x={TIP.x - 8} y={HEIGHT - 10} textAnchor="end" {...strong}>
          {showText(card.distance.value, 'distance', system)}
        </SvgText>
        <Path
          d={`M${WALL_X + 28} ${TIP.y - half} h8 M${WALL_X + 32} ${TIP.y - half} V${TIP.y + half} M${WALL_X + 28} ${TIP.y + half} h8`}
          stroke={palette.ink2}
          strokeWidth={1}
          fill="none"
        />
        <SvgText x={WALL_X - 8} y={16} textAnchor="end" {...strong}>
          {`fan ${fanText}`}
        </SvgText>
        <SvgText x={WALL_X - 8} y={32} textAnchor="end" {...text}>
          {showBeside(card.fan.value, 'fanWidth', system)}
        </SvgText>
      </Svg>
    </View>
  );
}
