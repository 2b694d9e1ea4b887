import { randomUUID } from 'node:crypto';
import { SINGLE_OPERATIONS, type Invitation, type Role } from '@fine-spray/contract';
import { Router } from 'express';
import { toString as qrCode } from 'qrcode';
import type { Database } from '../db/database';
import { repeated } from '../db/writing';
import { expressPath, idOf, originOf } from '../http/parameters';
import { ProblemError } from '../http/problems';
import { actorOf, allow, ownPerson, type Actor } from './actor';
import { makeInvitation, takeInvitation } from './invitations';
import { makeCompany, type Somebody } from './makeCompany';
import { fewTries, letIn, needSignIn, personOf, type PeopleOptions } from './letIn';
import { passkeyRoutes } from './passkeys';
import { isKept, keep, type Kept } from './secrets';
import { beginSession, endSession, rotate } from './session';
import { meOf, sharing } from './who';

/** Who is there, how somebody gets in, and how they are kept out again. */
export function peopleRoutes(options: PeopleOptions): Router {
  const { db, signIn, publicUrl } = options;
  const router = Router();
  const { getMe, postCode, postPassword, postPerson, deleteSession } = SINGLE_OPERATIONS;
  const { putPassword, putPin, postInvitation, getDevices, deleteDevice, postCompany } = SINGLE_OPERATIONS;

  router.get(getMe.path, async (request, response) => {
    if (signIn) await noCompanyYet(db);
    const actor = actorOf(request);
    await rotate(request);
    if (actor.deviceId !== null)
      await db('device').where({ id: actor.deviceId }).update({ seenAt: db.fn.now() });
    response.json(await meOf(db, actor, signIn));
  });

  router.post(postCode.path, fewTries(), async (request, response) => {
    needSignIn(signIn);
    const { code, device } = postCode.body.parse(request.body);
    const used = await takeInvitation(db, code);
    if (!used || !(await personOf(db, used)).active)
      throw new ProblemError(
        'wrong-secret',
        'This code is not valid any more. Ask for a new one: it lasts ten minutes and works once.',
      );
    const { deviceId } = request.session;
    const shared = deviceId === undefined ? undefined : await takenOver(db, deviceId, used);
    response.json(shared ? await meOf(db, shared, signIn) : await letIn(options, request, used, device));
  });

  router.post(postPassword.path, fewTries(), async (request, response) => {
    needSignIn(signIn);
    const { login, password, device } = postPassword.body.parse(request.body);
    const found = await db('credential')
      .where({ kind: 'password', login })
      .first<(Somebody & { secret: Kept }) | undefined>('companyId', 'personId', 'secret');
    const right = await isKept(password, found?.secret);
    if (!right || !found || !(await personOf(db, found)).active)
      throw new ProblemError('wrong-secret', 'Name or password is not right.');
    response.json(await letIn(options, request, found, device));
  });

  router.post(postPerson.path, fewTries(), async (request, response) => {
    const { personId, pin } = postPerson.body.parse(request.body);
    const actor = actorOf(request);
    const { companyId } = actor;
    const { active, role } = await personOf(db, { companyId, personId });
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
    needSignIn(signIn);
    const actor = actorOf(request);
    allow(actor, 'people');
    const somebody = { companyId: actor.companyId, personId: idOf(request) };
    if (!(await personOf(db, somebody)).active)
      throw new ProblemError('not-allowed', 'This person is not with the company any more.');
    const { code, expiresAt } = await makeInvitation(db, somebody);
    // Behind the number sign, so that no proxy and no log sees it.
    const url = `${originOf(request, publicUrl)}/sign-in#${code}`;
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
    needSignIn(signIn);
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
    response.json(await letIn(options, request, somebody, device));
  });
  router.use(passkeyRoutes(options));
  return router;
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
