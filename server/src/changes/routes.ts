import { SINGLE_OPERATIONS } from '@fine-spray/contract';
import { Router } from 'express';
import type { Data } from '../db/data';
import { actorOf } from '../people/actor';
import { changesSince } from './changes';

/** A line that says nothing, so that what stands between does not take the stream for dead, ms. */
const BEAT = 20_000;
/** How long a stream goes on, ms: who asks is looked at anew then. */
const LASTS = 15 * 60_000;

/** What changed since a cursor, and a stream that says when to ask. */
export function changeRoutes({ db, announcer }: Pick<Data, 'db' | 'announcer'>): Router {
  const router = Router();
  const { getChanges, getEvents } = SINGLE_OPERATIONS;
  router.get(getChanges.path, async (request, response) => {
    const { since } = getChanges.query.parse(request.query);
    response.json(await changesSince(db, actorOf(request), since));
  });

  router.get(getEvents.path, (request, response) => {
    const { companyId } = actorOf(request);
    response.writeHead(200, {
      'Content-Type': getEvents.file,
      'Cache-Control': 'no-cache, no-transform',
      'X-Accel-Buffering': 'no',
    });
    const tell = () => void response.write('event: changed\ndata: {}\n\n');
    const end = () => void response.end();
    const unfollow = announcer.follow(companyId, { tell, end });
    // Whatever was stored before this is asked for now.
    tell();
    const beat = setInterval(() => response.write(': still here\n\n'), BEAT);
    const over = setTimeout(end, LASTS);
    response.once('close', () => {
      unfollow();
      clearInterval(beat);
      clearTimeout(over);
    });
  });
  return router;
}
