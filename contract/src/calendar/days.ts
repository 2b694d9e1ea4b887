import type { Job } from '../job';
import type { Placed } from '@fine-spray/core/sequence';
import { wallMoment } from '../zone';
import type { CalendarEvent } from './calendar';

/**
 * The tasks of a plan as events. A task has one id however often it is planned: a new calendar moves it.
 * @param plan its first day, "2026-12-01", and its version as it is stored
 * @param tasks what each task is called; one that is not there any more is left out
 * @param offsetAt minutes east of UTC where the site is, at a moment
 * @param url where the plan stands in the application
 * @param person whose tasks, by number; all where nobody is named
 */
export function dayEvents(
  job: Pick<Job, 'id' | 'place'>,
  { first, version }: { readonly first: string; readonly version: number },
  { placed }: { readonly placed: readonly Pick<Placed, 'task' | 'start' | 'end' | 'setUp' | 'people'>[] },
  tasks: ReadonlyMap<string, { readonly name: string }>,
  offsetAt: (time: number) => number,
  url: string,
  person?: number,
): readonly CalendarEvent[] {
  return placed.flatMap((one): CalendarEvent[] => {
    const task = tasks.get(one.task);
    if (!task || (person !== undefined && !one.people.includes(person))) return [];
    return [
      {
        uid: `${job.id}-${one.task.replace(/[^\p{L}\p{N}]+/gu, '-')}`,
        sequence: version,
        title: task.name,
        description: [one.setUp > 0 ? `Set-up of ${one.setUp} min before it.` : '', url]
          .filter(Boolean)
          .join('\n'),
        location: job.place,
        url,
        from: wallMoment(first, one.start, offsetAt),
        until: wallMoment(first, one.end, offsetAt),
      },
    ];
  });
}
