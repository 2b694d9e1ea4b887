/** How the demo is moved in time. */
export interface Move {
  /** A moment of the log: the same time of day, where the server is, on another working day. */
  readonly moment: (at: string) => string;
  readonly date: (date: string) => string;
}

const DAY = 86_400_000;
/** How long before it is loaded the demo's last entry lies at least, ms: nobody writes while one looks. */
const BEFORE = 20 * 60_000;

/** Days since a Monday long ago, and back. */
const MONDAY = Date.UTC(2001, 0, 1);
const dayNumber = (date: string): number => Math.round((Date.parse(date.slice(0, 10)) - MONDAY) / DAY);
const dateOf = (day: number): string => new Date(MONDAY + day * DAY).toISOString().slice(0, 10);

/** Working days since that Monday; a weekend counts as the Friday before it. */
const workNumber = (day: number): number => Math.floor(day / 7) * 5 + Math.min(4, ((day % 7) + 7) % 7);
const dayOfWork = (number: number): number => Math.floor(number / 5) * 7 + (((number % 5) + 5) % 5);

const localDate = (at: Date): string =>
  new Date(at.getTime() - at.getTimezoneOffset() * 60_000).toISOString().slice(0, 10);

/** A time of day on a date, where the server is. */
const onDay = (date: string, at: string): Date => new Date(`${date}T${at.slice(11, 16)}`);

/**
 * Moves the demo so that its last day is the last working day before `now` on which all of it was over: at whatever hour it is loaded,
 * everybody worked in the hours of a working day, and never on a weekend.
 * @param moments when entries were made, as the file has them: the times of day are those of the site
 */
export function demoMove(moments: readonly string[], now: Date): Move {
  const last = [...moments].sort().at(-1) ?? now.toISOString();
  let target = workNumber(dayNumber(localDate(now)));
  while (onDay(dateOf(dayOfWork(target)), last).getTime() + BEFORE > now.getTime()) target -= 1;
  const by = target - workNumber(dayNumber(last));
  const date = (one: string) => dateOf(dayOfWork(workNumber(dayNumber(one)) + by));
  return { date, moment: (at) => onDay(date(at), at).toISOString() };
}
