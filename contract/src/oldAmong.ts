import type { JobOfLog } from './oldJobs';

// Without a schema: a page asks while somebody works with it.

/** A job is old when nothing was stored for it this long, ms, */
const QUIET = 60 * 24 * 3600_000;
/** and so many others were written for since: of a small firm every job is here. */
const AT_HAND = 8;

/**
 * Which jobs are old: quiet for two months, and not among the last eight.
 * @param now ms since 1970
 */
export function oldAmong(jobs: readonly JobOfLog[], now: number): readonly JobOfLog[] {
  const storedAt = ({ last }: JobOfLog) => Date.parse(last);
  return [...jobs]
    .sort((a, b) => storedAt(b) - storedAt(a) || (a.jobId < b.jobId ? -1 : 1))
    .slice(AT_HAND)
    .filter((one) => now - storedAt(one) > QUIET);
}
