import { showText } from '@fine-spray/core';
import { View } from 'react-native';
import { dayOfEntry } from '@/data/day';
import { lastConfirmed } from '@/data/confirmed';
import { useLog } from '@/data/log';
import { Words } from '@/ui/text';
import { useUnits } from '@/ui/units';

/** What was dialled in on a surface with the tip on its card: measured, and so before the card's own range. */
export function DialledIn({
  surfaceId,
  coatingId,
  code,
  family,
}: {
  surfaceId: string | null;
  coatingId: string;
  code: string;
  family: string;
}) {
  const { system } = useUnits();
  const { entries } = useLog();
  const last = lastConfirmed(entries, { surfaceId, coatingId, code, family });
  if (!last) return null;
  const { gun, pump, sure } = last.payload;
  return (
    <View className="gap-1 rounded-2xl border-2 border-identity bg-sheet p-4" testID="dialled-in">
      <Words weight="bold">{`Measured: ${showText(pump, 'pressure', system)} at the pump, ${showText(gun, 'pressure', system)} at the gun`}</Words>
      <Words
        size={14}
        colour="ink2"
      >{`Dialled in on ${dayOfEntry(last.entry)}${sure ? '' : ', the cards did not agree'}. It stands before the range below.`}</Words>
    </View>
  );
}
