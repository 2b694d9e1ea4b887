import { acrossRoom, showText, type RoomMeasure } from '@fine-spray/core';
import { View } from 'react-native';
import Svg, { Circle, Path } from 'react-native-svg';
import { pathOf } from '@/ui/svgPath';
import { Words } from '@/ui/text';
import { useTheme } from '@/ui/theme/theme';
import { useUnits } from '@/ui/units';

/** The plan of a measured room with the hose on its floor: from the door to the corner that is furthest on foot. */
export function FloorDrawing({ name, room }: { name: string; room: RoomMeasure }) {
  const { palette } = useTheme();
  const { system } = useUnits();
  const { points, length } = acrossRoom(room);
  const xs = room.plan.map(({ x }) => x);
  const ys = room.plan.map(({ y }) => y);
  const [left, low] = [Math.min(...xs) - 0.3, Math.min(...ys) - 0.3];
  const [wide, tall] = [Math.max(...xs) - left + 0.3, Math.max(...ys) - low + 0.3];
  const unit = Math.max(wide, tall) / 150;
  const [door, corner] = [points[0], points[points.length - 1]];
  return (
    <View
      className="items-start gap-1"
      role="img"
      aria-label={`${name}: the hose on its floor`}
      testID="floor"
    >
      <Svg viewBox={`${left} ${low} ${wide} ${tall}`} width={wide / unit} height={tall / unit}>
        <Path d={pathOf(room.plan)} fill={palette.wall} stroke={palette.ink} strokeWidth={2.5 * unit} />
        <Path
          d={points.map(({ x, y }, index) => `${index === 0 ? 'M' : 'L'}${x} ${y}`).join('')}
          stroke={palette.identity}
          strokeWidth={3 * unit}
          fill="none"
        />
        {door ? <Circle cx={door.x} cy={door.y} r={5 * unit} fill={palette.identity} /> : null}
        {corner ? (
          <Circle
            cx={corner.x}
            cy={corner.y}
            r={5 * unit}
            fill={palette.sheet}
            stroke={palette.identity}
            strokeWidth={2 * unit}
          />
        ) : null}
      </Svg>
      <Words size={14} weight="semi">{`${name}, ${showText(length, 'reach', system)}`}</Words>
    </View>
  );
}
