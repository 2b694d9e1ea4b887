import {
  CALENDARS_PER_JOB,
  SINGLE_OPERATIONS,
  type CalendarLink,
  type CalendarKind,
} from '@fine-spray/contract';
import { Router } from 'express';
import { randomUUID } from 'node:crypto';
import type { Data } from '../db/data';
import { inCompany } from '../db/writing';
import { expressPath, idOf, originOf } from '../http/parameters';
import { ProblemError } from '../http/problems';
import { madeFor, type Pool } from '../jobs/pool';
import { daysRows, windowRows } from '../paper/rows';
import { actorOf, type Actor } from '../people/actor';
import { hashOfCode, newSecret } from '../people/secrets';
import type { CalendarTask } from './task';

interface Link {
  readonly id: string;
  readonly companyId: string;
  readonly jobId: string;
  readonly personId: string | null;
  readonly what: CalendarKind;
  readonly zone: string;
  readonly createdAt: Date;
  readonly usedAt: Date | null;
}

const told = ({
  id,
  what,
  createdAt,
  usedAt,
}: Pick<Link, 'id' | 'what' | 'createdAt' | 'usedAt'>): CalendarLink => ({
  id,
  what,
  createdAt: createdAt.toISOString(),
  usedAt: usedAt?.toISOString() ?? null,
});

/**
 * Calendars of a job under addresses that are secret: a calendar program signs in nowhere. An address ends when somebody takes it
 * back, with its job, and with the person who made it.
 */
export function calendarRoutes(
  { db, doorDb }: Pick<Data, 'db' | 'doorDb'>,
  pool: Pool,
  publicUrl?: string,
): Router {
  const router = Router();
  const { getCalendars, postCalendar, deleteCalendar, getCalendar } = SINGLE_OPERATIONS;

  router.get(expressPath(getCalendars.path), async (request, response) => {
    const { companyId } = actorOf(request);
    const rows = await inCompany(db, companyId, (trx) =>
      trx('calendar')
        .where({ companyId, jobId: idOf(request) })
        .orderBy('createdAt')
        .select<Link[]>('*'),
    );
    response.json({ items: rows.map(told) });
  });

  router.post(expressPath(postCalendar.path), async (request, response) => {
    const { companyId, personId } = actorOf(request);
    const { what, zone } = postCalendar.body.parse(request.body);
    const jobId = idOf(request);
    const secret = newSecret();
    const made = await inCompany(db, companyId, async (trx) => {
      const job = await trx('job')
        .where({ companyId, id: jobId })
        .forUpdate()
        .first<{ id: string } | undefined>('id');
      if (!job) throw new ProblemError('not-found', 'There is no such job.');
      const there = await trx('calendar')
        .where({ companyId, jobId })
        .count<{ count: string }[]>('* as count');
      if (Number(there[0]?.count) >= CALENDARS_PER_JOB)
        throw new ProblemError(
          'in-use',
          `A job has ${CALENDARS_PER_JOB} calendars that others follow at most. Take one back first.`,
        );
      const [row] = await trx('calendar')
        .insert({ id: randomUUID(), companyId, jobId, personId, what, zone, hash: hashOfCode(secret) })
        .returning<Link[]>('*');
      return row;
    });
    if (!made) throw new Error('the calendar was not stored');
    response.json({ ...told(made), url: `${originOf(request, publicUrl)}/api/calendar/${secret}` });
  });

  router.delete(expressPath(deleteCalendar.path), async (request, response) => {
    const { companyId } = actorOf(request);
    await inCompany(db, companyId, (trx) =>
      trx('calendar')
        .where({ companyId, id: idOf(request) })
        .delete(),
    );
    response.status(204).end();
  });

  router.get(expressPath(getCalendar.path), async (request, response) => {
    const link = await doorDb('calendar')
      .where({ hash: hashOfCode(String(request.params['secret'])) })
      .first<Link | undefined>('*');
    const actor = link && (await stillThere(link));
    if (!link || !actor)
      throw new ProblemError('not-found', 'This calendar is not given any more. Ask for a new address.');
    await doorDb('calendar')
      .where({ companyId: link.companyId, id: link.id })
      .update({ usedAt: doorDb.fn.now() });
    const { jobId, zone } = link;
    const of = { address: originOf(request, publicUrl), now: Date.now() };
    const task: CalendarTask =
      link.what === 'days'
        ? { ...of, kind: 'days-calendar', rows: await daysRows(db, actor, jobId, false), zone }
        : { ...of, kind: 'windows-calendar', rows: await windowRows(db, actor, jobId) };
    const text = await madeFor(response, pool, task);
    response.type('text/calendar').set('Cache-Control', 'no-store').send(Buffer.from(text));
  });

  /** As whom a calendar is read: nobody who sees prices; not at all where who made it is not with the company any more. */
  async function stillThere({ companyId, personId }: Link): Promise<Actor | undefined> {
    if (personId !== null) {
      const person = await doorDb('person')
        .where({ companyId, id: personId })
        .first<{ active: boolean } | undefined>('active');
      if (!person?.active) return undefined;
    }
    return { companyId, personId, role: 'apprentice', deviceId: null };
  }
  return router;
}
