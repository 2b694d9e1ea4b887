import type { Job } from '@fine-spray/contract';
import type { SitePlanFound } from '@fine-spray/contract/planning';
import { createEvents, type DateArray, type EventAttributes } from 'ics';
import { momentOf } from './schedule';

const utc = (at: Date): DateArray => [
  at.getUTCFullYear(),
  at.getUTCMonth() + 1,
  at.getUTCDate(),
  at.getUTCHours(),
  at.getUTCMinutes(),
];

/**
 * The tasks of a plan as a calendar (RFC 5545). A task has one id however often it is planned: a new export moves it.
 * @param first the day the minutes of the plan are counted from
 * @param person whose tasks, by number and name; all where nobody is named
 * @throws Error where the package refuses an event
 */
export function writePlanCalendar(
  job: Pick<Job, 'id' | 'name' | 'place'>,
  first: Date,
  { tasks, plan }: SitePlanFound,
  now: number,
  person?: { readonly index: number; readonly name: string },
): string {
  const byId = new Map(tasks.map((task) => [task.id, task]));
  const events = plan.placed.flatMap((one): EventAttributes[] => {
    const task = byId.get(one.task);
    if (!task || (person && !one.people.includes(person.index))) return [];
    const event = {
      uid: `${job.id}-${one.task.replace(/[^\p{L}\p{N}]+/gu, '-')}@fine-spray`,
      title: task.name,
      description: one.setUp > 0 ? `Set-up of ${one.setUp} min before it.` : '',
      location: job.place,
      start: utc(momentOf(first, one.start)),
      startInputType: 'utc',
      startOutputType: 'utc',
      end: utc(momentOf(first, one.end)),
      endInputType: 'utc',
      endOutputType: 'utc',
      created: utc(new Date(now)),
      lastModified: utc(new Date(now)),
      // The package takes a stamp and its types do not say so; without one it reads the clock.
      timestamp: utc(new Date(now)),
      productId: 'fine-spray',
      calName: `Fine Spray: ${job.name}${person ? `, ${person.name}` : ''}`,
    } as const;
    return [event];
  });
  const { error, value } = createEvents(events);
  if (error) throw error;
  return value ?? '';
}
