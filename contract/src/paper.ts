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
    aim: oneOf('Aim', CONTAINER_AIMS).default('left over'),
    /** Whether the plan stands on the crew's own log where it has something to say. */
    history: oneOf('History', ['yes', 'no']).default('no'),
    /** Day printed on it, as it is where it is printed. */
    date: z.iso.date({ error: 'The date must be written like 2026-01-31.' }).optional(),
  })
  .strict();
/** How the day of a log is printed, in the query. */
export const dayPaperOptions = z
  .object({
    size: oneOf('Paper', PAPER_SIZES).default('a4'),
    units: oneOf('Units', ['metric', 'us']).default('metric'),
    /** Minutes east of UTC, where the day is a day. */
    offset: z.coerce.number({ error: 'Offset is not a number.' }).int().min(-840).max(840).default(0),
    job: z.uuid({ error: 'This is not an id.' }).optional(),
  })
  .strict();
export type DayPaperOptions = z.infer<typeof dayPaperOptions>;

export type PaperOptions = z.infer<typeof paperOptions>;
