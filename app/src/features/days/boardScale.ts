import type { JobTask, SitePlanFound } from '@fine-spray/contract/planning';
import type { Placed } from '@fine-spray/core/sequence';

const DAY = 1440;
const HOUR = 60;

/** A block of the board, in minutes of the plan, on a row. */
export interface Block {
  readonly row: number;
  readonly one: Placed;
  readonly task: JobTask;
  /** The part of it on one day. */
  readonly from: number;
  readonly to: number;
  /** Where its set-up begins; missing for what goes on from a day before. */
  readonly setUpFrom: number | undefined;
}

/** A coat that dries on a row: from when it is laid until the next can be. */
export interface Ribbon {
  readonly row: number;
  readonly from: number;
  readonly to: number;
  readonly task: string;
}

export interface Board {
  readonly rows: readonly string[];
  readonly blocks: readonly Block[];
  readonly ribbons: readonly Ribbon[];
  /** First and last day of it. */
  readonly days: readonly [number, number];
}

/** When a coat may be gone over: the longest that anything waits for it to dry; nothing where nothing does. */
export function dryAt(tasks: readonly JobTask[], one: Placed): number | undefined {
  let least = 0;
  for (const { after } of tasks)
    for (const lag of after) if (lag.task === one.task) least = Math.max(least, lag.least);
  return least > 0 ? one.end + least : undefined;
}

/**
 * A plan as a board: who does what, or what is done where, to scale in time, with what dries.
 * @param by rows are people by their names, or rooms
 */
export function boardOf(
  { tasks, plan, times }: SitePlanFound,
  by: 'people' | 'rooms',
  crew: readonly string[],
): Board {
  const byId = new Map(tasks.map((task) => [task.id, task]));
  const rooms = [...new Set(tasks.map(({ room }) => room))];
  const rows = by === 'people' ? crew : rooms;
  const rowsOf = (one: Placed, task: JobTask): readonly number[] =>
    by === 'people' ? one.people : [rooms.indexOf(task.room)];
  const blocks = plan.placed.flatMap((one): Block[] => {
    const task = byId.get(one.task);
    if (!task) return [];
    return rowsOf(one, task).flatMap((row) =>
      partsByDay(one, times.day).map(([from, to], part): Block => {
        const setUpFrom = part === 0 && one.setUp > 0 ? one.start - one.setUp : undefined;
        return { row, one, task, from, to, setUpFrom };
      }),
    );
  });
  const ribbons =
    by === 'people'
      ? []
      : plan.placed.flatMap((one): Ribbon[] => {
          const task = byId.get(one.task);
          const to = task?.kind === 'spray' ? dryAt(tasks, one) : undefined;
          return !task || to === undefined
            ? []
            : [{ row: rooms.indexOf(task.room), from: one.end, to, task: one.task }];
        });
  const starts = plan.placed.map(({ start }) => start);
  return {
    ...{ rows, blocks, ribbons },
    days: [Math.floor(Math.min(...starts) / DAY), Math.floor((plan.finish - 1) / DAY)],
  };
}

/** A task day by day: nobody works through the night. */
export function partsByDay(
  { start, end }: Pick<Placed, 'start' | 'end'>,
  hours: { readonly from: number; readonly to: number },
): readonly (readonly [number, number])[] {
  const parts: (readonly [number, number])[] = [];
  for (let day = Math.floor(start / DAY); day * DAY < end; day += 1) {
    const [from, to] = [Math.max(start, day * DAY + hours.from), Math.min(end, day * DAY + hours.to)];
    if (to > from) parts.push([from, to]);
  }
  return parts.length > 0 ? parts : [[start, end]];
}

/** Where a minute is on the board, px from its left edge. */
export const xOf = (minute: number, firstDay: number, perHour: number): number =>
  ((minute - firstDay * DAY) / HOUR) * perHour;

/** Minutes one is moved to by a drag, to a quarter of an hour. */
export function draggedTo(start: number, dx: number, perHour: number): number {
  const quarter = 15;
  return Math.round((start + (dx / perHour) * HOUR) / quarter) * quarter;
}

/** The row a drag ends on. */
export const draggedRow = (row: number, dy: number, height: number, rows: number): number =>
  Math.min(rows - 1, Math.max(0, row + Math.round(dy / height)));
