import Mic from 'lucide-react-native/icons/mic';
import { View } from 'react-native';
import { Words } from './text';
import { useTheme } from './theme/theme';
import type { Voice } from './voice';

/** What can be said, and what was heard; nothing where nobody listens. */
export function VoiceLine({
  voice: { on, heard, failed },
  words,
}: {
  voice: Voice;
  words: readonly string[];
}) {
  const { palette } = useTheme();
  if (!on && failed === undefined) return null;
  return (
    <View className="flex-row items-center gap-2" role="status" testID="voice">
      <Mic size={20} color={palette.ink} aria-hidden />
      <Words className="min-w-0 flex-1">
        {failed ??
          (heard === undefined
            ? `Say one word: ${words.join(', ')}.`
            : heard.taken
              ? `Heard: ${heard.text}. Wrong? Take it back below.`
              : `Heard "${heard.text}", which is none of them, so nothing was written. Say one word: ${words.join(', ')}.`)}
      </Words>
    </View>
  );
}
