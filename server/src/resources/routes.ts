import { RESOURCES, SINGLE_OPERATIONS, type ResourceName } from '@fine-spray/contract';
import { Router, type Request, type Response } from 'express';
import type { z } from 'zod';
import type { Database } from '../db/database';
import { expressPath, idOf } from '../http/parameters';
import { currentCompany, putCompany as storeCompany } from './company';
import { IN_JOB_ORDER, resourcesOn, writeBatch } from './registry';

/**
 * How far the clock of the device that sends is from ours, by its header Device-Time; null where it does not say. Kept
 * beside an entry, so that one made by a wrong clock can be put right.
 */
function clockOf(request: Request): { readonly clockSkew: number | null } {
  const device = Date.parse(request.get('Device-Time') ?? '');
  return { clockSkew: Number.isNaN(device) ? null : Math.round((Date.now() - device) / 1000) };
}

type Handler = (request: Request, companyId: string) => Promise<unknown>;

/** The routes of every resource in the contract, the batch of them, and the company's. */
export function resourceRoutes(db: Database): Router {
  const router = Router();
  const resources = resourcesOn(db);
  const send = (handler: Handler) => async (request: Request, response: Response) => {
    const { id } = await currentCompany(db);
    const answer = await handler(request, id);
    if (answer === undefined) response.status(204).end();
    else response.json(answer);
  };
  /** The rows of a job, in the order people gave them. */
  const ofJob =
    (name: 'places' | 'surfaces'): Handler =>
    async (request, companyId) => {
      const jobId = idOf(request, 'jobId');
      await resources.jobs.get(companyId, jobId);
      return {
        items: await resources[name].list(companyId, { job_id: jobId }, IN_JOB_ORDER),
      };
    };

  for (const name of Object.keys(RESOURCES) as ResourceName[]) {
    const { list, get, put, remove } = RESOURCES[name];
    const resource = resources[name];
    const body = put.body as unknown as z.ZodType<Record<string, unknown> & { version: number }>;
    const listed: Handler =
      name === 'places' || name === 'surfaces'
        ? ofJob(name)
        : async (_request, companyId) => ({ items: await resource.list(companyId) });
    router.get(expressPath(list.path), send(listed));
    router.get(
      expressPath(get.path),
      send(async (request, companyId) => resource.get(companyId, idOf(request))),
    );
    router.put(
      expressPath(put.path),
      send(async (request, companyId) => {
        const rowId = idOf(request);
        const { version, ...fields } = body.parse(request.body);
        return resource.put(companyId, rowId, version, fields, clockOf(request));
      }),
    );
    router.delete(
      expressPath(remove.path),
      send(async (request, companyId) => {
        await resource.remove(companyId, idOf(request));
        return undefined;
      }),
    );
  }

  const { getCompany, putCompany, postBatch } = SINGLE_OPERATIONS;
  router.get(getCompany.path, async (_request, response) => {
    response.json(await currentCompany(db));
  });
  router.put(putCompany.path, async (request, response) => {
    const { version, ...fields } = putCompany.body.parse(request.body);
    response.json(await storeCompany(db, version, fields));
  });
  router.post(
    postBatch.path,
    send(async (request, companyId) => ({
      rows: await writeBatch(db, companyId, postBatch.body.parse(request.body).writes),
    })),
  );
  return router;
}
