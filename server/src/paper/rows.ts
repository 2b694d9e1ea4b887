import type { Job, Surface } from '@fine-spray/contract';
import type { Kit } from '@fine-spray/contract/planning';
import type { Database } from '../db/database';
import { currentCompany } from '../resources/company';
import { IN_JOB_ORDER, resourcesOn } from '../resources/registry';
import type { PaperRows } from './planned';

/** Everything a job's sheets are printed from, as it is stored at one moment. */
export async function paperRows(db: Database, jobId: string): Promise<PaperRows> {
  return db.transaction(
    async (trx) => {
      const company = await currentCompany(trx);
      const resources = resourcesOn(trx);
      const job = (await resources.jobs.get(company.id, jobId)) as Job;
      const all = async (name: keyof Kit) => resources[name].list(company.id) as Promise<unknown>;
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
      return { company, job, surfaces, kit };
    },
    { isolationLevel: 'repeatable read', readOnly: true },
  );
}
