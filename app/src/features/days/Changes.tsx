import type { ScheduleFields } from '@fine-spray/contract';
import type { SitePlanFound } from '@fine-spray/contract/planning';
import type { Moved } from '@fine-spray/core/sequence';
import { counted } from '@fine-spray/core/units';
import { useState } from 'react';
import { View } from 'react-native';
import { Button } from '@/ui/button';
import { Words } from '@/ui/text';
import { midnightOf, namesOf, shortMoment } from './schedule';

/** Changes in sight before the rest is asked for. */
const FIRST = 4;

/** "Thu 3 Dec, 9:00 instead of 8:00, Wren instead of Tobi". */
export function movedText(fields: Pick<ScheduleFields, 'first' | 'crew'>, { from, to }: Moved): string {
  const first = midnightOf(fields);
  const parts = [
    ...(from.start === to.start
      ? []
      : [`${shortMoment(first, to.start)} instead of ${shortMoment(first, from.start)}`]),
    ...(from.people.join() === to.people.join()
      ? []
      : [`${namesOf(fields, to.people)} instead of ${namesOf(fields, from.people)}`]),
  ];
  return parts.join(', ');
}

/** What is otherwise than in the plan that everybody knows, before it is taken. */
export function Changes({
  fields,
  planned,
  mayPlan,
  onTake,
  onSooner,
}: {
  fields: ScheduleFields;
  planned: SitePlanFound;
  mayPlan: boolean;
  onTake: () => void;
  /** Missing where one was looked for already. */
  onSooner?: (() => void) | undefined;
}) {
  const [all, setAll] = useState(false);
  const { moved, tasks, plan } = planned;
  const known = fields.result;
  if (!known || moved.length === 0) return null;
  const first = midnightOf(fields);
  const names = new Map(tasks.map(({ id, name }) => [id, name]));
  const shown = all ? moved : moved.slice(0, FIRST);
  const finish =
    plan.finish === known.finish
      ? `It is still done ${shortMoment(first, plan.finish)}.`
      : `Done ${shortMoment(first, plan.finish)} instead of ${shortMoment(first, known.finish)}.`;
  return (
    <View className="gap-2 rounded-2xl border-2 border-ink bg-sheet p-4" testID="changes">
      <Words weight="bold" size={18} heading={2}>
        {`${counted(moved.length, 'task is', 'tasks are')} elsewhere now`}
      </Words>
      <Words>{finish}</Words>
      {shown.map((one) => (
        <View key={one.task} className="border-t border-rule pt-1">
          <Words>{names.get(one.task) ?? 'Work that is done'}</Words>
          <Words size={14} colour="ink2">
            {movedText(fields, one)}
          </Words>
        </View>
      ))}
      {shown.length < moved.length ? (
        <Button
          label={`${moved.length - shown.length} more`}
          kind="quiet"
          className="self-start"
          onPress={() => setAll(true)}
        />
      ) : null}
      {mayPlan ? (
        <View className="flex-row flex-wrap gap-2">
          <Button label="Take it so" kind="primary" onPress={onTake} />
          {onSooner ? <Button label="Look for a sooner end" onPress={onSooner} /> : null}
        </View>
      ) : null}
    </View>
  );
}
