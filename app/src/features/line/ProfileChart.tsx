import { showText, type ProfilePoint } from '@fine-spray/core';
import { scaleLinear } from 'd3-scale';
import { useRef } from 'react';
import { View } from 'react-native';
import Svg, { Circle, G, Line as Rule, Path, Text as SvgText } from 'react-native-svg';
import { lineThrough } from '@/ui/svgPath';
import { useTheme } from '@/ui/theme/theme';
import { useUnits } from '@/ui/units';

const BOX = { width: 360, height: 210, left: 14, right: 14, top: 26, bottom: 42 } as const;
/** Room at the right for gun and tip, which have next to no length. */
const FRONT = 84;
/** Least room between two names, in the same points. */
const APART = 34;

/** Length the drawing has room for over the line as it was first drawn. */
const ROOM = 1.3;
/** How near to a hose's end a finger must come down to pull it, in points of the drawing. */
const GRIP = 40;

/**
 * Pulling the end of a hose along the drawing makes it longer or shorter; the end follows the hand, since the scale leaves room
 * and changes only where the line outgrows it.
 */
function useDrag(
  points: readonly ProfilePoint[],
  x: (point: ProfilePoint) => number,
  metresPerPoint: number,
  onDrag: ((hose: number, metres: number | undefined) => void) | undefined,
) {
  const held = useRef<{ hose: number; at: number }>(undefined);
  if (!onDrag) return {};
  const across = (event: PointerEvent) => {
    const box = (event.currentTarget as HTMLElement).getBoundingClientRect();
    return ((event.clientX - box.left) / box.width) * BOX.width;
  };
  return {
    style: { touchAction: 'pan-y', cursor: 'ew-resize' } as object,
    onPointerDown: (event: unknown) => {
      const pointer = event as PointerEvent;
      const at = across(pointer);
      const ends = points.filter(({ part }) => part.startsWith('Hose'));
      const distances = ends.map((end) => Math.abs(x(end) - at));
      const hose = distances.indexOf(Math.min(...distances));
      if (hose < 0 || (distances[hose] ?? Infinity) > GRIP) return;
      held.current = { hose, at };
      onDrag(hose, undefined);
      (pointer.currentTarget as HTMLElement).setPointerCapture?.(pointer.pointerId);
    },
    onPointerMove: (event: unknown) => {
      if (!held.current) return;
      const { hose, at } = held.current;
      onDrag(hose, (across(event as PointerEvent) - at) * metresPerPoint);
    },
    onPointerUp: () => {
      held.current = undefined;
    },
    onPointerCancel: () => {
      held.current = undefined;
    },
  };
}

/** Pressure from the pump to the wall: falling along each hose, then through gun and tip. */
export function ProfileChart({
  points,
  rating,
  onDrag,
}: {
  points: readonly ProfilePoint[];
  rating: number;
  /** A hose's end is gripped (no metres), then pulled: which hose, and how far from where it was gripped. */
  onDrag?: (hose: number, metres: number | undefined) => void;
}) {
  const { palette } = useTheme();
  const { system } = useUnits();
  const total = Math.max(1e-6, ...points.map(({ at }) => at));
  const wide = BOX.width - BOX.left - BOX.right - FRONT;
  const hoses = points.filter(({ part }) => part === 'Pump' || part.startsWith('Hose'));
  const span = useRef(total * ROOM);
  if (total > span.current) span.current = total * ROOM;
  const reach = scaleLinear([0, span.current], [BOX.left, BOX.left + wide]);
  const x = ({ at, part }: ProfilePoint) => {
    const along = hoses.length > 1 ? reach(at) : BOX.left;
    if (part === 'Gun') return along + FRONT / 2;
    return part === 'Tip' ? along + FRONT : along;
  };
  const y = scaleLinear([0, Math.max(rating, points[0]?.pressure ?? 1)], [BOX.height - BOX.bottom, BOX.top]);
  const floor = y(0);
  const path = lineThrough(points.map((point) => ({ x: x(point), y: y(point.pressure) })));
  const last = points[points.length - 1];
  const nameOf = ({ part, at }: ProfilePoint) =>
    part.startsWith('Hose') ? showText(at, 'hoseLength', system) : part.toLowerCase();
  // From the wall back: a name that would stand in another's way is left out, gun and tip last.
  const labelled = new Set<ProfilePoint>();
  let free = Infinity;
  for (const point of [...points].reverse()) {
    if (free - x(point) < APART && point.part !== 'Pump') continue;
    labelled.add(point);
    free = x(point);
  }
  const words = points
    .map(({ part, pressure }) => `${part} ${showText(pressure, 'pressure', system)}`)
    .join(', ');
  const drag = useDrag(points, x, span.current / wide, onDrag);
  return (
    <View {...drag} aria-label={`Pressure along the line: ${words}`} role="img" testID="line-profile">
      <Svg
        width="100%"
        viewBox={`0 0 ${BOX.width} ${BOX.height}`}
        style={{ aspectRatio: BOX.width / BOX.height }}
        aria-hidden
      >
        <Rule
          x1={BOX.left}
          x2={BOX.width - BOX.right}
          y1={y(rating)}
          y2={y(rating)}
          stroke={palette.caution}
          strokeDasharray="6 4"
        />
        <SvgText
          x={BOX.width - BOX.right}
          y={y(rating) - 6}
          fontSize={12}
          fill={palette.caution}
          textAnchor="end"
          fontFamily="Next400"
        >
          {`pump limit ${showText(rating, 'pressure', system)}`}
        </SvgText>
        {last ? (
          <Path d={`${path}L${x(last)} ${floor}L${BOX.left} ${floor}Z`} fill={palette['identity-tint']} />
        ) : null}
        <Path d={path} stroke={palette.identity} strokeWidth={4} fill="none" strokeLinejoin="round" />
        <Rule
          x1={BOX.left}
          x2={BOX.width - BOX.right}
          y1={floor}
          y2={floor}
          stroke={palette.ink}
          strokeWidth={1.5}
        />
        {points.map((point, index) => (
          <Mark
            key={point.part}
            point={point}
            at={{ x: x(point), y: y(point.pressure) }}
            floor={floor}
            first={index === 0}
            name={labelled.has(point) ? nameOf(point) : undefined}
          />
        ))}
      </Svg>
    </View>
  );
}

/** A part of the line: where it stands, its pressure where there is room for it, its name below. */
function Mark({
  point,
  at,
  floor,
  first,
  name,
}: {
  point: ProfilePoint;
  at: { readonly x: number; readonly y: number };
  floor: number;
  first: boolean;
  name: string | undefined;
}) {
  const { palette } = useTheme();
  const { system } = useUnits();
  return (
    <G>
      <Circle cx={at.x} cy={at.y} r={6} fill={palette.sheet} stroke={palette.ink} strokeWidth={2} />
      {point.part === 'Tip' ? null : (
        <SvgText
          x={at.x + (first ? 10 : 0)}
          y={at.y + (first ? 20 : -12)}
          fontSize={14}
          fill={palette.ink}
          textAnchor={first ? 'start' : 'middle'}
          fontFamily="Mono700"
        >
          {point.part === 'Gun' || first ? showText(point.pressure, 'pressure', system) : ''}
        </SvgText>
      )}
      {name === undefined ? null : (
        <SvgText
          x={at.x}
          y={floor + 18}
          fontSize={13}
          fill={palette.ink2}
          textAnchor={first ? 'start' : 'middle'}
          fontFamily="Next600"
        >
          {name}
        </SvgText>
      )}
    </G>
  );
}
