import { randomUUID } from 'node:crypto';
import { SINGLE_OPERATIONS, type Passkey } from '@fine-spray/contract';
import {
  generateAuthenticationOptions,
  generateRegistrationOptions,
  verifyAuthenticationResponse,
  verifyRegistrationResponse,
} from '@simplewebauthn/server';
import { Router, type Request } from 'express';
import type { Database } from '../db/database';
import { expressPath, idOf, originOf } from '../http/parameters';
import { ProblemError } from '../http/problems';
import { allow, ownPerson } from './actor';
import { fewTries, letIn, needSignIn, personOf, type PeopleOptions } from './letIn';
import type { Somebody } from './makeCompany';

/** Passkeys one person has at most. */
const PASSKEYS = 20;

/** What is kept of a passkey: nothing of it is secret. */
interface KeptPasskey {
  /** The authenticator's own id of it. */
  readonly id: string;
  readonly publicKey: string;
  readonly counter: number;
  readonly transports: string[];
  readonly name: string;
}
interface Row extends Somebody {
  readonly id: string;
  readonly secret: KeptPasskey;
}

const KIND = 'passkey';
const rowsOf = (db: Database, { companyId, personId }: Somebody) =>
  db('credential').where({ companyId, personId, kind: KIND }).select<Row[]>('*');
const shown = (rows: readonly Row[]): { items: Passkey[] } => ({
  items: rows.map(({ id, secret: { name } }) => ({ id, name })),
});

const WRONG = 'This passkey was not taken. Try again, or sign in another way.';

/** Takes the challenge a session was given: each is good for one answer. */
function challengeOf(request: Request): string {
  const { challenge } = request.session;
  delete request.session.challenge;
  if (challenge === undefined) throw new ProblemError('wrong-secret', 'That took too long. Try again.');
  return challenge;
}

/** What a check of an answer says; one that cannot be read is wrong, too. */
const checked = <Answer>(check: Promise<Answer>): Promise<Answer> =>
  check.catch(() => {
    throw new ProblemError('wrong-secret', WRONG);
  });

/** Passkeys of owners: making them, signing in with them, forgetting them. */
export function passkeyRoutes(options: PeopleOptions): Router {
  const { db, signIn, publicUrl } = options;
  const router = Router();
  const { getPasskeys, postPasskeyOptions, postPasskey, deletePasskey } = SINGLE_OPERATIONS;
  const { postSessionPasskeyOptions, postSessionPasskey } = SINGLE_OPERATIONS;

  /** The address passkeys are for: the one people use. */
  const addressOf = (request: Request) => {
    const { origin, hostname } = new URL(originOf(request, publicUrl));
    return { origin, hostname };
  };
  const owner = (request: Request) => {
    needSignIn(signIn);
    const actor = ownPerson(request);
    allow(actor, 'people');
    return actor;
  };

  router.get(getPasskeys.path, async (request, response) => {
    response.json(shown(await rowsOf(db, ownPerson(request))));
  });

  router.post(postPasskeyOptions.path, async (request, response) => {
    const { companyId, personId } = owner(request);
    const { name } = await db('person').where({ companyId, id: personId }).first<{ name: string }>('name');
    const known = await rowsOf(db, { companyId, personId });
    const asked = await generateRegistrationOptions({
      rpName: 'Fine Spray',
      rpID: addressOf(request).hostname,
      userName: name,
      userID: new TextEncoder().encode(personId),
      excludeCredentials: known.map(({ secret: { id, transports } }) => ({ id, transports })),
      // Found by the browser without a name being typed, and only with a finger, a face or a PIN.
      authenticatorSelection: { residentKey: 'required', userVerification: 'required' },
    });
    request.session.challenge = asked.challenge;
    response.json(asked);
  });

  router.post(postPasskey.path, async (request, response) => {
    const { companyId, personId } = owner(request);
    const { passkey, name } = postPasskey.body.parse(request.body);
    const { origin, hostname } = addressOf(request);
    const { verified, registrationInfo } = await checked(
      verifyRegistrationResponse({
        response: passkey as Parameters<typeof verifyRegistrationResponse>[0]['response'],
        expectedChallenge: challengeOf(request),
        expectedOrigin: origin,
        expectedRPID: hostname,
      }),
    );
    if (!verified) throw new ProblemError('wrong-secret', WRONG);
    const known = await rowsOf(db, { companyId, personId });
    if (known.length >= PASSKEYS)
      throw new ProblemError('not-allowed', `You have ${PASSKEYS} passkeys. Forget one you no longer use.`);
    const { id, publicKey, counter, transports = [] } = registrationInfo.credential;
    const kept: KeptPasskey = {
      ...{ id, counter, transports, name },
      publicKey: Buffer.from(publicKey).toString('base64url'),
    };
    await db('credential').insert({
      ...{ id: randomUUID(), companyId, personId, kind: KIND, login: null },
      secret: JSON.stringify(kept),
    });
    response.json(shown(await rowsOf(db, { companyId, personId })));
  });

  router.delete(expressPath(deletePasskey.path), async (request, response) => {
    const { companyId, personId } = ownPerson(request);
    await db('credential')
      .where({ companyId, personId, kind: KIND, id: idOf(request) })
      .delete();
    response.status(204).end();
  });

  router.post(postSessionPasskeyOptions.path, async (request, response) => {
    needSignIn(signIn);
    const asked = await generateAuthenticationOptions({
      rpID: addressOf(request).hostname,
      userVerification: 'required',
    });
    request.session.challenge = asked.challenge;
    response.json(asked);
  });

  router.post(postSessionPasskey.path, fewTries(), async (request, response) => {
    needSignIn(signIn);
    const { passkey, device } = postSessionPasskey.body.parse(request.body);
    const { origin, hostname } = addressOf(request);
    const expectedChallenge = challengeOf(request);
    const row = await db('credential')
      .where({ kind: KIND })
      .whereRaw("secret->>'id' = ?", [passkey.id])
      .first<Row | undefined>('*');
    if (!row || !(await personOf(db, row)).active) throw new ProblemError('wrong-secret', WRONG);
    const { id, publicKey, counter } = row.secret;
    const { verified, authenticationInfo } = await checked(
      verifyAuthenticationResponse({
        response: passkey as Parameters<typeof verifyAuthenticationResponse>[0]['response'],
        expectedChallenge,
        expectedOrigin: origin,
        expectedRPID: hostname,
        credential: { id, counter, publicKey: new Uint8Array(Buffer.from(publicKey, 'base64url')) },
      }),
    );
    if (!verified) throw new ProblemError('wrong-secret', WRONG);
    const kept: KeptPasskey = { ...row.secret, counter: authenticationInfo.newCounter };
    await db('credential')
      .where({ id: row.id })
      .update({ secret: JSON.stringify(kept) });
    response.json(await letIn(options, request, row, device));
  });
  return router;
}
