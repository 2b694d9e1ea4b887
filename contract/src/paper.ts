import { CONTAINER_AIMS, RISKS, type Risk } from '@fine-spray/core/quantities';
import { z } from 'zod';
import { oneOf } from './primitives';

/** Sheets a job is printed on. */
export const PAPER_KINDS = { 'job-sheet': 'Job sheet', 'buy-list': 'Buy list' } as const;
export type PaperKind = keyof typeof PAPER_KINDS;

export const PAPER_SIZES = ['a4', 'letter'] as const;
export type PaperSize = (typeof PAPER_SIZES)[number];

/** How a sheet is printed, in the query: what is left out is as the screens start with it. */
export const paperOptions = z
  .object({
    size: oneOf('Paper', PAPER_SIZES).default('a4'),
    units: oneOf('Units', ['metric', 'us']).default('metric'),
    /** How often what is bought is to be enough. */
    risk: oneOf('Risk', Object.keys(RISKS) as [Risk, ...Risk[]]).default('P80'),
    aim: oneOf('Aim', CONTAINER_AIMS).default('cost'),
    /** Whether the plan stands on the crew's own log where it has something to say. */
    history: oneOf('History', ['yes', 'no']).default('no'),
    /** Day printed on it, as it is where it is printed. */
    date: z.iso.date({ error: 'The date must be written like 2026-01-31.' }).optional(),
  })
  .strict();
/** Whether there is such a time zone. */
function isZone(name: string): boolean {
  try {
    return Intl.DateTimeFormat('en', { timeZone: name }) !== undefined;
  } catch {
    return false;
  }
}

/** Where a day is a day, by its name in the IANA list. */
export const zone = z
  .string()
  .max(64, { error: 'There is no such time zone: write it like Europe/Lisbon.' })
  .refine(isZone, { error: 'There is no such time zone: write it like Europe/Lisbon.' })
  .default('UTC');

/** How the day of a log is printed, in the query. */
export const dayPaperOptions = z
  .object({
    size: oneOf('Paper', PAPER_SIZES).default('a4'),
    units: oneOf('Units', ['metric', 'us']).default('metric'),
    zone,
    job: z.uuid({ error: 'This is not an id.' }).optional(),
  })
  .strict();
export type DayPaperOptions = z.infer<typeof dayPaperOptions>;

/** How the record of viscosity is printed: all of it, or from a day until another. */
export const recordPaperOptions = dayPaperOptions.extend({
  from: z.iso.date({ error: 'The date must be written like 2026-01-31.' }).optional(),
  until: z.iso.date({ error: 'The date must be written like 2026-01-31.' }).optional(),
});
export type RecordPaperOptions = z.infer<typeof recordPaperOptions>;

export type PaperOptions = z.infer<typeof paperOptions>;
