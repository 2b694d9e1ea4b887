import {
  RESOURCES,
  RESOURCE_NAMES,
  SINGLE_OPERATIONS,
  SKEW_LIMIT,
  may,
  type Operation,
  type PageQuery,
} from '@fine-spray/contract';
import { Router, type Request, type Response } from 'express';
import type { Data } from '../db/data';
import { expressPath, idOf } from '../http/parameters';
import { inCompany, writing } from '../db/writing';
import { actorOf, allow, pricesFor, type Actor } from '../people/actor';
import { allowOwn, ownOf } from '../people/own';
import { writeBatch } from './batch';
import { companyOf, putCompany as storeCompany, withoutMoney } from './company';
import { EntriesOneByOne, putEntries } from './entries';
import { storeOf } from './store';

/**
 * How far the clock of the device that sends is from ours, by its header Device-Time; null where it does not say, or says what
 * no clock could. Kept
 * beside an entry, so that one made by a wrong clock can be put right.
 */
function clockOf(request: Request): number | null {
  const skew = Math.round((Date.now() - Date.parse(request.get('Device-Time') ?? '')) / 1000);
  return Math.abs(skew) <= SKEW_LIMIT ? skew : null;
}

type Handler = (request: Request, actor: Actor) => Promise<unknown>;

/** The routes of every resource in the contract, the batch of them, and the company's. */
export function resourceRoutes({ db, announcer }: Pick<Data, 'db' | 'announcer'>): Router {
  const router = Router();
  const oneByOne = new EntriesOneByOne(db);
  const send = (handler: Handler) => async (request: Request, response: Response) => {
    const actor = actorOf(request);
    const answer = await handler(request, actor);
    if (request.method !== 'GET') announcer.announce(actor.companyId);
    if (answer === undefined) response.status(204).end();
    else response.json(answer);
  };

  // A way is looked for in the order they stand here: the log is written most.
  for (const name of ['entries', ...RESOURCE_NAMES.filter((one) => one !== 'entries')] as const) {
    const { operations, body, ofJob, writtenBy, seenBy, paged: inPages = false } = RESOURCES[name];
    const see = (actor: Actor) => seenBy && allow(actor, seenBy);
    const { list, get, put, remove } = operations;
    const { all } = operations as { readonly all?: Operation };
    const paged =
      ({ query }: Operation): Handler =>
      async (request, actor) => {
        see(actor);
        const { companyId } = actor;
        const asked = query?.parse(request.query) as PageQuery;
        return inCompany(db, companyId, (trx) => storeOf(trx, name, pricesFor(actor)).page(companyId, asked));
      };
    const listed: Handler = async (request, actor) => {
      see(actor);
      const { companyId } = actor;
      const jobId = ofJob ? idOf(request, 'jobId') : undefined;
      return inCompany(db, companyId, async (trx) => {
        const store = storeOf(trx, name, pricesFor(actor));
        if (jobId === undefined) return ownOf(actor, name, await store.list(companyId));
        await storeOf(trx, 'jobs').find(companyId, jobId);
        return store.list(companyId, { jobId });
      });
    };
    router.get(expressPath(list.path), send(inPages ? paged(list) : listed));
    if (all) router.get(all.path, send(paged(all)));
    router.get(
      expressPath(get.path),
      send(async (request, actor) => {
        see(actor);
        const { companyId } = actor;
        const id = idOf(request);
        allowOwn(actor, name, id);
        return inCompany(db, companyId, (trx) => storeOf(trx, name, pricesFor(actor)).get(companyId, id));
      }),
    );
    router.put(
      expressPath(put.path),
      send(async (request, actor) => {
        allow(actor, writtenBy);
        const { companyId } = actor;
        const rowId = idOf(request);
        allowOwn(actor, name, rowId);
        const { version, ...content } = body.parse(request.body) as { readonly version: number };
        return name === 'entries'
          ? oneByOne.put(actor, { id: rowId, content: content as never, clockSkew: clockOf(request) })
          : writing(db, companyId, (trx) =>
              storeOf(trx, name, pricesFor(actor)).put(companyId, rowId, version, content as never),
            );
      }),
    );
    router.delete(
      expressPath(remove.path),
      send(async (request, actor) => {
        allow(actor, writtenBy);
        allowOwn(actor, name, idOf(request));
        const { companyId } = actor;
        const { version } = remove.query.parse(request.query);
        await writing(db, companyId, (trx) =>
          storeOf(trx, name, pricesFor(actor)).remove(companyId, idOf(request), version),
        );
        return undefined;
      }),
    );
  }

  const { getCompany, putCompany, postBatch, postEntries } = SINGLE_OPERATIONS;
  router.get(
    getCompany.path,
    send(async (_request, { companyId, role }) => {
      const company = await inCompany(db, companyId, (trx) => companyOf(trx, companyId));
      return may(role, 'money') ? company : withoutMoney(company);
    }),
  );
  router.put(
    putCompany.path,
    send(async (request, actor) => {
      allow(actor, 'money');
      const { companyId } = actor;
      const { version, ...fields } = putCompany.body.parse(request.body);
      return writing(db, companyId, (trx) => storeCompany(trx, companyId, version, fields));
    }),
  );
  router.post(
    postEntries.path,
    send(async (request, actor) => {
      allow(actor, 'log');
      return putEntries(db, actor, request.body, clockOf(request));
    }),
  );
  router.post(
    postBatch.path,
    send(async (request, actor) => {
      const { writes } = postBatch.body.parse(request.body);
      for (const { resource, id } of writes) {
        allow(actor, RESOURCES[resource].writtenBy);
        allowOwn(actor, resource, id);
      }
      return { rows: await writeBatch(db, actor, writes) };
    }),
  );
  return router;
}
