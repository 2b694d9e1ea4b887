import { SAMPLE_COMPANY, SINGLE_OPERATIONS, type Me } from '@fine-spray/contract';
import { Router, type Request, type RequestHandler } from 'express';
import { repeated } from '../db/writing';
import { expressPath, idOf } from '../http/parameters';
import { ProblemError } from '../http/problems';
import { actorOf, allow, maybeActor } from './actor';
import { refuseTaken } from './companyNames';
import type { PeopleOptions } from './letIn';
import { makeCompany } from './makeCompany';
import { meOf, type Answering } from './who';

/** What a page may ask whatever company it shows: which one it is. */
const ANY_COMPANY = /^\/(me|companies|session|health)(\/|$)/;

/**
 * Refuses a page that shows another company than this server takes its device for: nothing of one is mixed with the other. Pages say
 * theirs in the header `Company`.
 */
export const sameCompany: RequestHandler = (request, _response, next) => {
  const said = request.get('Company');
  const actor = maybeActor(request);
  if (said !== undefined && actor && said !== actor.companyId && !ANY_COMPANY.test(request.path))
    throw new ProblemError(
      'other-company',
      'This page shows another company than the server answers for now. It opens anew.',
    );
  next();
};

/** Refuses what is only where nobody signs in. */
export function needNoSignIn(signIn: boolean): void {
  if (signIn)
    throw new ProblemError(
      'not-allowed',
      'People sign in on this server: each device is of its own company.',
    );
}

/** Who asks, once another company answers: who was chosen on this device is of the one before. */
export async function answersNow(
  { db, signIn }: Pick<PeopleOptions, 'db' | 'signIn'>,
  answering: Answering,
  request: Request,
  companyId: string,
): Promise<Me> {
  answering.forget();
  const { deviceId } = actorOf(request);
  return meOf(db, { companyId, personId: null, role: 'owner', deviceId }, signIn);
}

/** Several companies where nobody signs in: the sample one can be left for one's own, and come back to. */
export function companyRoutes({ db, signIn }: PeopleOptions, answering: Answering): Router {
  const router = Router();
  const { getCompanies, postCompanies, postAnswering } = SINGLE_OPERATIONS;

  router.get(getCompanies.path, async (_request, response) => {
    needNoSignIn(signIn);
    const now = await answering.company();
    const rows = await db('company')
      .orderBy('createdAt')
      .select<{ id: string; name: string }[]>('id', 'name');
    response.json({
      items: rows.map(({ id, name }) => ({ id, name, answers: id === now, sample: id === SAMPLE_COMPANY })),
    });
  });

  router.post(postCompanies.path, async (request, response) => {
    needNoSignIn(signIn);
    allow(actorOf(request), 'people');
    const { company, name, initials } = postCompanies.body.parse(request.body);
    const made = await repeated(db, async (trx) => {
      await trx.raw('lock table company in exclusive mode');
      await refuseTaken(trx, company, 'company');
      const somebody = await makeCompany(trx, company, { name, initials });
      await answering.choose(trx, somebody.companyId);
      return somebody;
    });
    response.json(await answersNow({ db, signIn }, answering, request, made.companyId));
  });

  router.post(expressPath(postAnswering.path), async (request, response) => {
    needNoSignIn(signIn);
    allow(actorOf(request), 'people');
    const id = idOf(request);
    if (!(await db('company').where({ id }).first('id')))
      throw new ProblemError('not-found', 'There is no such company.');
    await answering.choose(db, id);
    response.json(await answersNow({ db, signIn }, answering, request, id));
  });
  return router;
}
