import { isReadable, payloadOf } from '@fine-spray/contract';
import type { JournalLine } from '@fine-spray/contract/log';
import { useRouter } from 'expo-router';
import TriangleAlert from 'lucide-react-native/icons/triangle-alert';
import { memo } from 'react';
import { Pressable, View } from 'react-native';
import { LogPicture } from '@/features/pictures';
import { Words } from '@/ui/text';
import { useTheme } from '@/ui/theme/theme';

/** Minutes east of UTC where this device is, at a moment: summer time counts. */
export const offsetAt = (time: number): number => -new Date(time).getTimezoneOffset();

/** Height of a row when it must be known before it is drawn, px. */
export const ROW_HEIGHT = 84;

/** One entry: when, who, what; opens it. Drawn anew only for another line: a list that scrolls asks for all its rows often. */
export const EntryRow = memo(function EntryRow({
  line,
  fixed = false,
}: {
  line: JournalLine;
  fixed?: boolean;
}) {
  const router = useRouter();
  const { palette } = useTheme();
  const { entry, clock, kind, place, words, trouble, replacedBy, skew } = line;
  const struck = replacedBy ? 'line-through' : '';
  return (
    <Pressable
      role="link"
      testID="journal-row"
      onPress={() => router.navigate(`/log/entry/${entry.id}`)}
      style={fixed ? { height: ROW_HEIGHT } : undefined}
      className="min-h-[56px] flex-row gap-3 overflow-hidden border-b border-rule py-2"
    >
      <View className="w-14">
        <Words weight="digits-bold">{clock}</Words>
        <Words size={14} colour="ink2" numberOfLines={1}>
          {entry.author}
        </Words>
      </View>
      <View className="min-w-0 flex-1">
        <View className="flex-row items-center gap-2">
          {trouble ? <TriangleAlert size={16} color={palette.caution} aria-label="Trouble" /> : null}
          <Words weight="bold" numberOfLines={1} className={`min-w-0 flex-1 ${struck}`}>
            {kind}
          </Words>
        </View>
        <Words numberOfLines={fixed ? 1 : 3} className={struck}>
          {words || '–'}
        </Words>
        <Words size={14} colour={skew ? 'caution' : 'ink2'} numberOfLines={1}>
          {[replacedBy ? 'Put right later' : undefined, skew, place].filter(Boolean).join(' · ')}
        </Words>
      </View>
      <Thumb line={line} />
    </Pressable>
  );
});

/** Of an entry that is a picture, the picture. */
function Thumb({ line: { entry, words, replacedBy } }: { line: JournalLine }) {
  if (entry.kind !== 'picture' || replacedBy || !isReadable(entry)) return null;
  return <LogPicture id={payloadOf({ ...entry, kind: 'picture' }).pictureId} words={words} thumb />;
}

export function EntryRows({ lines }: { lines: readonly JournalLine[] }) {
  return (
    <View className="rounded-2xl border border-rule bg-sheet px-4 pt-1">
      {lines.map((line) => (
        <EntryRow key={line.entry.id} line={line} />
      ))}
    </View>
  );
}
