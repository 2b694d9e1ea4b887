import { PAPER_KINDS, SINGLE_OPERATIONS, type PaperKind } from '@fine-spray/contract';
import { Router } from 'express';
import type { Database } from '../db/database';
import { expressPath, idOf } from '../http/parameters';
import type { Pool } from '../jobs/pool';
import { paperRows } from './rows';

const OPERATIONS = {
  'job-sheet': SINGLE_OPERATIONS.getJobSheet,
  'buy-list': SINGLE_OPERATIONS.getBuyList,
} as const satisfies Record<PaperKind, unknown>;

/** The sheets of a job as PDF, made in the worker pool; a client that leaves stops the work. */
export function paperRoutes(db: Database, pool: Pool): Router {
  const router = Router();
  for (const kind of Object.keys(PAPER_KINDS) as PaperKind[]) {
    const { path, query, file } = OPERATIONS[kind];
    router.get(expressPath(path), async (request, response) => {
      const { date = new Date().toISOString().slice(0, 10), ...options } = query.parse(request.query);
      const rows = await paperRows(db, idOf(request));
      const left = new AbortController();
      response.once('close', () => left.abort());
      const made = await pool.run({ kind, rows, options: { ...options, date } }, left.signal);
      response.type(file).set('Content-Disposition', `inline; filename="${kind}.pdf"`);
      response.set('Cache-Control', 'no-store').send(Buffer.from(made));
    });
  }
  return router;
}
