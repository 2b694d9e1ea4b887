import { z } from 'zod';
import { id, oneOf } from './primitives';
import { zone } from './paper';

/** What a calendar can be of: the recoat windows of a job, or the plan of its days. */
export const CALENDAR_KINDS = ['windows', 'days'] as const;
export type CalendarKind = (typeof CALENDAR_KINDS)[number];

/** Calendars of a job that are given away at most. */
export const CALENDARS_PER_JOB = 20;

export const newCalendarBody = z
  .object({
    what: oneOf('Calendar', CALENDAR_KINDS),
    /** Where the site is: the plan of the days is by the clock on its wall. */
    zone,
  })
  .strict();

const calendarLink = z.object({
  id,
  what: z.enum(CALENDAR_KINDS),
  createdAt: z.iso.datetime(),
  /** When a calendar program asked for it last; null where none did yet. */
  usedAt: z.iso.datetime().nullable(),
});

/** Addresses of calendars of a job; what makes them secret is told once, when they are made. */
export const calendarLinks = z.object({ items: z.array(calendarLink) }).meta({ id: 'CalendarLinks' });
export type CalendarLink = z.infer<typeof calendarLink>;

/** An address as it is told once. */
export const newCalendarLink = calendarLink.extend({ url: z.string() }).meta({ id: 'NewCalendarLink' });
export type NewCalendarLink = z.infer<typeof newCalendarLink>;
