import type { FirstAnswer } from '@fine-spray/contract/planning';
import { existsSync } from 'node:fs';
import { readFile } from 'node:fs/promises';
import path from 'node:path';
import { Router, type Request } from 'express';
import expressStaticGzip from 'express-static-gzip';
import { withAnswer } from './firstPage';
import { onlyFor } from './problems';

const YEAR = 365 * 24 * 3600 * 1000;
/** Folders whose files carry a hash in their name. */
const HASHED = /\/(_expo\/static|assets)\//;

/** The address of the set-up without a job. */
export const SET_UP = '/set-up';

/**
 * The exported application: hashed files cached for a year, the page and the service worker asked again each time.
 * @param answerFor what the set-up without a job says to whoever asks
 */
export function applicationFiles(
  folder: string,
  answerFor: (request: Request) => Promise<FirstAnswer | undefined>,
): Router {
  const router = Router();
  if (!existsSync(path.join(folder, 'index.html'))) return router;
  router.use(
    // What the build packed by Brotli goes out so to whoever takes it.
    expressStaticGzip(folder, {
      index: false,
      enableBrotli: true,
      orderPreference: ['br'],
      serveStatic: {
        setHeaders: (response, file) => {
          const cached = HASHED.test(file.split(path.sep).join('/'));
          response.setHeader(
            'Cache-Control',
            cached ? `public, max-age=${YEAR / 1000}, immutable` : 'no-cache',
          );
        },
      },
    }),
  );
  router.use((request, response, next) => {
    if (request.path.startsWith('/api/') || request.method === 'GET' || request.method === 'HEAD') next();
    else void onlyFor(['GET', 'HEAD'])(request, response, next);
  });
  router.get(SET_UP, async (request, response, next) => {
    const answer = await answerFor(request);
    if (!answer) {
      next();
      return;
    }
    const page = await readFile(path.join(folder, 'index.html'), 'utf8');
    // Of one company at one moment.
    response.setHeader('Cache-Control', 'no-store');
    response.type('html').send(withAnswer(page, answer));
  });
  router.get(/^\/(?!api\/)[^.]*$/, (_request, response) => {
    response.setHeader('Cache-Control', 'no-cache');
    response.sendFile(path.join(folder, 'index.html'));
  });
  return router;
}
