import type { ScheduleFields } from '@fine-spray/contract';
import type { SitePlanFound } from '@fine-spray/contract/planning';
import type { SitePlan } from '@fine-spray/core/sequence';
import { counted, showText } from '@fine-spray/core/units';
import { View } from 'react-native';
import { Button } from '@/ui/button';
import { Words } from '@/ui/text';
import { useUnits } from '@/ui/units';
import { midnightOf, momentText, shortMoment } from './schedule';

const BINDS = {
  'drying and order': 'drying and the order of the work decide',
  sprayer: 'the sprayer decides',
  people: 'the people decide',
} as const;

/** When it may be done, with the chance: "Likely by Thu 3 Dec, 15:40 (4 in 5), safely by Fri 4 Dec, 10:00 (19 in 20)". */
export function chanceText(first: Date, chances: SitePlanFound['chances']): string | undefined {
  if (!chances) return undefined;
  return `By the spread of the rates done by ${shortMoment(first, chances.likely)} in 4 cases of 5, by ${shortMoment(first, chances.safe)} in 19 of 20.`;
}

/** The answer of a plan: when it is done, what keeps it from being sooner, and what it takes. */
export function PlanAnswer({
  fields,
  planned: { plan, bound, chances, notes },
  done,
  onTake,
}: {
  fields: ScheduleFields;
  planned: SitePlanFound;
  /** Coats the log has as done. */
  done: number;
  /** Missing where it is the plan already. */
  onTake?: (() => void) | undefined;
}) {
  const { system } = useUnits();
  const first = midnightOf(fields);
  const { air, humidity } = fields.drying;
  const dries = `Times are likely ones; coats dry as at ${showText(air, 'temperature', system)} and ${showText(humidity, 'percent', system)}.`;
  return (
    <View className="gap-1 rounded-2xl border-2 border-identity bg-sheet p-4" testID="days-answer">
      <Words colour="ink2" weight="semi">
        Done
      </Words>
      <Words size={30} weight="bold">
        {momentText(first, plan.finish)}
      </Words>
      <Words colour="ink2">
        {bound.finish >= plan.finish
          ? `No plan can be done sooner: ${BINDS[bound.binds]}.`
          : `No plan can be done before ${momentText(first, bound.finish)}: ${BINDS[bound.binds]}.`}
      </Words>
      {chances ? <Words>{chanceText(first, chances)}</Words> : null}
      <Words>{summary(plan)}</Words>
      {notes.map((note) => (
        <Words key={note} weight="semi">
          {`Begun already, and yet: ${note}`}
        </Words>
      ))}
      {onTake ? (
        <Button label="Work by this plan" kind="primary" className="self-start" onPress={onTake} />
      ) : null}
      <Words size={14} colour="ink2">
        {[
          'Every rule was checked again, apart from the search.',
          dries,
          ...(done > 0
            ? [`${counted(done, 'coat')} that the log has as done ${done === 1 ? 'is' : 'are'} taken off.`]
            : []),
          'Data sheets, labels and local rules take precedence.',
        ].join(' ')}
      </Words>
    </View>
  );
}

/** "97 person-hours, 24 flushes, 33 moves of the machine, 7 days with the sprayer". */
function summary({ personMinutes, flushes, moves, sprayedDays }: SitePlan): string {
  return [
    counted(Math.round(personMinutes / 60), 'person-hour'),
    counted(flushes, 'flush', 'flushes'),
    counted(moves, 'move of the machine', 'moves of the machine'),
    counted(sprayedDays, 'day with the sprayer', 'days with the sprayer'),
  ].join(', ');
}
