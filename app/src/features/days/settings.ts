import { SCHOOLS, type School } from '@fine-spray/contract/planning';
import type { SiteTimes } from '@fine-spray/core/sequence';
import { addDays } from 'date-fns/addDays';
import { format } from 'date-fns/format';
import { parseISO } from 'date-fns/parseISO';

/** How the days of a job are planned: kept on the device. */
export interface DaySettings {
  /** First day, "2026-12-01". */
  readonly first: string;
  readonly people: number;
  readonly sprayers: number;
  readonly school: School;
  /** Weekdays on which nobody may be in a room, 0 is Monday. */
  readonly closed: Readonly<Record<string, readonly number[]>>;
}

const isCount = (value: unknown, most: number): value is number =>
  typeof value === 'number' && Number.isInteger(value) && value >= 1 && value <= most;

const isWeekday = (value: unknown): value is number =>
  typeof value === 'number' && Number.isInteger(value) && value >= 0 && value <= 6;

/** Settings as they were kept, where they still are such. */
export function readSettings(stored: unknown): DaySettings | undefined {
  if (typeof stored !== 'object' || stored === null) return undefined;
  const { first, people, sprayers, school, closed } = stored as Partial<Record<keyof DaySettings, unknown>>;
  const known = SCHOOLS.find((one) => one === school);
  if (typeof first !== 'string' || Number.isNaN(parseISO(first).getTime())) return undefined;
  if (!known || !isCount(people, 20) || !isCount(sprayers, 4)) return undefined;
  const rooms = typeof closed === 'object' && closed !== null ? Object.entries(closed) : [];
  const shut = rooms.flatMap(([room, days]): [string, readonly number[]][] =>
    Array.isArray(days) && days.every(isWeekday) ? [[room, days]] : [],
  );
  return { first, people, sprayers, school: known, closed: Object.fromEntries(shut) };
}

/** The first day that is still to come: no plan begins before today. */
export function firstDay(wanted: string, now: Date): Date {
  const today = parseISO(format(now, 'yyyy-MM-dd'));
  const asked = parseISO(wanted);
  return asked < today ? today : asked;
}

const H = 60;
/** Hours of a day on site; working default. */
export const DAY_HOURS = { from: 7 * H, to: 15 * H + 30 } as const;
const BREAK = { from: 12 * H, to: 12 * H + 30 } as const;
/** Weeks a room's weekday is shut for. */
const WEEKS = 40;

/** When there is work, from the first day on. */
export function timesOf(settings: DaySettings, now: Date): SiteTimes {
  const first = firstDay(settings.first, now);
  const firstWeekday = (first.getDay() + 6) % 7;
  const today = format(first, 'yyyy-MM-dd') === format(now, 'yyyy-MM-dd');
  const shut = ([room, weekdays]: [string, readonly number[]]) => [
    room,
    Array.from({ length: WEEKS * 7 }, (_unused, day) => day).filter((day) =>
      weekdays.includes((firstWeekday + day) % 7),
    ),
  ];
  return {
    firstWeekday,
    // What is gone of today is gone.
    from: today ? now.getHours() * H + now.getMinutes() : 0,
    day: DAY_HOURS,
    breaks: [BREAK],
    workdays: [0, 1, 2, 3, 4],
    people: settings.people,
    away: {},
    closed: Object.fromEntries(
      Object.entries(settings.closed)
        .filter(([, days]) => days.length > 0)
        .map(shut),
    ) as Record<string, number[]>,
  };
}

/** A minute of a plan as a moment where the device is. */
export function momentOf(first: Date, minute: number): Date {
  const day = addDays(first, Math.floor(minute / 1440));
  const within = minute % 1440;
  return new Date(day.getFullYear(), day.getMonth(), day.getDate(), Math.floor(within / 60), within % 60);
}

/** "Thursday 3 December, 15:40". */
export const momentText = (first: Date, minute: number): string =>
  format(momentOf(first, minute), 'EEEE d MMMM, HH:mm');
export const clockText = (first: Date, minute: number): string => format(momentOf(first, minute), 'HH:mm');
export const dayText = (first: Date, day: number): string => format(addDays(first, day), 'EEEE d MMMM');
