import { ARCHIVE, SINGLE_OPERATIONS } from '@fine-spray/contract';
import { Router, raw, type Request, type RequestHandler, type Response } from 'express';
import type { Data } from '../db/data';
import { repeated } from '../db/writing';
import { ProblemError } from '../http/problems';
import { actorOf, allow } from '../people/actor';
import { answersNow, needNoSignIn } from '../people/companies';
import type { Answering } from '../people/who';
import { packCompany } from './pack';
import { takeIn } from './takeIn';
import { unpackCompany } from './unpack';

/** Whether a request brings an archive: the one body that is no JSON and is read only once it is known who asks. */
export const isArchive = ({ method, baseUrl, path }: Request): boolean =>
  method === 'POST' && baseUrl + path === SINGLE_OPERATIONS.postArchive.path;

const takesArchive = raw({ type: ARCHIVE.type, limit: ARCHIVE.most });

/** Hands on a piece, and waits where the other side is slow; fails where it went away. */
function toResponse(response: Response) {
  return (piece: Uint8Array): Promise<void> =>
    new Promise((resolve, reject) => {
      if (response.destroyed) {
        reject(new Error('nobody waits for it any more'));
        return;
      }
      const gone = () => reject(new Error('nobody waits for it any more'));
      response.once('close', gone);
      response.write(piece, (error) => {
        response.off('close', gone);
        if (error) reject(error);
        else resolve();
      });
    });
}

/** A company out as one file, and in again. */
export function archiveRoutes({ db, doorDb }: Data, signIn: boolean, answering: Answering): Router {
  const router = Router();
  const { getArchive, postArchive } = SINGLE_OPERATIONS;
  router.get(getArchive.path, async (request: Request, response) => {
    const actor = actorOf(request);
    allow(actor, 'people');
    allow(actor, 'money');
    response.type(ARCHIVE.type).attachment('company.zip');
    await packCompany(db, actor.companyId, toResponse(response));
    response.end();
  });
  const may: RequestHandler = (request, _response, next) => {
    needNoSignIn(signIn);
    allow(actorOf(request), 'people');
    next();
  };
  router.post(postArchive.path, may, takesArchive, async (request, response) => {
    const { as } = postArchive.query.parse(request.query);
    const content: unknown = request.body;
    if (!Buffer.isBuffer(content))
      throw new ProblemError('bad-type', `The body must be an archive: Content-Type: ${ARCHIVE.type}.`);
    const archive = unpackCompany(content);
    const { companyId } = await repeated(doorDb, async (trx) => {
      const taken = await takeIn(trx, archive, as);
      await answering.choose(trx, taken.companyId);
      return taken;
    });
    response.json(await answersNow({ db: doorDb, signIn }, answering, request, companyId));
  });
  return router;
}
