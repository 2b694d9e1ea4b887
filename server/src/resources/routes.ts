import {
  RESOURCES,
  SINGLE_OPERATIONS,
  SURFACES_PER_JOB,
  id as idSchema,
  type JobFields,
  type ResourceName,
  type SurfaceFields,
} from '@fine-spray/contract';
import { Router, type Request, type Response } from 'express';
import type { z } from 'zod';
import type { Database } from '../db/database';
import { ProblemError } from '../http/problems';
import { currentCompany, renameCompany } from './company';
import { createStore, type Store, type Stored } from './store';
import { COATINGS, HOSES, JOBS, SPRAYERS, SURFACES, TIPS } from './tables';

type Handler = (request: Request, companyId: string) => Promise<unknown>;

/** "{id}" of the contract as Express writes it. */
const expressPath = (path: string) => path.replace(/\{(\w+)\}/g, ':$1');

function idOf(request: Request, name = 'id'): string {
  const parsed = idSchema.safeParse(request.params[name]);
  if (!parsed.success) throw new ProblemError('not-found', 'There is nothing with this id.');
  return parsed.data.toLowerCase();
}

/** The routes of every resource in the contract, and the company's. */
export function resourceRoutes(db: Database): Router {
  const router = Router();
  const send = (handler: Handler) => async (request: Request, response: Response) => {
    const { id } = await currentCompany(db);
    const answer = await handler(request, id);
    if (answer === undefined) response.status(204).end();
    else response.json(answer);
  };

  function mount<Fields extends object>(
    name: ResourceName,
    store: Store<Fields>,
    custom: {
      list?: Handler;
      beforePut?: (companyId: string, id: string, fields: Fields) => Promise<void>;
      shown?: (row: Stored<Fields>) => Promise<unknown>;
    } = {},
  ): void {
    const { list, get, put, remove } = RESOURCES[name];
    const body = put.body as unknown as z.ZodType<Fields & { version: number }>;
    const shown = custom.shown ?? ((row) => Promise.resolve(row));
    router.get(
      expressPath(list.path),
      send(custom.list ?? (async (_request, companyId) => ({ items: await store.list(companyId) }))),
    );
    router.get(
      expressPath(get.path),
      send(async (request, companyId) => shown(await store.get(companyId, idOf(request)))),
    );
    router.put(
      expressPath(put.path),
      send(async (request, companyId) => {
        const rowId = idOf(request);
        const { version, ...fields } = body.parse(request.body);
        await custom.beforePut?.(companyId, rowId, fields as unknown as Fields);
        return shown(await store.put(companyId, rowId, version, fields as unknown as Fields));
      }),
    );
    router.delete(
      expressPath(remove.path),
      send(async (request, companyId) => {
        await store.remove(companyId, idOf(request));
        return undefined;
      }),
    );
  }

  const jobs = createStore<JobFields>(db, JOBS);
  const surfaces = createStore<SurfaceFields>(db, SURFACES);
  const hoses = createStore(db, HOSES);

  async function surfaceCounts(companyId: string): Promise<Map<string, number>> {
    const rows = await db('surface')
      .where({ company_id: companyId })
      .groupBy('job_id')
      .select('job_id')
      .count<{ job_id: string; count: string }[]>('* as count');
    return new Map(rows.map((row) => [row.job_id, Number(row.count)]));
  }

  async function checkHoses(companyId: string, { hoseIds }: JobFields): Promise<void> {
    const known = new Set((await hoses.list(companyId)).map(({ id }) => id));
    const index = hoseIds.findIndex((hoseId) => !known.has(hoseId));
    if (index < 0) return;
    const message = 'This hose does not exist, or was deleted.';
    throw new ProblemError('bad-body', message, [{ field: `hoseIds.${index}`, message, code: 'reference' }]);
  }

  async function checkRoom(companyId: string, surfaceId: string, { jobId }: SurfaceFields): Promise<void> {
    const [row] = await db('surface')
      .where({ company_id: companyId, job_id: jobId })
      .whereNot({ id: surfaceId })
      .count<{ count: string }[]>('* as count');
    if (Number(row?.count ?? 0) < SURFACES_PER_JOB) return;
    const message = `A job holds ${SURFACES_PER_JOB.toLocaleString('en')} surfaces at most. Make a second job for the rest.`;
    throw new ProblemError('bad-body', message, [{ field: 'jobId', message, code: 'job.full' }]);
  }

  async function checkHoseUnused(companyId: string, hoseId: string): Promise<void> {
    const used = (await jobs.list(companyId)).some(({ hoseIds }) => hoseIds.includes(hoseId));
    if (used)
      throw new ProblemError('in-use', 'This hose is still used by a job. Choose another one there first.');
  }

  mount('coatings', createStore(db, COATINGS));
  mount('sprayers', createStore(db, SPRAYERS));
  mount('hoses', {
    ...hoses,
    remove: async (companyId, hoseId) => {
      await checkHoseUnused(companyId, hoseId);
      await hoses.remove(companyId, hoseId);
    },
  });
  mount('tips', createStore(db, TIPS));
  mount('jobs', jobs, {
    list: async (_request, companyId) => {
      const [rows, counts] = await Promise.all([jobs.list(companyId), surfaceCounts(companyId)]);
      return { items: rows.map((row) => ({ ...row, surfaceCount: counts.get(row.id) ?? 0 })) };
    },
    beforePut: (companyId, _id, fields) => checkHoses(companyId, fields),
    shown: async (row) => {
      const [count] = await db('surface').where({ job_id: row.id }).count<{ count: string }[]>('* as count');
      return { ...row, surfaceCount: Number(count?.count ?? 0) };
    },
  });
  mount('surfaces', surfaces, {
    list: async (request, companyId) => {
      const jobId = idOf(request, 'jobId');
      await jobs.get(companyId, jobId);
      return { items: await surfaces.list(companyId, { job_id: jobId }, ['position', 'created_at', 'id']) };
    },
    beforePut: checkRoom,
  });

  const { getCompany, putCompany } = SINGLE_OPERATIONS;
  router.get(getCompany.path, async (_request, response) => {
    response.json(await currentCompany(db));
  });
  router.put(putCompany.path, async (request, response) => {
    const { version, name } = putCompany.body.parse(request.body);
    response.json(await renameCompany(db, version, name));
  });
  return router;
}
