import { HORIZON, type SiteTimes } from '@fine-spray/core/sequence';
import type { ScheduleFields } from '../schedule';

const H = 60;
const DAY = 24 * H;

/** The midnight minutes of a plan are counted from, where the device is. */
export const midnightOf = ({ first }: Pick<ScheduleFields, 'first'>): Date => new Date(`${first}T00:00`);

/** Days from one date to another, by the calendar on the wall. */
const daysBetween = (from: Date, to: Date): number =>
  Math.round(
    (Date.UTC(to.getFullYear(), to.getMonth(), to.getDate()) -
      Date.UTC(from.getFullYear(), from.getMonth(), from.getDate())) /
      (DAY * 60_000),
  );

/** A moment as minutes of a plan, by the clock on the wall: an hour that is given or taken in a night is none of work. */
export const minuteOf = (first: Date, at: Date): number =>
  daysBetween(first, at) * DAY + at.getHours() * H + at.getMinutes();

/** A minute of a plan as a moment where the device is. */
export function momentOf(first: Date, minute: number): Date {
  const within = ((minute % DAY) + DAY) % DAY;
  return new Date(
    first.getFullYear(),
    first.getMonth(),
    first.getDate() + Math.floor(minute / DAY),
    Math.floor(within / H),
    within % H,
  );
}

/** Days of a plan by their dates; days before it are none of it. */
const daysOf = (first: Date, dates: readonly string[]): readonly number[] =>
  dates.map((date) => daysBetween(first, new Date(`${date}T00:00`))).filter((day) => day >= 0);

/** When there is work by a plan's fields, from now on. */
export function timesOf(fields: ScheduleFields, now: Date): SiteTimes {
  const first = midnightOf(fields);
  const firstWeekday = (first.getDay() + 6) % 7;
  const away: Record<number, number[]> = {};
  fields.crew.forEach((person, index) => {
    for (const day of daysOf(first, person.away)) away[day] = [...(away[day] ?? []), index];
  });
  const shut = ({ weekdays, dates }: ScheduleFields['closed'][number]) => [
    ...Array.from({ length: HORIZON }, (_unused, day) => day).filter((day) =>
      weekdays.includes((firstWeekday + day) % 7),
    ),
    ...daysOf(first, dates),
  ];
  return {
    firstWeekday,
    // What is gone is gone.
    from: Math.max(0, minuteOf(first, now)),
    day: fields.hours,
    breaks: fields.breaks,
    workdays: fields.workdays,
    people: fields.crew.length,
    away,
    closed: Object.fromEntries(
      fields.closed
        .filter(({ weekdays, dates }) => weekdays.length + dates.length > 0)
        .map((one) => [one.room, shut(one)]),
    ),
  };
}
