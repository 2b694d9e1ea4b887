import { showText } from '@fine-spray/core';
import { memo } from 'react';
import { Pressable, View } from 'react-native';
import { Words } from '@/ui/text';
import { useTheme } from '@/ui/theme/theme';
import { useUnits } from '@/ui/units';

/** Teeth on one side of the comb: as many as a gloved thumb can tell apart across a phone. */
const ON_A_SIDE = 6;
/** Height of the drawn gap, px, for the highest tooth of a side. */
const GAP = 34;

/** A comb as it is in the hand: its sides one below the other, each tooth a target; gaps grow with the film they read. */
export const CombPicture = memo(function CombPicture({
  teeth,
  target,
  onTap,
}: {
  teeth: readonly number[];
  target: number | undefined;
  onTap: (tooth: number | null) => void;
}) {
  const sides = Array.from({ length: Math.ceil(teeth.length / ON_A_SIDE) }, (_unused, side) =>
    teeth.slice(side * ON_A_SIDE, (side + 1) * ON_A_SIDE),
  );
  // The tooth that would be the last wet one were the film as wanted.
  const aimed = target === undefined ? undefined : teeth.findLast((tooth) => tooth <= target);
  return (
    <View className="gap-2" role="group" aria-label="Comb: tap the last tooth that is wet">
      {sides.map((side, index) => (
        <Side key={index} side={side} aimed={aimed} onTap={onTap} />
      ))}
      <Pressable
        role="button"
        onPress={() => onTap(null)}
        className="min-h-[56px] items-center justify-center rounded-xl border-2 border-ink bg-sheet"
      >
        <Words weight="semi">No tooth is wet</Words>
      </Pressable>
    </View>
  );
});

function Side({
  side,
  aimed,
  onTap,
}: {
  side: readonly number[];
  aimed: number | undefined;
  onTap: (tooth: number) => void;
}) {
  const { palette } = useTheme();
  const { system } = useUnits();
  const highest = side[side.length - 1] ?? 1;
  return (
    <View className="rounded-xl border-2 border-ink bg-rule/40 pt-2">
      <View className="flex-row">
        {side.map((tooth) => {
          const wanted = tooth === aimed;
          return (
            <Pressable
              key={tooth}
              role="button"
              aria-label={`Tooth ${showText(tooth, 'wetFilm', system)}${wanted ? ', the one to aim at' : ''}`}
              onPress={() => onTap(tooth)}
              className="min-h-[92px] min-w-[48px] flex-1 items-center justify-end"
            >
              <View className="h-7 justify-center">
                <Words weight="digits-bold" colour={wanted ? 'wet' : 'ink'}>
                  {showText(tooth, 'wetFilm', system).split(' ')[0] ?? ''}
                </Words>
              </View>
              <View
                className={`w-[78%] flex-1 rounded-b-sm ${wanted ? 'border-2 border-wet' : ''}`}
                style={{ backgroundColor: wanted ? palette['wet-tint'] : palette.ink2 }}
              />
              {/* The gap between tooth and wall: what the tooth does not reach. */}
              <View style={{ height: 3 + (GAP * tooth) / highest }} />
            </Pressable>
          );
        })}
      </View>
      <View className="h-2 rounded-b-lg bg-wet" aria-hidden />
    </View>
  );
}
