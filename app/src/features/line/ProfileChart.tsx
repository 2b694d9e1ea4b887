import { showText, type ProfilePoint } from '@fine-spray/core';
import { View } from 'react-native';
import Svg, { Circle, G, Line as Rule, Path, Text as SvgText } from 'react-native-svg';
import { useTheme } from '@/ui/theme/theme';
import { useUnits } from '@/ui/units';

const BOX = { width: 360, height: 210, left: 14, right: 14, top: 26, bottom: 42 } as const;
/** Room at the right for gun and tip, which have next to no length. */
const FRONT = 84;
/** Least room between two names, in the same points. */
const APART = 34;

/** Pressure from the pump to the wall: falling along each hose, then through gun and tip. */
export function ProfileChart({ points, rating }: { points: readonly ProfilePoint[]; rating: number }) {
  const { palette } = useTheme();
  const { system } = useUnits();
  const total = Math.max(1e-6, ...points.map(({ at }) => at));
  const wide = BOX.width - BOX.left - BOX.right - FRONT;
  const hoses = points.filter(({ part }) => part === 'Pump' || part.startsWith('Hose'));
  const x = ({ at, part }: ProfilePoint) => {
    const along = BOX.left + (hoses.length > 1 ? (at / total) * wide : 0);
    if (part === 'Gun') return along + FRONT / 2;
    return part === 'Tip' ? along + FRONT : along;
  };
  const y = (pressure: number) =>
    BOX.top +
    (1 - pressure / Math.max(rating, points[0]?.pressure ?? 1)) * (BOX.height - BOX.top - BOX.bottom);
  const floor = y(0);
  const path = points
    .map((point, index) => `${index === 0 ? 'M' : 'L'}${x(point)} ${y(point.pressure)}`)
    .join('');
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
  return (
    <View aria-label={`Pressure along the line: ${words}`} role="img" testID="line-profile">
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
          {`pump gives at most ${showText(rating, 'pressure', system)}`}
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
        {points.map((point, index) => {
          const gun = point.part === 'Gun';
          const end = point.part === 'Tip';
          return (
            <G key={point.part}>
              <Circle
                cx={x(point)}
                cy={y(point.pressure)}
                r={6}
                fill={palette.sheet}
                stroke={palette.ink}
                strokeWidth={2}
              />
              {end ? null : (
                <SvgText
                  x={x(point) + (index === 0 ? 10 : 0)}
                  y={y(point.pressure) + (index === 0 ? 20 : -12)}
                  fontSize={14}
                  fill={palette.ink}
                  textAnchor={index === 0 ? 'start' : 'middle'}
                  fontFamily="Mono700"
                >
                  {gun || index === 0 ? showText(point.pressure, 'pressure', system) : ''}
                </SvgText>
              )}
              {labelled.has(point) ? (
                <SvgText
                  x={x(point)}
                  y={floor + 18}
                  fontSize={13}
                  fill={palette.ink2}
                  textAnchor={index === 0 ? 'start' : 'middle'}
                  fontFamily="Next600"
                >
                  {nameOf(point)}
                </SvgText>
              ) : null}
            </G>
          );
        })}
      </Svg>
    </View>
  );
}
