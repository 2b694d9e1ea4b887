import type { JobDigest } from '@fine-spray/core/record';
import { z } from 'zod';
import { entry, type Entry } from './entry';
import { abrasion } from './entry/parts';
import { id } from './primitives';

const count = z.int().min(0);
const storedLast = z.iso
  .datetime()
  .meta({ description: 'When the server stored the last of its entries: by its own clock' });

/** A job of the log: how much was written for it. */
const jobOfLog = z.object({ jobId: id, entries: count, last: storedLast });
export type JobOfLog = z.infer<typeof jobOfLog>;

const readings = z.object({
  about: z.record(z.string(), z.string()),
  ids: z.array(id),
  at: z.array(z.number()),
  values: z.array(z.number()),
});

/** What the coats of a job leave: see `JobDigest` of the core. */
const digest = z.object({
  version: z.int(),
  transfer: z.array(readings),
  speed: z.array(readings),
  through: z.object({
    tips: z.array(z.string()),
    coatings: z.array(z.string()),
    ...{ tip: z.array(z.int()), coating: z.array(z.int()) },
    ...{ at: z.array(z.number()), volume: z.array(z.number()) },
    abrasion: z.array(abrasion.nullable()),
  }),
});

/**
 * A job nobody has written for in a while: what all later work needs of it. `kept` are those of its entries that count in other
 * jobs too; `surfaces` those its entries speak of. The rest of its log is asked for by `GET /api/entries?job=`.
 */
export const oldJob = jobOfLog
  .safeExtend({ surfaces: z.array(id), digest, kept: z.array(entry) })
  .meta({ id: 'OldJob' });
export interface OldJob extends JobOfLog {
  readonly surfaces: readonly string[];
  readonly digest: JobDigest;
  readonly kept: readonly Entry[];
}

export const oldJobsQuery = z
  .object({
    after: id.optional().meta({ description: '`next` of the page before; without it the first page' }),
  })
  .strict();

export const oldJobsPage = z.object({
  items: z.array(oldJob),
  next: id.nullable().meta({ description: 'For `after` of the next page; null where this was the last' }),
});

/** Jobs there is something written for. */
export const jobsOfLog = z.object({ items: z.array(jobOfLog) });

/** Old jobs of one answer at most. */
export const OLD_JOBS_AT_ONCE = 12;
