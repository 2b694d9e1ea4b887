import { asPlan, checkRoom, showText, snapped, type Point, type Polygon } from '@fine-spray/core';
import Undo from 'lucide-react-native/icons/undo-2';
import { useRef, useState } from 'react';
import { View, type GestureResponderEvent, type LayoutChangeEvent } from 'react-native';
import Svg, { Circle, Line, Path, Text as SvgText } from 'react-native-svg';
import { Button } from '@/ui/button';
import { FieldError } from '@/ui/field';
import { Sheet } from '@/ui/sheet';
import { Words } from '@/ui/text';
import { useTheme } from '@/ui/theme/theme';
import { useUnits } from '@/ui/units';

/** The paper: so many metres wide, lines at each grid step, corners on its halves. */
const PAPER = {
  metric: { width: 10, height: 10, grid: 1, snap: 0.1 },
  us: { width: 32 * 0.3048, height: 32 * 0.3048, grid: 4 * 0.3048, snap: 0.3048 / 2 },
} as const;

/** How near the first corner a tap closes the plan, as a share of the paper. */
const CLOSE = 0.05;

type Paper = (typeof PAPER)[keyof typeof PAPER];

/** Draws the plan of a room with the finger: each tap or lift of a drag is a corner, the first corner closes it. */
export function DrawPad({
  height,
  onDone,
  onClose,
}: {
  height: number;
  onDone: (plan: Polygon) => void;
  onClose: () => void;
}) {
  const { system } = useUnits();
  const paper = PAPER[system];
  const [corners, setCorners] = useState<readonly Point[]>([]);
  const [hover, setHover] = useState<Point>();
  const [refused, setRefused] = useState<string>();
  const width = useRef(1);
  const last = corners[corners.length - 1];
  const [first] = corners;

  const pointAt = ({ nativeEvent: { locationX, locationY } }: GestureResponderEvent): Point => {
    const scale = paper.width / width.current;
    return snapped({ x: locationX * scale, y: locationY * scale }, paper.snap, last);
  };
  const near = (a: Point, b: Point) => Math.hypot(a.x - b.x, a.y - b.y) < paper.width * CLOSE;

  function finish() {
    const plan = asPlan(corners);
    const checked = checkRoom({ plan, height, ceiling: { shape: 'flat' } }, system);
    if (checked.ok) onDone(plan);
    else setRefused(checked.message);
  }
  function put(point: Point) {
    setHover(undefined);
    setRefused(undefined);
    if (first && corners.length >= 3 && near(point, first)) {
      finish();
      return;
    }
    if (!last || Math.hypot(point.x - last.x, point.y - last.y) > paper.snap / 2)
      setCorners([...corners, point]);
  }

  return (
    <Sheet title="Draw the plan" onClose={onClose}>
      <Words colour="ink2">
        {corners.length === 0
          ? `Tap the corners in order. One square is ${showText(paper.grid, 'size', system)}.`
          : corners.length < 3
            ? 'Next corner. Nearly straight becomes straight.'
            : 'Next corner, or close the plan at its first corner.'}
      </Words>
      <View
        onLayout={({ nativeEvent }: LayoutChangeEvent) => {
          width.current = nativeEvent.layout.width;
        }}
        onStartShouldSetResponder={() => true}
        onResponderTerminationRequest={() => false}
        onResponderGrant={(event) => setHover(pointAt(event))}
        onResponderMove={(event) => setHover(pointAt(event))}
        onResponderRelease={(event) => put(pointAt(event))}
        // The finger draws here and does not scroll the sheet.
        style={{ touchAction: 'none', aspectRatio: paper.width / paper.height } as object}
        className="w-full overflow-hidden rounded-xl border border-rule bg-sheet"
        testID="draw-pad"
      >
        <Drawing paper={paper} corners={corners} hover={hover} />
      </View>
      {refused ? <FieldError message={refused} /> : null}
      <View className="flex-row flex-wrap gap-2">
        <Button
          label="Last corner off"
          icon={Undo}
          disabled={corners.length === 0}
          onPress={() => setCorners(corners.slice(0, -1))}
        />
        <Button label="Close the plan" kind="primary" disabled={corners.length < 3} onPress={finish} />
      </View>
      <Words size={14} colour="ink2">
        Exact lengths are typed afterwards, wall by wall.
      </Words>
    </Sheet>
  );
}

/** What has been drawn so far: squares, corners, and the wall that is being drawn with its length. */
function Drawing({
  paper,
  corners,
  hover,
}: {
  paper: Paper;
  corners: readonly Point[];
  hover: Point | undefined;
}) {
  const { palette } = useTheme();
  const { system } = useUnits();
  const last = corners[corners.length - 1];
  const unit = paper.width / 340;
  const lines = Array.from(
    { length: Math.round(paper.width / paper.grid) + 1 },
    (_unused, index) => index * paper.grid,
  );
  const length = hover && last ? Math.hypot(hover.x - last.x, hover.y - last.y) : 0;
  return (
    <Svg viewBox={`0 0 ${paper.width} ${paper.height}`} width="100%" height="100%" pointerEvents="none">
      {lines.map((at) => (
        <Line
          key={`x${at}`}
          x1={at}
          y1={0}
          x2={at}
          y2={paper.height}
          stroke={palette.rule}
          strokeWidth={unit}
        />
      ))}
      {lines.map((at) => (
        <Line
          key={`y${at}`}
          x1={0}
          y1={at}
          x2={paper.width}
          y2={at}
          stroke={palette.rule}
          strokeWidth={unit}
        />
      ))}
      {corners.length > 1 ? (
        <Path
          d={`M${corners.map(({ x, y }) => `${x} ${y}`).join('L')}`}
          fill="none"
          stroke={palette.ink}
          strokeWidth={4 * unit}
        />
      ) : null}
      {last && hover ? (
        <>
          <Line
            x1={last.x}
            y1={last.y}
            x2={hover.x}
            y2={hover.y}
            stroke={palette.identity}
            strokeWidth={4 * unit}
            strokeDasharray={`${8 * unit} ${5 * unit}`}
          />
          <SvgText
            x={(last.x + hover.x) / 2}
            y={(last.y + hover.y) / 2 - 10 * unit}
            fontFamily="Mono700"
            fontSize={18 * unit}
            fill={palette.ink}
            textAnchor="middle"
          >
            {showText(length, 'size', system)}
          </SvgText>
        </>
      ) : null}
      {corners.map(({ x, y }, index) => (
        <Circle
          key={index}
          cx={x}
          cy={y}
          r={(index === 0 && corners.length >= 3 ? 12 : 6) * unit}
          fill={index === 0 ? palette['identity-tint'] : palette.ink}
          stroke={palette.ink}
          strokeWidth={2 * unit}
        />
      ))}
    </Svg>
  );
}
