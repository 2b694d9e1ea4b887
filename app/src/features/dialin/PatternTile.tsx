import { drawPattern, seeded, typicalPattern, type Seen } from '@fine-spray/core';
import { memo, useMemo } from 'react';
import { Pressable, View } from 'react-native';
import Svg, { Path, Rect } from 'react-native-svg';
import { Words } from '@/ui/text';
import { useTheme } from '@/ui/theme/theme';

/** What each pattern is called by somebody who looks at the card. */
export const SEEN_WORDS: Readonly<Record<Seen, { readonly name: string; readonly looks: string }>> = {
  even: { name: 'Even', looks: 'Full, soft at both edges' },
  tails: { name: 'Tails', looks: 'A stripe at each edge' },
  'heavy edges': { name: 'Heavy edges', looks: 'Dark bands, light middle' },
  split: { name: 'Split', looks: 'A gap in the middle' },
  'one-sided': { name: 'One-sided', looks: 'More to one side' },
  fog: { name: 'Fog', looks: 'Mist around, it bounces' },
  spitting: { name: 'Spitting', looks: 'Drops beside it' },
  pulsing: { name: 'Pulsing', looks: 'Dark and light by turns' },
};

const COLUMNS = 52;
const ROWS = 24;
const LEVELS = 9;

/** Cells of a pattern drawn by the model, gathered by how dark they are: one path a level. */
function levelsOf(
  seen: Seen,
  exponent: number,
): readonly { readonly opacity: number; readonly path: string }[] {
  const { film } = drawPattern(typicalPattern(seen, exponent), COLUMNS, ROWS, seeded(3));
  const most = 1.5;
  const paths = Array.from({ length: LEVELS }, () => '');
  for (let row = 0; row < ROWS; row += 1) {
    for (let column = 0; column < COLUMNS; column += 1) {
      const share = Math.min(1, (film[row * COLUMNS + column] ?? 0) / most);
      const level = Math.round(share * LEVELS) - 1;
      if (level >= 0) paths[level] = `${paths[level] ?? ''}M${column} ${row}h1.04v1.04h-1.04Z`;
    }
  }
  return paths
    .map((path, index) => ({ opacity: (index + 1) / LEVELS, path }))
    .filter(({ path }) => path !== '');
}

/** A pattern as the card would show it: the stroke runs down, the fan lies across. */
export function PatternPicture({
  seen,
  exponent,
  height = 72,
}: {
  seen: Seen;
  exponent: number;
  height?: number;
}) {
  const { palette } = useTheme();
  const levels = useMemo(() => levelsOf(seen, exponent), [seen, exponent]);
  return (
    <Svg
      width="100%"
      height={height}
      viewBox={`0 0 ${COLUMNS} ${ROWS}`}
      preserveAspectRatio="none"
      aria-hidden
    >
      <Rect x={0} y={0} width={COLUMNS} height={ROWS} fill={palette.ground} />
      {levels.map(({ opacity, path }) => (
        <Path key={opacity} d={path} fill={palette.wet} opacity={opacity} />
      ))}
    </Svg>
  );
}

/** A pattern to tap: picture, name, and what to look for. */
export const PatternTile = memo(function PatternTile({
  seen,
  exponent,
  onPress,
}: {
  seen: Seen;
  exponent: number;
  onPress: (seen: Seen) => void;
}) {
  const { name, looks } = SEEN_WORDS[seen];
  return (
    <Pressable
      role="button"
      onPress={() => onPress(seen)}
      className="min-w-[45%] flex-1 gap-1 lg:min-w-[22%] rounded-xl border-2 border-rule bg-sheet p-2 hover:border-identity"
    >
      {/* What is tapped is the tile: to look for the finger among the cells of its picture takes longer than to answer it. */}
      <View className="pointer-events-none overflow-hidden rounded-lg">
        <PatternPicture seen={seen} exponent={exponent} />
      </View>
      <Words size={18} weight="bold">
        {name}
      </Words>
      <Words size={14} colour="ink2">
        {looks}
      </Words>
    </Pressable>
  );
});
