import type { Coating } from '@fine-spray/contract';
import { coreLayers, type SystemChoice } from '@fine-spray/contract/planning';
import { checkSystem, showText, systemFilm, systemWaiting, type Ground } from '@fine-spray/core';
import TriangleAlert from 'lucide-react-native/icons/triangle-alert';
import { View } from 'react-native';
import { Words } from '@/ui/text';
import { useTheme } from '@/ui/theme/theme';
import { useUnits } from '@/ui/units';

/** What a system comes to, and what of it does not go together, with the reason. */
export function SystemNotes({
  choice,
  ground,
  coatings,
}: {
  choice: SystemChoice;
  ground: Ground;
  coatings: readonly Coating[];
}) {
  const { system } = useUnits();
  const { palette } = useTheme();
  const layers = coreLayers(choice, coatings);
  if (layers.length === 0) return null;
  const waiting = systemWaiting(layers);
  const issues = checkSystem(layers, ground);
  return (
    <View className="gap-2" testID="system-notes">
      <Words colour="ink2">
        {[
          `${showText(systemFilm(layers).value, 'dryFilm', system)} dry in all`,
          waiting.value > 0
            ? `${showText(waiting.value, 'duration', system)} of waiting between coats at 23 °C`
            : 'no waiting between coats',
        ].join(', ')}
        .
      </Words>
      {issues.map(({ level, message }) => (
        <View
          key={message}
          role="alert"
          className={`flex-row gap-2 rounded-xl p-3 ${level === 'contradiction' ? 'border-2 border-danger bg-sheet' : 'bg-caution-tint'}`}
        >
          <TriangleAlert
            size={20}
            color={level === 'contradiction' ? palette.danger : palette.caution}
            aria-hidden
          />
          <Words className="min-w-0 flex-1">
            {`${level === 'contradiction' ? 'Cannot work' : 'Take care'}: ${message}`}
          </Words>
        </View>
      ))}
    </View>
  );
}
