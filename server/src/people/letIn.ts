import { randomUUID } from 'node:crypto';
import type { Me, Role } from '@fine-spray/contract';
import type { Request, RequestHandler } from 'express';
import { rateLimit } from 'express-rate-limit';
import type { Database } from '../db/database';
import { ProblemError } from '../http/problems';
import type { Somebody } from './makeCompany';
import { beginSession } from './session';
import { meOf } from './who';

export interface PeopleOptions {
  readonly db: Database;
  readonly signIn: boolean;
  /** The origin people use; without it that of the request. */
  readonly publicUrl?: string | undefined;
}

/** Tries at getting in from one address, in a quarter of an hour: those that succeed do not count. */
const TRIES = 10;
const WHILE = 15 * 60_000;
/** Devices one person can have signed in; the oldest goes. */
const DEVICES = 20;

/** Slows down who guesses. Counted by each server for itself. */
export const fewTries = (): RequestHandler =>
  rateLimit({
    windowMs: WHILE,
    limit: TRIES,
    skipSuccessfulRequests: true,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    handler: (_request, response, next) => {
      response.set('Retry-After', String(WHILE / 1000));
      next(new ProblemError('too-many', 'Tried too often from here. Wait a quarter of an hour.'));
    },
  });

/** Refuses where nobody signs in. */
export function needSignIn(signIn: boolean): void {
  if (!signIn)
    throw new ProblemError('not-allowed', 'Nobody signs in on this server. Set SIGN_IN=on to change that.');
}

/** What somebody is, and whether they are still with the company. */
export async function personOf(
  db: Database,
  { companyId, personId }: Somebody,
): Promise<{ readonly role: Role; readonly active: boolean }> {
  const found = await db('person')
    .where({ companyId, id: personId })
    .first<{ role: Role; active: boolean } | undefined>('role', 'active');
  if (!found) throw new ProblemError('not-found', 'This person does not exist, or was deleted.');
  return found;
}

/** Makes the device of a request somebody's. */
export async function letIn(
  { db, signIn }: PeopleOptions,
  request: Request,
  { companyId, personId }: Somebody,
  name: string,
): Promise<Me> {
  const id = randomUUID();
  await db.transaction(async (trx) => {
    await trx('device').insert({ id, companyId, personId, name });
    await trx('device_person').insert({ deviceId: id, companyId, personId });
    const old = await trx('device')
      .where({ companyId, personId, revokedAt: null })
      .orderBy('seenAt', 'desc')
      .offset(DEVICES)
      .select<{ id: string }[]>('id');
    const gone = old.map((one) => one.id);
    if (gone.length > 0) await trx('device').whereIn('id', gone).update({ revokedAt: trx.fn.now() });
  });
  await beginSession(request, { deviceId: id });
  const { role } = await personOf(db, { companyId, personId });
  return meOf(db, { companyId, personId, role, deviceId: id }, signIn);
}
