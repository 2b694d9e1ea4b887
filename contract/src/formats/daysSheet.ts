import type { Sheet, SheetColumn } from './sheet';

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

const COLUMNS: readonly SheetColumn[] = [
  { title: 'Day', as: 'day' },
  { title: 'Start', as: 'time' },
  { title: 'Until', as: 'time' },
  { title: 'Task' },
  { title: 'Room' },
  { title: 'Who' },
  { title: 'Set-up before (min)' },
];

/** A plan of the days as a table, task by task in the order they begin. */
export const daysSheet = (rows: readonly DayRow[]): Sheet => ({
  title: 'Days',
  columns: COLUMNS,
  rows: rows.map(({ day, start, until, task, room, who, setUp }) => [
    ...[day, start, until, task, room, who],
    setUp,
  ]),
});
