import { RESOURCES, RESOURCE_NAMES, SINGLE_OPERATIONS, SKEW_LIMIT } from '@fine-spray/contract';
import { Router, type Request, type Response } from 'express';
import type { Database } from '../db/database';
import { expressPath, idOf } from '../http/parameters';
import { writing } from '../db/writing';
import { writeBatch } from './batch';
import { currentCompany, currentCompanyId, putCompany as storeCompany } from './company';
import { putEntries, putEntry } from './entries';
import { storeOf } from './store';

/**
 * How far the clock of the device that sends is from ours, by its header Device-Time; null where it does not say, or says what
 * no clock could. Kept
 * beside an entry, so that one made by a wrong clock can be put right.
 */
function clockOf(request: Request): { readonly clockSkew: number | null } {
  const skew = Math.round((Date.now() - Date.parse(request.get('Device-Time') ?? '')) / 1000);
  return { clockSkew: Math.abs(skew) <= SKEW_LIMIT ? skew : null };
}

type Handler = (request: Request, companyId: string) => Promise<unknown>;

/** The routes of every resource in the contract, the batch of them, and the company's. */
export function resourceRoutes(db: Database): Router {
  const router = Router();
  const send = (handler: Handler) => async (request: Request, response: Response) => {
    const answer = await handler(request, await currentCompanyId(db));
    if (answer === undefined) response.status(204).end();
    else response.json(answer);
  };

  for (const name of RESOURCE_NAMES) {
    const { operations, body, ofJob } = RESOURCES[name];
    const { list, get, put, remove } = operations;
    const store = storeOf(db, name);
    const listed: Handler = async (request, companyId) => {
      if (!ofJob) return store.list(companyId);
      const jobId = idOf(request, 'jobId');
      await storeOf(db, 'jobs').get(companyId, jobId);
      return store.list(companyId, { jobId });
    };
    router.get(expressPath(list.path), send(listed));
    router.get(
      expressPath(get.path),
      send(async (request, companyId) => store.get(companyId, idOf(request))),
    );
    router.put(
      expressPath(put.path),
      send(async (request, companyId) => {
        const rowId = idOf(request);
        const { version, ...content } = body.parse(request.body) as { readonly version: number };
        return name === 'entries'
          ? putEntry(db, companyId, { id: rowId, content: content as never, beside: clockOf(request) })
          : writing(db, companyId, (trx) =>
              storeOf(trx, name).put(companyId, rowId, version, content as never),
            );
      }),
    );
    router.delete(
      expressPath(remove.path),
      send(async (request, companyId) => {
        const { version } = remove.query.parse(request.query);
        await writing(db, companyId, (trx) => storeOf(trx, name).remove(companyId, idOf(request), version));
        return undefined;
      }),
    );
  }

  const { getCompany, putCompany, postBatch, postEntries } = SINGLE_OPERATIONS;
  router.get(getCompany.path, async (_request, response) => {
    response.json(await currentCompany(db));
  });
  router.put(
    putCompany.path,
    send(async (request, companyId) => {
      const { version, ...fields } = putCompany.body.parse(request.body);
      return writing(db, companyId, (trx) => storeCompany(trx, version, fields));
    }),
  );
  router.post(
    postEntries.path,
    send(async (request, companyId) => putEntries(db, companyId, request.body, clockOf(request))),
  );
  router.post(
    postBatch.path,
    send(async (request, companyId) => ({
      rows: await writeBatch(db, companyId, postBatch.body.parse(request.body).writes),
    })),
  );
  return router;
}
