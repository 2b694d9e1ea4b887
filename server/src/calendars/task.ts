import { USUAL_BOOK, type Entry } from '@fine-spray/contract';
import { dayEvents, jobWindowEvents, writeCalendar } from '@fine-spray/contract/calendar';
import { coreLog } from '@fine-spray/contract/log';
import { daysOfSchedule, workOutJob } from '@fine-spray/contract/planning';
import { offsetIn } from '@fine-spray/contract/zone';
import { readRecord } from '@fine-spray/core/record';
import type { DaysRows } from '../paper/days';
import type { PaperRows } from '../paper/planned';

interface OfCalendar {
  /** Of the application, without a slash at its end. */
  readonly address: string;
  /** When it is asked for, ms since 1970. */
  readonly now: number;
}

/** A calendar to write: plain data, so that it can be sent to a worker. */
export type CalendarTask = OfCalendar &
  (
    | { readonly kind: 'windows-calendar'; readonly rows: PaperRows & { readonly entries: readonly Entry[] } }
    | { readonly kind: 'days-calendar'; readonly rows: DaysRows; readonly zone: string }
  );

/** The text of a calendar. */
export function makeCalendar(task: CalendarTask): string {
  const { address, now } = task;
  const { job, surfaces, kit } = task.rows;
  if (task.kind === 'windows-calendar') {
    const { entries } = task.rows;
    const record = readRecord(coreLog(entries));
    const events = jobWindowEvents({ job, surfaces, kit, record, entries }, address, now);
    return writeCalendar(`${job.name}: recoat windows`, events, now);
  }
  const { schedule, places, company } = task.rows;
  const result = schedule?.result;
  if (!schedule || !result) return writeCalendar(job.name, [], now);
  const worked = workOutJob({
    ...{ job, surfaces, places, kit, book: company.book ?? USUAL_BOOK },
    ...{ risk: 'P80', aim: 'cost' },
  });
  const events = dayEvents(
    job,
    schedule,
    result,
    daysOfSchedule(worked, schedule),
    offsetIn(task.zone),
    `${address}/jobs/${job.id}/days`,
  );
  return writeCalendar(job.name, events, now);
}
