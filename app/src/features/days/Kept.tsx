import type { ScheduleFields } from '@fine-spray/contract';
import type { PlanKept } from '@fine-spray/contract/planning';
import { counted } from '@fine-spray/core/units';
import { useState } from 'react';
import { View } from 'react-native';
import { Button } from '@/ui/button';
import { Words } from '@/ui/text';
import { midnightOf, shortMoment } from './schedule';

const FIRST = 6;

/** "on time", "2 h later", "a day and 3 h sooner": by the clock on the wall. */
export function lateText(minutes: number): string {
  const by = Math.abs(minutes);
  if (by < 30) return 'on time';
  const [days, hours] = [Math.floor(by / 1440), Math.round((by % 1440) / 60)];
  const parts = [...(days > 0 ? [counted(days, 'day')] : []), ...(hours > 0 ? [`${hours} h`] : [])];
  return `${parts.join(' and ')} ${minutes > 0 ? 'later' : 'sooner'}`;
}

/** A plan against what happened: when the last coat was done, and each coat beside its plan. */
export function Kept({ fields, kept }: { fields: Pick<ScheduleFields, 'first'>; kept: PlanKept }) {
  const [all, setAll] = useState(false);
  const first = midnightOf(fields);
  const shown = all ? kept.coats : kept.coats.slice(0, FIRST);
  return (
    <View className="gap-2 rounded-2xl border border-rule bg-sheet p-4" testID="plan-kept">
      <Words weight="semi" colour="ink2">
        The plan against what happened
      </Words>
      <Words size={22} weight="bold" heading={2}>
        {`Last coat ${lateText(kept.done - kept.planned)}`}
      </Words>
      <Words>
        {`Done ${shortMoment(first, kept.done)}, planned ${shortMoment(first, kept.planned)}: ${counted(kept.coats.length, 'coat')} by the log${kept.open > 0 ? `, ${kept.open} still open` : ''}.`}
      </Words>
      {shown.map(({ task, name, planned, done }) => (
        <View key={task} className="border-t border-rule pt-1">
          <Words>{name}</Words>
          <Words size={14} colour="ink2">
            {`${shortMoment(first, done)}, ${lateText(done - planned)}; planned ${shortMoment(first, planned)}`}
          </Words>
        </View>
      ))}
      {shown.length < kept.coats.length ? (
        <Button
          label={`${kept.coats.length - shown.length} more`}
          kind="quiet"
          className="self-start"
          onPress={() => setAll(true)}
        />
      ) : null}
    </View>
  );
}
