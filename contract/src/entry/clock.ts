import type { Entry } from './entry';

/** How far a device's clock can be from the server's and still be put right, s: a hundred years. */
export const SKEW_LIMIT = 100 * 365.25 * 24 * 3600;

/** A device clock is taken as right within this, s: sending takes its time. */
export const CLOCK_TOLERANCE = 120;

/** When an entry was stored that waits on a device still: after all that the server has. */
export const NOT_YET_STORED = '9999-12-31T23:59:59.999Z';

/** When it happened: by the device's clock, put right where that was known to be wrong. Milliseconds since 1970. */
export function timeOf({ at, clockSkew }: Pick<Entry, 'at' | 'clockSkew'>): number {
  const wrong = clockSkew !== null && Math.abs(clockSkew) > CLOCK_TOLERANCE;
  return Date.parse(at) + (wrong ? clockSkew * 1000 : 0);
}

/** The same moment as ISO text. */
export const isoTimeOf = (one: Pick<Entry, 'at' | 'clockSkew'>): string =>
  new Date(timeOf(one)).toISOString();

/** Times an entry can have, ms: a clock that was never set stands at the first; every reader can work with either end. */
const EARLIEST = Date.UTC(1970, 0, 1);
const LATEST = Date.UTC(2200, 0, 1);
export const isTime = (at: string): boolean => Date.parse(at) >= EARLIEST && Date.parse(at) <= LATEST;
