import { showText, type DialledInNow } from '@fine-spray/core';
import { View } from 'react-native';
import { dayOf } from '@/data/day';
import { Words } from '@/ui/text';
import { useUnits } from '@/ui/units';

/** What was dialled in on a surface with the tip on its card: the card has it, or why it has not. */
export function DialledIn({ found, limit }: { found: DialledInNow; limit: number }) {
  const { system } = useUnits();
  const { gun, pump, at, state } = found;
  const bar = (pressure: number) => showText(pressure, 'pressure', system);
  const note = {
    used: 'The card below has it.',
    unsure: 'The cards did not agree: the range below stands.',
    'over the limit': `This sprayer is set to ${bar(limit)} at most: the range below stands.`,
  }[state];
  return (
    <View className="gap-1 rounded-2xl border-2 border-identity bg-sheet p-4" testID="dialled-in">
      <Words weight="bold">{`Measured: ${bar(pump)} at the pump, ${bar(gun)} at the gun`}</Words>
      <Words size={14} colour="ink2">{`Dialled in on ${dayOf(at)}. ${note}`}</Words>
    </View>
  );
}
