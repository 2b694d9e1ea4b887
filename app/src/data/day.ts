import { timeOf, type Entry } from '@fine-spray/contract';
import { format } from 'date-fns/format';

const MINUTE = 60_000;
const DAY = 24 * 60 * MINUTE;

/** The user's day a moment is on, counted: days follow each other by one, also where the clocks change. */
export const localDay = (time: number): number =>
  Math.floor((time - new Date(time).getTimezoneOffset() * MINUTE) / DAY);

/** A moment as the user's day: "2026-11-25" where the device is. */
export const dayOf = (time: number): string => format(time, 'yyyy-MM-dd');

/** The user's day on which an entry happened, by a clock that is put right where it was wrong. */
export const dayOfEntry = (entry: Pick<Entry, 'at' | 'clockSkew'>): string => dayOf(timeOf(entry));
