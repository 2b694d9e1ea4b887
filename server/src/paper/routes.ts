import { PAPER_KINDS, SINGLE_OPERATIONS, type PaperKind } from '@fine-spray/contract';
import { format } from 'date-fns/format';
import { Router, type Request, type Response } from 'express';
import { z } from 'zod';
import type { Database } from '../db/database';
import { expressPath, idOf } from '../http/parameters';
import { actorOf, allow } from '../people/actor';
import { madeFor, type Pool } from '../jobs/pool';
import { daysRows, logRows, offerRows, paperRows, viscosityRows } from './rows';
import type { PaperTask } from './task';

const OPERATIONS = {
  'job-sheet': SINGLE_OPERATIONS.getJobSheet,
  'buy-list': SINGLE_OPERATIONS.getBuyList,
} as const satisfies Record<PaperKind, unknown>;

const today = () => format(new Date(), 'yyyy-MM-dd');
const DAY = z.iso.date({ error: 'The date must be written like 2026-01-31.' });

/** The sheets of a job, and the days of the log, as PDF, made in the worker pool; a client that leaves stops the work. */
export function paperRoutes(db: Database, pool: Pool): Router {
  const router = Router();
  for (const kind of Object.keys(PAPER_KINDS) as PaperKind[]) {
    const { path, query, file } = OPERATIONS[kind];
    router.get(expressPath(path), async (request, response) => {
      const { date = today(), ...options } = query.parse(request.query);
      const rows = await paperRows(db, actorOf(request), idOf(request), options.history === 'yes');
      await send({ kind, rows, options: { ...options, date } }, response, file);
    });
  }
  const { getDays, getOffer, getViscosityRecord } = SINGLE_OPERATIONS;
  router.get(getViscosityRecord.path, async (request, response) => {
    const options = getViscosityRecord.query.parse(request.query);
    const rows = await viscosityRows(db, actorOf(request), options.job);
    await send(
      { kind: 'viscosity-record', rows, options: { ...options, date: today() } },
      response,
      getViscosityRecord.file,
    );
  });
  router.get(expressPath(getDays.path), async (request, response) => {
    const { date = today(), ...options } = getDays.query.parse(request.query);
    const rows = await daysRows(db, actorOf(request), idOf(request), options.history === 'yes');
    await send({ kind: 'days', rows, options: { ...options, date } }, response, getDays.file);
  });
  router.get(expressPath(getOffer.path), async (request, response) => {
    const actor = actorOf(request);
    allow(actor, 'money');
    const { date = today(), ...options } = getOffer.query.parse(request.query);
    const rows = await offerRows(db, actor, idOf(request), options.history === 'yes');
    await send({ kind: 'offer', rows, options: { ...options, date } }, response, getOffer.file);
  });
  const { path, query, file } = SINGLE_OPERATIONS.getLogDay;
  router.get(expressPath(path), async (request: Request, response) => {
    const date = DAY.parse(request.params['date']);
    const options = query.parse(request.query);
    await send(
      {
        kind: 'log-day',
        rows: await logRows(db, actorOf(request), { ...options, date }),
        options: { ...options, date },
      },
      response,
      file,
    );
  });

  async function send(task: PaperTask, response: Response, type: string): Promise<void> {
    const made = await madeFor(response, pool, task);
    response.type(type).set('Content-Disposition', `inline; filename="${task.kind}.pdf"`);
    response.set('Cache-Control', 'no-store').send(Buffer.from(made));
  }
  return router;
}
