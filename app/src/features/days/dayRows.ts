import type { ScheduleFields } from '@fine-spray/contract';
import type { SitePlanFound } from '@fine-spray/contract/planning';
import type { DayRow } from '@fine-spray/contract/formats';
import { format } from 'date-fns/format';
import { midnightOf, momentOf, namesOf } from './schedule';

/** A plan as rows of a table, in the order its tasks begin. */
export function dayRows(
  fields: Pick<ScheduleFields, 'first' | 'crew'>,
  { tasks, plan }: SitePlanFound,
): readonly DayRow[] {
  const first = midnightOf(fields);
  const byId = new Map(tasks.map((task) => [task.id, task]));
  return [...plan.placed]
    .sort((a, b) => a.start - b.start || a.end - b.end)
    .flatMap((one): DayRow[] => {
      const task = byId.get(one.task);
      if (!task) return [];
      const [start, end] = [momentOf(first, one.start), momentOf(first, one.end)];
      const day = format(start, 'yyyy-MM-dd');
      const sameDay = format(end, 'yyyy-MM-dd') === day;
      return [
        {
          ...{
            day,
            start: format(start, 'HH:mm'),
            until: format(end, sameDay ? 'HH:mm' : 'yyyy-MM-dd HH:mm'),
          },
          ...{ task: task.name, room: task.room, who: namesOf(fields, one.people), setUp: one.setUp },
        },
      ];
    });
}
