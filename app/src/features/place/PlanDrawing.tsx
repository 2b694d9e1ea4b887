import { floorArea, showText, wallLengths, type Polygon, type RoomShape } from '@fine-spray/core';
import { View } from 'react-native';
import Svg, { Circle, G, Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import { useTheme } from '@/ui/theme/theme';
import { useUnits } from '@/ui/units';
import { useWide } from '@/ui/wide';
import { pathOf } from '@/ui/svgPath';
import { besideWall, frameOf } from './drawing';

/** Most room a plan takes on the screen, px, and what the lengths of its walls need around it. */
const ROOM = { phone: { width: 250, height: 150 }, wide: { width: 300, height: 300 } } as const;
const AROUND = { x: 48, y: 26 };

/** Room that the floor area needs inside, and the shortest wall that has its length beside it, px. */
const AREA_WIDTH = 96;
const SHORTEST = 16;

/** A length as short as fits beside its wall. */
const short = (text: string) => text.replace(' m', '').replace(' ft', '′');

/** The ridge of a vaulted ceiling, or the high side of a sloped one, as a line across the plan. */
function ridgeLine({ plan, ceiling }: RoomShape): readonly [number, number, number, number] | undefined {
  if (ceiling.shape === 'flat') return undefined;
  const { x, y, width, height } = frameOf(plan, 0);
  const share = ceiling.shape === 'vaulted' ? 0.5 : 0.94;
  return ceiling.rises === 'x'
    ? [x + width * share, y, x + width * share, y + height]
    : [x, y + height * share, x + width, y + height * share];
}

/** The plan of a room to scale: walls with their lengths, floor area in the middle; each wall can be tapped. */
export function PlanDrawing({
  room,
  chosen,
  onWall,
}: {
  room: RoomShape;
  chosen?: number | undefined;
  onWall?: (wall: number) => void;
}) {
  const { palette } = useTheme();
  const { system } = useUnits();
  const wide = useWide();
  const { plan } = room;
  const extent = frameOf(plan, 0);
  const most = wide ? ROOM.wide : ROOM.phone;
  /** Metres that one pixel shows. */
  const unit = Math.max(extent.width / most.width, extent.height / most.height);
  const frame = {
    x: extent.x - AROUND.x * unit,
    y: extent.y - AROUND.y * unit,
    width: extent.width + 2 * AROUND.x * unit,
    height: extent.height + 2 * AROUND.y * unit,
  };
  const ridge = ridgeLine(room);
  const text = {
    fontFamily: 'Next600',
    fontSize: 14 * unit,
    fill: palette.ink,
    textAnchor: 'middle' as const,
  };
  const middle = centreOf(plan);
  return (
    <View
      role="img"
      aria-label={`Plan to scale: ${plan.length} walls, floor ${showText(floorArea(room), 'area', system)}`}
      testID="plan"
      className="items-center"
    >
      <Svg
        viewBox={`${frame.x} ${frame.y} ${frame.width} ${frame.height}`}
        width={frame.width / unit}
        height={frame.height / unit}
      >
        <Path d={pathOf(plan)} fill={palette.wall} />
        {ridge ? (
          <Line
            x1={ridge[0]}
            y1={ridge[1]}
            x2={ridge[2]}
            y2={ridge[3]}
            stroke={palette.ink2}
            strokeWidth={1.2 * unit}
            strokeDasharray={`${8 * unit} ${5 * unit}`}
          />
        ) : null}
        {middle.long > AREA_WIDTH * unit && ridge ? (
          // The line of the ridge stops short of the number.
          <Rect
            x={middle.x - (AREA_WIDTH / 2) * unit}
            y={middle.y - 14 * unit}
            width={AREA_WIDTH * unit}
            height={28 * unit}
            fill={palette.wall}
          />
        ) : null}
        {middle.long > AREA_WIDTH * unit ? (
          <SvgText x={middle.x} y={middle.y + 8 * unit} {...text} fontSize={22 * unit} fontFamily="Mono700">
            {showText(floorArea(room), 'area', system)}
          </SvgText>
        ) : null}
        {wallLengths(plan).map((length, index) => {
          const [a, b] = [plan[index], plan[(index + 1) % plan.length]];
          if (!a || !b) return null;
          const out = besideWall(a, b, -9 * unit);
          const sideways = (out.x - (a.x + b.x) / 2) / (9 * unit);
          const anchor = sideways > 0.5 ? 'start' : sideways < -0.5 ? 'end' : 'middle';
          const down = (out.y - (a.y + b.y) / 2) / (9 * unit);
          const picked = chosen === index;
          return (
            <G key={index} onPress={onWall ? () => onWall(index) : undefined}>
              {/* A wide line that is not seen takes the thumb. */}
              <Line x1={a.x} y1={a.y} x2={b.x} y2={b.y} stroke="transparent" strokeWidth={44 * unit} />
              <Line
                x1={a.x}
                y1={a.y}
                x2={b.x}
                y2={b.y}
                stroke={picked ? palette.identity : palette.ink}
                strokeWidth={(picked ? 7 : 4) * unit}
                strokeLinecap="square"
              />
              <SvgText x={out.x} y={out.y + (5 + 5 * down) * unit} {...text} textAnchor={anchor}>
                {length > SHORTEST * unit ? short(showText(length, 'size', system)) : ''}
              </SvgText>
            </G>
          );
        })}
        {plan.map(({ x, y }, index) => (
          <Circle key={index} cx={x} cy={y} r={3 * unit} fill={palette.ink} />
        ))}
      </Svg>
    </View>
  );
}

/** A point inside most rooms to write at: the middle of the longest part of the middle line. */
function centreOf(plan: Polygon) {
  const { x, y, width, height } = frameOf(plan, 0);
  let best = { x: x + width / 2, y: y + height / 2, long: -1 };
  for (const share of [0.5, 0.35, 0.65, 0.2, 0.8]) {
    const line = y + height * share + 1e-6;
    const crossings = plan
      .flatMap((a, index) => {
        const b = plan[(index + 1) % plan.length] ?? a;
        return a.y > line !== b.y > line ? [a.x + ((line - a.y) / (b.y - a.y)) * (b.x - a.x)] : [];
      })
      .sort((one, other) => one - other);
    for (let index = 0; index + 1 < crossings.length; index += 2) {
      const [from = 0, to = 0] = [crossings[index], crossings[index + 1]];
      if (to - from > best.long + 0.05) best = { x: (from + to) / 2, y: line, long: to - from };
    }
  }
  return best;
}
