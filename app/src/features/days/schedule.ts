import {
  scheduleFields,
  type CompanyBook,
  type Job,
  type Person,
  type Schedule,
  type ScheduleFields,
} from '@fine-spray/contract';
import { USUAL_WEATHER, momentOf } from '@fine-spray/contract/planning';
import { addDays } from 'date-fns/addDays';
import { format } from 'date-fns/format';

export { midnightOf, minuteOf, momentOf } from '@fine-spray/contract/planning';

const H = 60;

/** Hours of a day on site where nobody has said; working defaults. */
export const USUAL_HOURS = { from: 7 * H, to: 15 * H + 30 } as const;
const USUAL_BREAK = { from: 12 * H, to: 12 * H + 30 } as const;

/** The crew of a company: those who are there, as many as it counts with; unnamed where it has nobody yet. */
function usualCrew(people: readonly Person[], count: number): ScheduleFields['crew'] {
  // Who answers for the company is at the desk where others are there.
  const crew = [...people].sort((a, b) => Number(a.role === 'owner') - Number(b.role === 'owner'));
  return Array.from({ length: Math.max(1, count) }, (_unused, index) => ({
    name: crew[index]?.name ?? `Painter ${index + 1}`,
    away: [],
  }));
}

/** How the days of a job are planned before anybody says anything: from tomorrow, with the company's people. */
export const usualSchedule = (
  job: Pick<Job, 'id'>,
  book: Pick<CompanyBook, 'people'>,
  people: readonly Person[],
  now: Date,
): ScheduleFields => ({
  jobId: job.id,
  first: format(addDays(now, 1), 'yyyy-MM-dd'),
  crew: usualCrew(people, book.people),
  ...{ sprayers: 1, school: 'trim first', hours: { ...USUAL_HOURS }, breaks: [{ ...USUAL_BREAK }] },
  workdays: [0, 1, 2, 3, 4],
  closed: [],
  drying: { ...USUAL_WEATHER },
  ...{ outside: [], pins: [], wishes: [], seed: 1, result: null },
});

/** The content of a row. */
export const fieldsOf = (row: Schedule): ScheduleFields => {
  const { id: _id, version: _version, createdAt: _made, updatedAt: _changed, ...fields } = row;
  return scheduleFields.parse(fields);
};

/** "Thursday 3 December, 15:40". */
export const momentText = (first: Date, minute: number): string =>
  format(momentOf(first, minute), 'EEEE d MMMM, HH:mm');
/** "Thu 3 Dec, 15:40". */
export const shortMoment = (first: Date, minute: number): string =>
  format(momentOf(first, minute), 'EEE d MMM, HH:mm');
/** A moment as short as can be: the clock alone where it is on the day of another. */
export const momentBeside = (first: Date, minute: number, now: number): string =>
  Math.floor(minute / 1440) === Math.floor(now / 1440)
    ? clockText(first, minute)
    : shortMoment(first, minute);
export const clockText = (first: Date, minute: number): string => format(momentOf(first, minute), 'HH:mm');
export const dayText = (first: Date, day: number): string => format(addDays(first, day), 'EEEE d MMMM');
/** A time of day: "7:00". */
export const hourText = (minute: number): string =>
  `${Math.floor(minute / H)}:${String(minute % H).padStart(2, '0')}`;

/** Who is on a task, by name. */
export const namesOf = ({ crew }: Pick<ScheduleFields, 'crew'>, people: readonly number[]): string =>
  people.map((one) => crew[one]?.name ?? 'somebody').join(', ');
