import { tzOffset } from '@date-fns/tz';

const MINUTE = 60_000;
const DAY = 24 * 60 * MINUTE;

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
  const offsetAt = offsetIn(zone);
  const midnight = (utc: number): number => {
    // By the offset of about that moment, and then by the one that holds there.
    const about = utc - offsetAt(utc) * MINUTE;
    return utc - offsetAt(about) * MINUTE;
  };
  const utc = Date.parse(`${date}T00:00:00Z`);
  return [midnight(utc), midnight(utc + DAY)];
}
