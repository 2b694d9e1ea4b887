import type { TroubleId } from '@fine-spray/core';
import type { ReactNode } from 'react';
import Svg, { Circle, G, Path, Rect } from 'react-native-svg';
import { useTheme } from '@/ui/theme/theme';

const WIDTH = 96;
const HEIGHT = 64;

/** A drop, its point up. */
const drop = (x: number, y: number) => `M${x} ${y} q5 7 0 10 q-5 -3 0 -10`;

/** Where a fault of a machine is seen: the part it is at, told by form alone. */
export function TroublePicture({ trouble }: { trouble: TroubleId }) {
  const { palette } = useTheme();
  const { ink, ink2, ground, sheet } = palette;
  const part = { stroke: ink2, strokeWidth: 2, fill: sheet } as const;
  const mark = { stroke: ink, strokeWidth: 2.5, fill: 'none', strokeLinecap: 'round' } as const;
  const drops = { fill: ink } as const;
  /** A gun pointing right, its guard and tip at the end. */
  const gun = <Path d="M12 22H58V34H40L34 56H20L26 34H12Z" {...part} />;
  const guard = <Path d="M58 18H70L76 22V34L70 38H58Z" {...part} />;
  /** A pump on its legs with the suction below and the outlet to the right. */
  const pump = (
    <G>
      <Rect x={28} y={8} width={34} height={26} rx={4} {...part} />
      <Rect x={38} y={34} width={10} height={22} {...part} />
    </G>
  );
  const drawn: Record<TroubleId, ReactNode> = {
    leak: (
      <G>
        <Path d="M4 20H36" {...mark} strokeWidth={7} stroke={ink2} />
        <Path d="M60 20H92" {...mark} strokeWidth={7} stroke={ink2} />
        <Rect x={34} y={11} width={28} height={18} rx={3} {...part} />
        <Path d={drop(40, 34)} {...drops} />
        <Path d={drop(50, 42)} {...drops} />
        <Path d={drop(58, 34)} {...drops} />
      </G>
    ),
    'clogged tip': (
      <G>
        {gun}
        {guard}
        <Circle cx={75} cy={28} r={4} fill={ink} />
        <Path d="M80 24L92 14M80 32L92 44" {...mark} />
      </G>
    ),
    'dripping gun': (
      <G>
        {gun}
        {guard}
        <Path d={drop(78, 34)} {...drops} />
        <Path d={drop(78, 48)} {...drops} />
      </G>
    ),
    'leak at the guard': (
      <G>
        {gun}
        {guard}
        <Path d="M58 14L52 4M62 13V3M66 14L72 5" {...mark} />
        <Path d={drop(60, 42)} {...drops} />
      </G>
    ),
    'leak at the packing': (
      <G>
        <Rect x={34} y={26} width={28} height={34} rx={3} {...part} />
        <Rect x={43} y={2} width={10} height={26} {...part} />
        <Path d={drop(34, 14)} {...drops} />
        <Path d={drop(62, 14)} {...drops} />
        <Path d="M38 22Q48 30 58 22" {...mark} />
      </G>
    ),
    'no suction': (
      <G>
        {pump}
        <Path d="M14 46V62H82V46" {...mark} stroke={ink2} />
        {[
          [31, 52, 3],
          [55, 50, 4],
          [62, 57, 2.5],
          [25, 58, 2],
        ].map(([x, y, r]) => (
          <Circle key={x} cx={x} cy={y} r={r} stroke={ink} strokeWidth={1.8} fill={ground} />
        ))}
      </G>
    ),
    'runs on': (
      <G>
        {pump}
        <Path d="M72 14A16 16 0 1 1 70 30" {...mark} />
        <Path d="M66 30H71V25" {...mark} />
        <Path d="M12 30A14 14 0 0 1 20 8" {...mark} />
      </G>
    ),
    'low pressure': (
      <G>
        <Circle cx={30} cy={32} r={24} {...part} />
        <Path d="M30 32L14 44" {...mark} />
        <Path d="M30 12V16M50 32H46M14 18L17 21M46 18L43 21" {...mark} strokeWidth={1.5} />
        <Path d="M64 12V52M88 12V52" {...mark} strokeWidth={5} />
        <Path d="M76 16V48" {...mark} strokeDasharray="2 5" />
      </G>
    ),
  };
  return (
    <Svg width={WIDTH} height={HEIGHT} viewBox={`0 0 ${WIDTH} ${HEIGHT}`} aria-hidden>
      <Rect width={WIDTH} height={HEIGHT} fill={ground} />
      {drawn[trouble]}
    </Svg>
  );
}
