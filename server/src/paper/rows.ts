import type { Entry, Job, Surface } from '@fine-spray/contract';
import { coreLog } from '@fine-spray/contract/log';
import { planHistory, type Kit } from '@fine-spray/contract/planning';
import { readRecord } from '@fine-spray/core/record';
import type { Database } from '../db/database';
import { currentCompany } from '../resources/company';
import { IN_JOB_ORDER, resourcesOn } from '../resources/registry';
import type { LogRows } from './logDay';
import type { PaperRows } from './planned';

/** Everything a job's sheets are printed from, as it is stored at one moment. */
export async function paperRows(db: Database, jobId: string, withHistory: boolean): Promise<PaperRows> {
  return db.transaction(
    async (trx) => {
      const company = await currentCompany(trx);
      const resources = resourcesOn(trx);
      const job = (await resources.jobs.get(company.id, jobId)) as Job;
      const all = async (name: 'coatings' | 'sprayers' | 'hoses' | 'tips') =>
        resources[name].list(company.id) as Promise<unknown>;
      const kit = {
        coatings: await all('coatings'),
        sprayers: await all('sprayers'),
        hoses: await all('hoses'),
        tips: await all('tips'),
      } as Kit;
      const surfaces = (await resources.surfaces.list(
        company.id,
        { job_id: jobId },
        IN_JOB_ORDER,
      )) as unknown as Surface[];
      if (!withHistory) return { company, job, surfaces, kit };
      const entries = (await resources.entries.list(company.id)) as unknown as Entry[];
      const history = planHistory(readRecord(coreLog(entries)));
      return { company, job, surfaces, kit: { ...kit, history } };
    },
    { isolationLevel: 'repeatable read', readOnly: true },
  );
}

/** Everything a day of the log is printed from; of one job where that is asked for. */
export async function logRows(db: Database, jobId?: string): Promise<LogRows> {
  return db.transaction(
    async (trx) => {
      const company = await currentCompany(trx);
      const resources = resourcesOn(trx);
      const list = async (
        name: 'entries' | 'jobs' | 'surfaces' | 'coatings' | 'tips' | 'sprayers',
        where = {},
      ) => resources[name].list(company.id, where) as Promise<unknown>;
      return {
        company,
        entries: (await list('entries', jobId === undefined ? {} : { job_id: jobId })) as Entry[],
        jobs: (await list('jobs')) as Job[],
        surfaces: (await list('surfaces')) as Surface[],
        coatings: (await list('coatings')) as LogRows['coatings'],
        tips: (await list('tips')) as LogRows['tips'],
        sprayers: (await list('sprayers')) as LogRows['sprayers'],
      };
    },
    { isolationLevel: 'repeatable read', readOnly: true },
  );
}
