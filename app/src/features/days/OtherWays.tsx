import type { ScheduleFields } from '@fine-spray/contract';
import type { OtherPlan, OtherWay } from '@fine-spray/contract/planning';
import { Pressable, View } from 'react-native';
import { Words } from '@/ui/text';
import { momentText } from './schedule';

const WAYS: Readonly<Record<OtherWay, string>> = {
  'one person more': 'One person more',
  'another sprayer': 'Another sprayer',
  'the other order': 'The other order in a room',
  'faster paint': 'Paint that dries in half the time',
  'another hose': 'Another 15 m of hose',
};

/** How it is planned with a way changed; nothing for what is changed elsewhere: paint in the systems, hose where the machine stands. */
export function fieldsOtherwise(fields: ScheduleFields, way: OtherWay): Partial<ScheduleFields> | undefined {
  if (way === 'faster paint' || way === 'another hose') return undefined;
  if (way === 'one person more')
    return { crew: [...fields.crew, { name: `Painter ${fields.crew.length + 1}`, away: [] }] };
  if (way === 'another sprayer') return { sprayers: fields.sprayers + 1 };
  return { school: fields.school === 'trim first' ? 'walls first' : 'trim first' };
}

/** "a day and 3 h sooner": by the clock on the wall. */
function gainText(by: number): string {
  if (Math.abs(by) < 30) return 'no sooner';
  const [days, hours] = [Math.floor(Math.abs(by) / 1440), Math.round((Math.abs(by) % 1440) / 60)];
  const parts = [...(days > 0 ? [`${days} d`] : []), ...(hours > 0 ? [`${hours} h`] : [])];
  return `${parts.join(' ')} ${by > 0 ? 'sooner' : 'later'}`;
}

/** What one person more, another sprayer or the other order would gain; a tap plans it so. */
export function OtherWays({
  first,
  finish,
  others,
  onTake,
}: {
  first: Date;
  finish: number;
  others: readonly OtherPlan[] | undefined;
  onTake: (way: OtherWay) => void;
}) {
  return (
    <View className="gap-1 rounded-2xl border border-rule bg-sheet p-4" testID="other-ways">
      <Words weight="semi" heading={2}>
        Otherwise
      </Words>
      {others === undefined ? <Words colour="ink2">Looking what other ways would gain …</Words> : null}
      {others?.map(({ way, finish: other }) => (
        <Pressable
          key={way}
          role="button"
          onPress={() => onTake(way)}
          className="min-h-[48px] flex-row flex-wrap items-center gap-x-3"
        >
          <Words weight="semi" className="min-w-[160px] flex-1 underline" colour="identity">
            {WAYS[way]}
          </Words>
          <Words>{`${gainText(finish - other)}: ${momentText(first, other)}`}</Words>
        </Pressable>
      ))}
    </View>
  );
}
