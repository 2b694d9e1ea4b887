import { randomUUID } from 'node:crypto';
import { SINGLE_OPERATIONS, type Invitation, type Me, type Role } from '@fine-spray/contract';
import { Router, type Request, type RequestHandler } from 'express';
import { rateLimit } from 'express-rate-limit';
import { toString as qrCode } from 'qrcode';
import type { Database } from '../db/database';
import { repeated } from '../db/writing';
import { expressPath, idOf } from '../http/parameters';
import { ProblemError } from '../http/problems';
import { actorOf, allow, type Actor } from './actor';
import { makeInvitation, takeInvitation } from './invitations';
import { makeCompany, type Somebody } from './makeCompany';
import { isKept, keep, type Kept } from './secrets';
import { beginSession, endSession, rotate } from './session';
import { meOf, sharing } from './who';

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
const fewTries = (): RequestHandler =>
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

/** Who is there, how somebody gets in, and how they are kept out again. */
export function peopleRoutes({ db, signIn, publicUrl }: PeopleOptions): Router {
  const router = Router();
  const { getMe, postCode, postPassword, postPerson, deleteSession } = SINGLE_OPERATIONS;
  const { putPassword, putPin, postInvitation, getDevices, deleteDevice, postCompany } = SINGLE_OPERATIONS;

  /** Makes the device of a request somebody's. */
  async function letIn(request: Request, { companyId, personId }: Somebody, name: string): Promise<Me> {
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
    const { role } = await personOf({ companyId, personId });
    return meOf(db, { companyId, personId, role, deviceId: id }, signIn);
  }
  const personOf = async ({ companyId, personId }: Somebody): Promise<{ role: Role; active: boolean }> => {
    const found = await db('person')
      .where({ companyId, id: personId })
      .first<{ role: Role; active: boolean } | undefined>('role', 'active');
    if (!found) throw new ProblemError('not-found', 'This person does not exist, or was deleted.');
    return found;
  };
  const needSignIn = () => {
    if (!signIn)
      throw new ProblemError('not-allowed', 'Nobody signs in on this server. Set SIGN_IN=on to change that.');
  };

  router.get(getMe.path, async (request, response) => {
    if (signIn) await noCompanyYet(db);
    const actor = actorOf(request);
    await rotate(request);
    if (actor.deviceId !== null)
      await db('device').where({ id: actor.deviceId }).update({ seenAt: db.fn.now() });
    response.json(await meOf(db, actor, signIn));
  });

  router.post(postCode.path, fewTries(), async (request, response) => {
    needSignIn();
    const { code, device } = postCode.body.parse(request.body);
    const used = await takeInvitation(db, code);
    if (!used || !(await personOf(used)).active)
      throw new ProblemError(
        'wrong-secret',
        'This code is not valid any more. Ask for a new one: it lasts ten minutes and works once.',
      );
    const { deviceId } = request.session;
    const shared = deviceId === undefined ? undefined : await takenOver(db, deviceId, used);
    response.json(shared ? await meOf(db, shared, signIn) : await letIn(request, used, device));
  });

  router.post(postPassword.path, fewTries(), async (request, response) => {
    needSignIn();
    const { login, password, device } = postPassword.body.parse(request.body);
    const found = await db('credential')
      .where({ kind: 'password', login })
      .first<(Somebody & { secret: Kept }) | undefined>('companyId', 'personId', 'secret');
    const right = await isKept(password, found?.secret);
    if (!right || !found || !(await personOf(found)).active)
      throw new ProblemError('wrong-secret', 'Name or password is not right.');
    response.json(await letIn(request, found, device));
  });

  router.post(postPerson.path, fewTries(), async (request, response) => {
    const { personId, pin } = postPerson.body.parse(request.body);
    const actor = actorOf(request);
    const { companyId } = actor;
    const { active, role } = await personOf({ companyId, personId });
    if (!active) throw new ProblemError('not-allowed', 'This person is not with the company any more.');
    if (actor.deviceId === null) {
      await beginSession(request, { personId });
      response.json(await meOf(db, { ...actor, personId, role }, signIn));
      return;
    }
    if (!(await sharing(db, actor.deviceId)).has(personId))
      throw new ProblemError(
        'not-allowed',
        'This person has not been on this device. Open a code of theirs on it.',
      );
    const kept = await db('credential')
      .where({ companyId, personId, kind: 'pin' })
      .first<{ secret: Kept } | undefined>('secret');
    if (!(await isKept(pin ?? '', kept?.secret)))
      throw new ProblemError(
        'wrong-secret',
        kept ? 'This PIN is not right.' : 'Set a PIN first, on a device of your own.',
      );
    await db('device').where({ id: actor.deviceId }).update({ personId });
    response.json(await meOf(db, { ...actor, personId, role }, signIn));
  });

  router.delete(deleteSession.path, async (request, response) => {
    const { deviceId } = request.session;
    if (deviceId !== undefined) await db('device').where({ id: deviceId }).update({ revokedAt: db.fn.now() });
    await endSession(request);
    response.status(204).end();
  });

  router.put(putPassword.path, async (request, response) => {
    const { companyId, personId, role } = ownPerson(request);
    allow({ role }, 'people');
    const { login, password } = putPassword.body.parse(request.body);
    await putCredential(db, { companyId, personId }, 'password', await keep(password), login);
    response.status(204).end();
  });
  router.put(putPin.path, async (request, response) => {
    const { companyId, personId } = ownPerson(request);
    const { pin } = putPin.body.parse(request.body);
    await putCredential(db, { companyId, personId }, 'pin', await keep(pin), null);
    response.status(204).end();
  });

  router.post(expressPath(postInvitation.path), async (request, response) => {
    needSignIn();
    const actor = actorOf(request);
    allow(actor, 'people');
    const somebody = { companyId: actor.companyId, personId: idOf(request) };
    if (!(await personOf(somebody)).active)
      throw new ProblemError('not-allowed', 'This person is not with the company any more.');
    const { code, expiresAt } = await makeInvitation(db, somebody);
    // Behind the number sign, so that no proxy and no log sees it.
    const url = `${publicUrl ?? `${request.protocol}://${request.get('host') ?? ''}`}/sign-in#${code}`;
    const picture = await qrCode(url, { type: 'svg', margin: 2, errorCorrectionLevel: 'M' });
    const answer: Invitation = { code, url, picture, expiresAt: expiresAt.toISOString() };
    response.json(answer);
  });

  router.get(getDevices.path, async (request, response) => {
    const actor = actorOf(request);
    const { companyId, personId, role } = actor;
    const rows = await db('device')
      .where({ companyId, revokedAt: null, ...(role === 'owner' ? {} : { personId }) })
      .orderBy('seenAt', 'desc')
      .select<{ id: string; name: string; personId: string; createdAt: Date; seenAt: Date }[]>('*');
    response.json({
      items: rows.map(({ id, name, personId: whose, createdAt, seenAt }) => ({
        id,
        name,
        personId: whose,
        createdAt: createdAt.toISOString(),
        seenAt: seenAt.toISOString(),
        own: id === actor.deviceId,
      })),
    });
  });
  router.delete(expressPath(deleteDevice.path), async (request, response) => {
    const { companyId, personId, role } = actorOf(request);
    const id = idOf(request);
    await db('device')
      .where({ companyId, id, revokedAt: null, ...(role === 'owner' ? {} : { personId }) })
      .update({ revokedAt: db.fn.now() });
    response.status(204).end();
  });

  router.post(postCompany.path, fewTries(), async (request, response) => {
    needSignIn();
    const { company, name, initials, login, password, device } = postCompany.body.parse(request.body);
    const kept = await keep(password);
    const somebody = await repeated(db, async (trx) => {
      await trx.raw('lock table company in exclusive mode');
      if (await trx('company').first('id'))
        throw new ProblemError('not-allowed', 'There is a company here already. Ask its owner for a code.');
      const made = await makeCompany(trx, company, { name, initials });
      await putCredential(trx, made, 'password', kept, login);
      return made;
    });
    response.json(await letIn(request, somebody, device));
  });
  return router;
}

/** The person of a request, where there is one. */
function ownPerson(request: Request): Actor & { readonly personId: string } {
  const actor = actorOf(request);
  if (actor.personId === null) throw new ProblemError('not-allowed', 'Choose who you are first.');
  return { ...actor, personId: actor.personId };
}

/** Somebody else comes to a device that is signed in to the same company: it is theirs, and of both from now on. */
async function takenOver(
  db: Database,
  deviceId: string,
  { companyId, personId }: Somebody,
): Promise<Actor | undefined> {
  const [device] = await db('device')
    .where({ id: deviceId, companyId, revokedAt: null })
    .update({ personId })
    .returning<{ id: string }[]>('id');
  if (!device) return undefined;
  await db('device_person')
    .insert({ deviceId, companyId, personId })
    .onConflict(['deviceId', 'personId'])
    .ignore();
  const { role } = await db('person').where({ companyId, id: personId }).first<{ role: Role }>('role');
  return { companyId, personId, role, deviceId };
}

async function putCredential(
  db: Database,
  { companyId, personId }: Somebody,
  kind: 'password' | 'pin',
  secret: Kept,
  login: string | null,
): Promise<void> {
  await db.transaction(async (trx) => {
    if (
      login !== null &&
      (await trx('credential').where({ login }).whereNot({ companyId, personId }).first('id'))
    )
      throw new ProblemError('bad-body', 'This sign-in name is taken. Choose another.', [
        { field: 'login', message: 'This sign-in name is taken. Choose another.', code: 'taken' },
      ]);
    await trx('credential').where({ companyId, personId, kind }).delete();
    await trx('credential').insert({
      id: randomUUID(),
      companyId,
      personId,
      kind,
      login,
      secret: JSON.stringify(secret),
    });
  });
}

/** Says so where a server has no company: its first screen makes one. */
async function noCompanyYet(db: Database): Promise<void> {
  if (!(await db('company').first('id')))
    throw new ProblemError('no-company', 'There is no company on this server yet.');
}
