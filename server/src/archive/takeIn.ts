import { randomUUID } from 'node:crypto';
import type { Database } from '../db/database';
import { SEEN_AS, seeing } from '../db/database';
import { importJob, importKit, importLog, importRows } from '../files/importFiles';
import { refuseTaken } from '../people/companyNames';
import type { Unpacked } from './unpack';

/** A company that was taken in. */
export interface TakenIn {
  readonly companyId: string;
  readonly company: string;
}

/**
 * Makes a company of an archive, in a transaction of the door: all of it or nothing. Its rows keep their ids; it is one of this
 * server, beside the one it was written from where that is here too.
 * @param as what it is called here, where not as there
 * @throws a problem where there is a company of that name
 */
export async function takeIn(
  trx: Database,
  { kit, jobs, log, offers, schedules, pictures }: Unpacked,
  as?: string,
): Promise<TakenIn> {
  const company = as ?? kit.company.name;
  const companyId = randomUUID();
  await refuseTaken(trx, company, 'as', companyId);
  await seeing(trx, companyId);
  await importKit(trx, { ...kit, company: { ...kit.company, id: companyId, name: company } });
  for (const job of jobs) await importJob(trx, companyId, job);
  await importLog(trx, companyId, log);
  // As if each had come when it was written: jobs that were old stay so.
  await trx('entry')
    .where({ companyId })
    .update({ createdAt: trx.raw('least(at::timestamptz, now())') });
  await importRows(trx, companyId, 'offers', offers);
  await importRows(trx, companyId, 'schedules', schedules);
  for (const [id, content] of pictures)
    await trx('picture').insert({ id, companyId, content: Buffer.from(content) });
  // Locked only now: others write meanwhile. Somebody may have taken the name.
  await seeing(trx, SEEN_AS['the door']);
  await trx.raw('lock table company in exclusive mode');
  await refuseTaken(trx, company, 'as', companyId);
  return { companyId, company };
}
