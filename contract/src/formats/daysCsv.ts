import { guarded, writeCsv } from './csv';

/** One task of a plan of the days, in the words of the site: days and times as the crew's clocks have them. */
export interface DayRow {
  /** "2026-12-01". */
  readonly day: string;
  /** "07:20"; of the day it ends on where that is another. */
  readonly start: string;
  readonly until: string;
  readonly task: string;
  readonly room: string;
  readonly who: string;
  /** Before it, min. */
  readonly setUp: number;
}

const HEADER = ['Day', 'Start', 'Until', 'Task', 'Room', 'Who', 'Set-up before (min)'] as const;

/** A plan of the days as CSV (RFC 4180), task by task in the order they begin. */
export const writeDays = (rows: readonly DayRow[]): string =>
  writeCsv(
    [...HEADER],
    rows.map(({ day, start, until, task, room, who, setUp }) => [
      ...[day, start, until, guarded(task), guarded(room), who],
      setUp,
    ]),
  );
