import { OLD_JOBS_AT_ONCE, oldAmong, type Entry, type JobOfLog, type OldJob } from '@fine-spray/contract';
import { LogFold, oldJobFrom } from '@fine-spray/contract/log';
import { DIGEST_VERSION, type SiteRecord } from '@fine-spray/core/record';
import type { Database } from '../db/database';
import { inCompany } from '../db/writing';
import { storeOf } from '../resources/store';

/** What was kept of an old job, as Knex gives it. */
interface Kept {
  readonly jobId: string;
  readonly entries: number;
  readonly last: Date;
  readonly content: OldJob;
}

/** Jobs there is something written for: how much, and when the last of it was stored. */
export async function jobsOfLog(trx: Database, companyId: string): Promise<readonly JobOfLog[]> {
  const rows = await trx('entry')
    .where({ companyId })
    .whereNotNull('jobId')
    .groupBy('jobId')
    .select<{ jobId: string; entries: string; last: Date }[]>(
      'jobId',
      trx.raw('count(*) as entries'),
      trx.raw('max(created_at) as last'),
    );
  return rows.map(({ jobId, entries, last }) => ({
    jobId,
    entries: Number(entries),
    last: last.toISOString(),
  }));
}

/** Jobs that are bound up with another (`boundJobs` of the contract, asked of the database). */
async function boundAmong(trx: Database, companyId: string): Promise<ReadonlySet<string>> {
  const { rows } = await trx.raw<{ rows: readonly { job: string | null }[] }>(
    `with crossing as (
      select one.job_id as job, other.job_id as other from entry as one
      join entry as other on other.company_id = one.company_id and other.id = one.replaces
      where one.company_id = :companyId and one.replaces is not null and one.job_id is distinct from other.job_id
    ), shared as (
      select surface_id from entry where company_id = :companyId and surface_id is not null
      group by surface_id having min(coalesce(job_id::text, '')) <> max(coalesce(job_id::text, ''))
    )
    select job from crossing union select other from crossing
    union select job_id from entry where company_id = :companyId and surface_id in (select surface_id from shared)`,
    { companyId },
  );
  return new Set(rows.flatMap(({ job }) => job ?? []));
}

/** Which jobs are old now, by id. */
async function oldNow(
  trx: Database,
  companyId: string,
  jobs: readonly JobOfLog[],
): Promise<readonly JobOfLog[]> {
  const quiet = oldAmong(jobs, Date.now());
  if (quiet.length === 0) return [];
  const bound = await boundAmong(trx, companyId);
  return quiet.filter(({ jobId }) => !bound.has(jobId)).sort((a, b) => (a.jobId < b.jobId ? -1 : 1));
}

/** Of which jobs is kept what they leave, by the entries there are now and worked out as this program does. */
async function knownOf(
  trx: Database,
  companyId: string,
  jobs: readonly JobOfLog[],
): Promise<ReadonlySet<string>> {
  const rows = await trx('old_job')
    .where({ companyId, digestVersion: DIGEST_VERSION })
    .select<Omit<Kept, 'content'>[]>('jobId', 'entries', 'last');
  const found = new Map(rows.map((row) => [row.jobId, row]));
  const isKnown = ({ jobId, entries, last }: JobOfLog) => {
    const row = found.get(jobId);
    return row !== undefined && row.entries === entries && row.last.toISOString() === last;
  };
  return new Set(jobs.filter(isKnown).map(({ jobId }) => jobId));
}

/** What is kept of jobs, where it is known. */
async function keptOf(
  trx: Database,
  companyId: string,
  jobs: readonly JobOfLog[],
): Promise<ReadonlyMap<string, OldJob>> {
  const known = await knownOf(trx, companyId, jobs);
  const rows = await trx('old_job')
    .where({ companyId })
    .whereIn('jobId', [...known])
    .select<Pick<Kept, 'jobId' | 'content'>[]>('jobId', 'content');
  return new Map(rows.map(({ jobId, content }) => [jobId, content]));
}

/** Works out what a job leaves, and keeps it. All its entries are read in one statement: they are of one moment. */
async function make(trx: Database, companyId: string, { jobId, entries, last }: JobOfLog): Promise<OldJob> {
  const job = { jobId, entries, last };
  const content = oldJobFrom(job, (await storeOf(trx, 'entries').list(companyId, { jobId })).items);
  await trx('old_job')
    .insert({ companyId, ...job, digestVersion: DIGEST_VERSION, content: JSON.stringify(content) })
    .onConflict(['companyId', 'jobId'])
    .merge();
  return content;
}

/** Old jobs in the order of their ids, a page of them behind one; what is not known of them yet is worked out. */
export function oldJobsBehind(
  db: Database,
  companyId: string,
  after: string | undefined,
): Promise<{ readonly items: readonly OldJob[]; readonly next: string | null }> {
  return inCompany(db, companyId, async (trx) => {
    const all = await oldNow(trx, companyId, await jobsOfLog(trx, companyId));
    const behind = all.filter(({ jobId }) => after === undefined || jobId > after);
    const some = behind.slice(0, OLD_JOBS_AT_ONCE);
    const kept = await keptOf(trx, companyId, some);
    const items: OldJob[] = [];
    for (const job of some) items.push(kept.get(job.jobId) ?? (await make(trx, companyId, job)));
    return { items, next: behind.length > some.length ? (some.at(-1)?.jobId ?? null) : null };
  });
}

/** Works out what is not known yet of old jobs, so that `recordOfAll` has not to read them. */
export function keepOldJobs(db: Database, companyId: string): Promise<void> {
  return inCompany(db, companyId, async (trx) => {
    const old = await oldNow(trx, companyId, await jobsOfLog(trx, companyId));
    const known = await knownOf(trx, companyId, old);
    for (const job of old) if (!known.has(job.jobId)) await make(trx, companyId, job);
  });
}

/** What the whole log of a company says, as it is at the moment of a transaction; old jobs by what they leave. */
export async function recordOfAll(trx: Database, companyId: string): Promise<SiteRecord> {
  return (await logOfAll(trx, companyId)).record;
}

/** The log of a company but for that of old jobs, and what all of it says. */
export async function logOfAll(
  trx: Database,
  companyId: string,
): Promise<{ readonly entries: readonly Entry[]; readonly record: SiteRecord }> {
  const jobs = await jobsOfLog(trx, companyId);
  const old = await keptOf(trx, companyId, await oldNow(trx, companyId, jobs));
  const store = storeOf(trx, 'entries');
  const wanted: Record<string, string | null>[] = [
    { jobId: null },
    ...jobs.filter(({ jobId }) => !old.has(jobId)).map(({ jobId }) => ({ jobId })),
  ];
  const entries: Entry[] = [];
  for (const where of wanted) entries.push(...(await store.list(companyId, where)).items);
  return { entries, record: new LogFold().record(entries, old) };
}
