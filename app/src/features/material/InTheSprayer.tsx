import { entriesOfKind, timeOf } from '@fine-spray/contract';
import { FLUIDS } from '@fine-spray/core/procedure';
import { format } from 'date-fns/format';
import { View } from 'react-native';
import { useList } from '@/data/resources';
import { useLog } from '@/data/log';
import { Words } from '@/ui/text';

/** What was last written down as in the sprayers and on the walls: for whoever treats an injury. */
export function InTheSprayer() {
  const { entries } = useLog();
  const coatings = useList('coatings').data ?? [];
  const sprayers = useList('sprayers').data ?? [];
  const coating = (id: string | null) => coatings.find((one) => one.id === id)?.name;
  const left = new Map<string, { words: string; at: number }>();
  for (const { entry, payload } of entriesOfKind(entries, 'machine')) {
    const { name } = sprayers.find(({ id }) => id === payload.sprayerId) ?? { name: 'A sprayer' };
    const holds = coating(payload.coatingId) ?? FLUIDS[payload.holds].name;
    left.set(payload.sprayerId, { words: `${name}: ${holds}`, at: timeOf(entry) });
  }
  const sprayed = entriesOfKind(entries, 'coat started').at(-1);
  const last = sprayed && coating(sprayed.payload.coatingId);
  const lines = [
    ...[...left.values()].sort((one, other) => other.at - one.at).slice(0, 3),
    ...(sprayed && last !== undefined ? [{ words: `Last sprayed: ${last}`, at: timeOf(sprayed.entry) }] : []),
  ];
  return (
    <View className="gap-1 rounded-2xl border border-rule bg-sheet p-4" testID="material">
      <Words weight="bold" heading={2}>
        What is in the sprayer, by the log
      </Words>
      {lines.map(({ words, at }) => (
        <Words key={words}>{`${words} (${format(at, 'd MMM, HH:mm')})`}</Words>
      ))}
      <Words size={14} colour="ink2">
        {lines.length === 0
          ? 'Nothing is written down. Read it off the container.'
          : 'The log may be behind. Read it off the container.'}
      </Words>
    </View>
  );
}
