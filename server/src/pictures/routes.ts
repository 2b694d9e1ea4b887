import { PICTURE, SINGLE_OPERATIONS, readJpeg } from '@fine-spray/contract';
import { Router, raw } from 'express';
import type { Database } from '../db/database';
import { inCompany } from '../db/writing';
import { expressPath, idOf } from '../http/parameters';
import { ProblemError } from '../http/problems';
import { actorOf, allow } from '../people/actor';

/** A picture never changes: whoever has it need not ask again. It is of its company alone. */
const KEPT = 'private, max-age=31536000, immutable';

/** Reads the body of a picture; everything else of the API is JSON. */
export const takesPicture = raw({ type: PICTURE.type, limit: PICTURE.most });

/** Pictures of the log: put once under an id of the client's, then only given. */
export function pictureRoutes(db: Database): Router {
  const router = Router();
  const { putPicture, getPicture } = SINGLE_OPERATIONS;
  router.put(expressPath(putPicture.path), async (request, response) => {
    const actor = actorOf(request);
    allow(actor, 'log');
    const id = idOf(request);
    const content: unknown = request.body;
    if (!Buffer.isBuffer(content))
      throw new ProblemError('bad-type', `The body must be a picture: Content-Type: ${PICTURE.type}.`);
    const read = readJpeg(content);
    if (!read.ok)
      throw new ProblemError('bad-body', read.message, [
        { field: '', message: read.message, code: 'picture' },
      ]);
    const { companyId } = actor;
    await inCompany(db, companyId, async (trx) => {
      await trx('picture').insert({ id, companyId, content }).onConflict(['company_id', 'id']).ignore();
      const same = await trx('picture')
        .where({ id, companyId, content })
        .first<{ id: string } | undefined>('id');
      if (same === undefined)
        throw new ProblemError('stale', 'There is another picture under this id already. It stays.');
    });
    response.json({ id, bytes: content.length, width: read.width, height: read.height });
  });
  router.get(expressPath(getPicture.path), async (request, response) => {
    const { companyId } = actorOf(request);
    const id = idOf(request);
    const found = await inCompany(db, companyId, (trx) =>
      trx('picture').where({ id, companyId }).first<{ content: Buffer } | undefined>('content'),
    );
    if (!found)
      throw new ProblemError(
        'not-found',
        'This picture is not here: the device that took it has not sent it yet.',
      );
    response.type(PICTURE.type).set('Cache-Control', KEPT).send(found.content);
  });
  return router;
}
