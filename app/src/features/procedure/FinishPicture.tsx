import type { FinishFaultId } from '@fine-spray/core';
import Svg, { Circle, G, Line, Path, Rect } from 'react-native-svg';
import { useTheme } from '@/ui/theme/theme';

const WIDTH = 96;
const HEIGHT = 64;

/** Points spread evenly without a pattern, the same each time: the additive sequence of the plastic number (Roberts 2018). */
const spread = (
  count: number,
): readonly { readonly x: number; readonly y: number; readonly size: number }[] =>
  Array.from({ length: count }, (_unused, index) => ({
    x: 6 + ((index * 0.7548776662) % 1) * (WIDTH - 12),
    y: 6 + ((index * 0.5698402909) % 1) * (HEIGHT - 12),
    size: 1 + ((index * 7) % 4) / 2,
  }));

/** What a fault of the finish looks like: a piece of a wall, light from above. */
export function FinishPicture({ fault }: { fault: FinishFaultId }) {
  const { palette } = useTheme();
  const { ink, ink2, wall, ground } = palette;
  const thin = { stroke: ink2, strokeWidth: 1.5, fill: 'none' } as const;
  const drawn: Record<FinishFaultId, React.ReactNode> = {
    runs: [16, 34, 55, 76].map((x, index) => (
      <Path
        key={x}
        d={`M${x - 9} 14 Q${x} ${30 + index * 4} ${x - 2} ${40 + index * 3} a3 4 0 1 0 5 0 Q${x + 2} 26 ${x + 10} 14`}
        {...thin}
      />
    )),
    pinholes: spread(26).map(({ x, y }, index) => <Circle key={index} cx={x} cy={y} r={1.2} fill={ink} />),
    'dry spray': spread(70).map(({ x, y }, index) => (
      <Rect key={index} x={x} y={y} width={1.4} height={1.4} fill={ink2} />
    )),
    'orange peel': Array.from({ length: 40 }, (_unused, index) => (
      <Path
        key={index}
        d={`M${6 + (index % 10) * 9} ${14 + Math.floor(index / 10) * 13} q4 -5 8 0`}
        {...thin}
      />
    )),
    craters: spread(7).map(({ x, y, size }, index) => (
      <G key={index}>
        <Circle cx={x} cy={y} r={3 + size * 1.5} {...thin} />
        <Circle cx={x} cy={y} r={1.2} fill={ink} />
      </G>
    )),
    laps: [10, 26, 42, 58].map((y) => (
      <Rect key={y} x={0} y={y - 3} width={WIDTH} height={5} fill={ink2} opacity={0.35} />
    )),
    frame: (
      <G>
        <Rect x={26} y={10} width={44} height={60} fill={ground} />
        <Rect x={22} y={6} width={52} height={68} stroke={ink2} strokeWidth={7} opacity={0.35} fill="none" />
      </G>
    ),
    fallout: spread(22).map(({ x, y, size }, index) =>
      index % 4 === 0 ? (
        <Path key={index} d={`M${x} ${y} q3 -4 6 1 t5 -2`} {...thin} />
      ) : (
        <Circle key={index} cx={x} cy={y} r={size} fill={ink2} />
      ),
    ),
    thin: [8, 30, 52, 74].map((x) => (
      <Rect key={x} x={x} y={0} width={9} height={HEIGHT} fill={ground} opacity={0.8} />
    )),
    stains: (
      <G>
        <Path d="M20 20 q14 -14 26 0 t18 12 q-6 20 -26 14 t-18 -26" fill={ink2} opacity={0.35} />
        <Path d="M30 26 q8 -8 15 0 t10 8 q-4 10 -15 8 t-10 -16" fill={ink2} opacity={0.35} />
      </G>
    ),
    wrinkling: [12, 22, 32, 42, 52].map((y) => (
      <Path key={y} d={`M6 ${y} q7 -8 14 0 t14 0 t14 0 t14 0 t14 0 t14 0`} {...thin} />
    )),
    patches: (
      <G>
        <Path d="M0 0 h52 q-8 22 6 34 t-8 30 h-50 z" fill={ground} opacity={0.7} />
        <Line x1={66} y1={10} x2={78} y2={24} stroke={ink2} strokeWidth={3} />
        <Line x1={76} y1={10} x2={82} y2={17} stroke={ink2} strokeWidth={3} />
      </G>
    ),
    spits: [
      [18, 22],
      [44, 40],
      [62, 18],
      [80, 48],
    ].map(([x = 0, y = 0]) => (
      <G key={x}>
        <Circle cx={x} cy={y} r={5} fill={ink2} />
        <Circle cx={x + 6} cy={y + 6} r={1.6} fill={ink2} />
      </G>
    )),
  };
  return (
    <Svg width={WIDTH} height={HEIGHT} viewBox={`0 0 ${WIDTH} ${HEIGHT}`} aria-hidden>
      <Rect x={0} y={0} width={WIDTH} height={HEIGHT} fill={wall} />
      {drawn[fault]}
    </Svg>
  );
}
