import type { SitePlanned } from '@fine-spray/contract/planning';
import type { DayRow } from '@fine-spray/contract/formats';
import { format } from 'date-fns/format';
import { momentOf } from './settings';

type Plan = Extract<SitePlanned, { ok: true }>;

/** People by letters: who they are is the crew's to say. */
export const letters = (people: readonly number[]): string =>
  people.map((one) => String.fromCharCode('A'.charCodeAt(0) + one)).join(', ');

/** A plan as rows of a table, in the order its tasks begin. */
export function dayRows(first: Date, { tasks, plan }: Plan): readonly DayRow[] {
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
          ...{ task: task.name, room: task.room, who: letters(one.people), setUp: one.setUp },
        },
      ];
    });
}
