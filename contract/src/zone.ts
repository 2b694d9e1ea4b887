import { tzOffset } from '@date-fns/tz';

const MINUTE = 60_000;
const DAY_MINUTES = 24 * 60;

/** Minutes east of UTC in a zone (IANA), at a moment, ms since 1970: summer time counts. */
export const offsetIn =
  (zone: string) =>
  (time: number): number =>
    tzOffset(zone, new Date(time));

/**
 * When a day begins and when the next one does, ms since 1970: 23 or 25 hours where the clocks change.
 * @param date "2026-10-25"
 */
export function dayIn(zone: string, date: string): readonly [from: number, until: number] {
  const midnight = (day: number) => wallMoment(date, day * DAY_MINUTES, offsetIn(zone));
  return [midnight(0), midnight(1)];
}

/**
 * A moment by the clock on the wall somewhere, ms since 1970. An hour that the clocks leave out in a night is the one after it.
 * @param date "2026-12-01"
 * @param minute minutes from its midnight; of the days after it, too, each of them 24 h on the wall
 * @param offsetAt minutes east of UTC there, at a moment
 */
export function wallMoment(date: string, minute: number, offsetAt: (time: number) => number): number {
  const wall = Date.parse(`${date}T00:00:00Z`) + minute * MINUTE;
  // By the offset of about that moment, and then by the one that holds there.
  const about = wall - offsetAt(wall) * MINUTE;
  return wall - offsetAt(about) * MINUTE;
}
