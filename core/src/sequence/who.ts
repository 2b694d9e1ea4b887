import type { Calendar } from './calendar';
import type { Placed, SitePlan } from './plan';
import { SET_UPS, slotsOf, type SiteTask } from './tasks';

/** Work of somebody from a slot to another. */
interface Stretch {
  readonly task: SiteTask;
  readonly from: number;
  readonly to: number;
}

/**
 * Who does which task: people by their number, from 0. Whoever sprays sets up before and cleans after; who was in a room last stays there
 * where that can be.
 */
export function whoDoes(
  tasks: readonly SiteTask[],
  plan: SitePlan,
  times: Calendar,
): ReadonlyMap<string, readonly number[]> {
  const byId = new Map(tasks.map((task) => [task.id, task]));
  const lastOfDay = new Map<string, Placed>();
  const dayKey = ({ sprayer, start }: Placed) => `${sprayer ?? ''} ${Math.floor(start / 1440)}`;
  for (const one of plan.placed)
    if (one.sprayer !== undefined && one.start > (lastOfDay.get(dayKey(one))?.start ?? -1))
      lastOfDay.set(dayKey(one), one);
  const stretches = plan.placed
    .flatMap((one): Stretch[] => {
      const task = byId.get(one.task);
      if (!task) return [];
      const from = times.slotFrom(one.start);
      const cleaned = lastOfDay.get(dayKey(one)) === one ? slotsOf(SET_UPS.clean) : 0;
      return [
        {
          task,
          from: from - slotsOf(one.setUp),
          to: from + slotsOf(task.minutes) + cleaned,
        },
      ];
    })
    .sort((a, b) => a.from - b.from || a.to - b.to);
  const free = Array.from({ length: times.times.people }, () => ({ until: 0, room: '' }));
  const found = new Map<string, readonly number[]>();
  for (const { task, from, to } of stretches) {
    const able = free
      .map((person, index) => ({ person, index }))
      .filter(({ person }) => person.until <= from)
      .sort(
        (a, b) =>
          Number(b.person.room === task.room) - Number(a.person.room === task.room) || a.index - b.index,
      );
    const chosen = able.slice(0, task.people).map(({ index }) => index);
    for (const index of chosen) free[index] = { until: to, room: task.room };
    found.set(task.id, chosen);
  }
  return found;
}
