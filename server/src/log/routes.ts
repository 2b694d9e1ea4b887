import { SINGLE_OPERATIONS } from '@fine-spray/contract';
import { Router } from 'express';
import type { Database } from '../db/database';
import { inCompany } from '../db/writing';
import { actorOf } from '../people/actor';
import { jobsOfLog, oldJobsBehind } from './oldJobs';

/** The jobs of the log, and what those leave that nobody works on any more. */
export function logRoutes(db: Database): Router {
  const router = Router();
  const { getLogJobs, getOldJobs } = SINGLE_OPERATIONS;
  router.get(getLogJobs.path, async (request, response) => {
    const { companyId } = actorOf(request);
    response.json({ items: await inCompany(db, companyId, (trx) => jobsOfLog(trx, companyId)) });
  });
  router.get(getOldJobs.path, async (request, response) => {
    const { after } = getOldJobs.query.parse(request.query);
    response.json(await oldJobsBehind(db, actorOf(request).companyId, after));
  });
  return router;
}
