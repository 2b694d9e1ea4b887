import { z } from 'zod';
import { id, line } from './primitives';
import { RESOURCE_NAMES } from './resources';

/** A company with all it has stored, as one file to leave with: a ZIP of the open files. */
export const ARCHIVE = {
  version: 1,
  type: 'application/zip',
  /** The largest that is taken in over HTTP, and what one may unpack to, bytes. */
  most: 256 * 1024 * 1024,
  unpacked: 2 * 1024 * 1024 * 1024,
  head: 'company.json',
  kit: 'kit.json',
  log: 'log.json',
  offers: 'offers.json',
  schedules: 'schedules.json',
  jobs: /^jobs\/[^/]+\.job\.json$/,
  pictures: /^pictures\/([0-9a-f-]{36})\.jpg$/,
} as const;

const count = z.int().min(0);

/** What an archive says of itself: by it one that was cut off is known. */
export const archiveHead = z
  .object({
    format: z.literal('fine-spray-company'),
    version: z.int().min(1),
    company: line('Company name', 120),
    made: z.iso.datetime(),
    holds: z
      .object({ jobs: count, surfaces: count, entries: count, offers: count, pictures: count })
      .strict(),
    /** Rows that are stored in a way nobody can read: they stay behind. */
    leftOut: z.array(
      z.object({ resource: z.enum(RESOURCE_NAMES), id, name: z.string(), why: z.string() }).strict(),
    ),
  })
  .strict();
export type ArchiveHead = z.infer<typeof archiveHead>;

/** What the company of an archive is to be called here, where not as there. */
export const archiveQuery = z.object({ as: line('Company name', 120).optional() }).strict();
