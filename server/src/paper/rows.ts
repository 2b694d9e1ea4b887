import type { ResourceName, Rows } from '@fine-spray/contract';
import { coreLog } from '@fine-spray/contract/log';
import { planHistory } from '@fine-spray/contract/planning';
import { readRecord } from '@fine-spray/core/record';
import type { Database } from '../db/database';
import { atOneMoment } from '../db/writing';
import { companyOf } from '../resources/company';
import { storeOf } from '../resources/store';
import type { LogRows } from './logDay';
import type { PaperRows } from './planned';

/** Reads rows of one company as they are stored at one moment. */
function readAtOnce<Result>(
  db: Database,
  companyId: string,
  read: (rows: Reader) => Promise<Result>,
): Promise<Result> {
  return atOneMoment(db, companyId, async (trx) => {
    const company = await companyOf(trx, companyId);
    return read({
      company,
      one: (name, id) => storeOf(trx, name).get(company.id, id),
      all: async (name, where) => (await storeOf(trx, name).list(company.id, where)).items,
    });
  });
}

interface Reader {
  readonly company: LogRows['company'];
  readonly one: <Name extends ResourceName>(name: Name, id: string) => Promise<Rows[Name]>;
  readonly all: <Name extends ResourceName>(
    name: Name,
    where?: Readonly<Record<string, string>>,
  ) => Promise<Rows[Name][]>;
}

/** Everything a job's sheets are printed from, as it is stored at one moment. */
export async function paperRows(
  db: Database,
  companyId: string,
  jobId: string,
  withHistory: boolean,
): Promise<PaperRows> {
  return readAtOnce(db, companyId, async ({ company, one, all }) => {
    const job = await one('jobs', jobId);
    const kit = {
      coatings: await all('coatings'),
      sprayers: await all('sprayers'),
      hoses: await all('hoses'),
      tips: await all('tips'),
    };
    const surfaces = await all('surfaces', { jobId });
    if (!withHistory) return { company, job, surfaces, kit };
    const history = planHistory(readRecord(coreLog(await all('entries'))));
    return { company, job, surfaces, kit: { ...kit, history } };
  });
}

/** Everything a day of the log is printed from; of one job where that is asked for. */
export async function logRows(db: Database, companyId: string, jobId?: string): Promise<LogRows> {
  return readAtOnce(db, companyId, async ({ company, all }) => ({
    company,
    entries: await all('entries', jobId === undefined ? {} : { jobId }),
    jobs: await all('jobs'),
    surfaces: await all('surfaces'),
    coatings: await all('coatings'),
    tips: await all('tips'),
    sprayers: await all('sprayers'),
  }));
}
