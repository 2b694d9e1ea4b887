import { ALL_OPERATIONS, SINGLE_OPERATIONS } from '@fine-spray/contract';
import compression from 'compression';
import express, { type ErrorRequestHandler, type Express, type RequestHandler } from 'express';
import helmet from 'helmet';
import type { Logger } from 'pino';
import { changeRoutes } from './changes/routes';
import { archiveRoutes, isArchive } from './archive/routes';
import type { Data } from './db/data';
import { docsRoutes } from './http/docs';
import { door, type Door } from './http/door';
import { expressPath } from './http/parameters';
import { onlyFor, onlyJson, problemHandler, readableAddress, unknownPath } from './http/problems';
import { FirstAnswers } from './http/firstPage';
import { SET_UP, applicationFiles } from './http/static';
import type { Pool } from './jobs/pool';
import { logRoutes } from './log/routes';
import { paperRoutes } from './paper/routes';
import { peopleRoutes } from './people/routes';
import { maybeActor } from './people/actor';
import { sessions } from './people/session';
import { companyRoutes, sameCompany } from './people/companies';
import { Answering, identify } from './people/who';
import { calendarRoutes } from './calendars/routes';
import { pictureRoutes, takesPicture } from './pictures/routes';
import { resourceRoutes } from './resources/routes';
import { gaugeRoutes } from './stand-ins/gauge';
import { weatherRoutes } from './stand-ins/weather';

/** Largest bodies taken: of one row, and of a batch of a whole job. */
export const BODY_LIMIT = 256 * 1024;
export const BATCH_BODY_LIMIT = 4 * 1024 * 1024;

/** What a page may ask the device for: nothing but to stay awake while the crew works, and to hear it, where it hears by itself. */
const PERMISSIONS = [
  ...[
    'accelerometer',
    'bluetooth',
    'browsing-topics',
    'camera',
    'display-capture',
    'geolocation',
    'gyroscope',
  ],
  ...['hid', 'magnetometer', 'midi', 'payment', 'serial', 'usb', 'xr-spatial-tracking'],
]
  .map((name) => `${name}=()`)
  .concat('microphone=(self)')
  .join(', ');

/** Where a session begins, below /api: somebody is let in, or chosen. */
const BEGINS_SESSION = /^\/(session|company|me)\b/;

/** A page is for everyone: it is shown to whom it cannot be told who asks, as to somebody new. */
const orNobody: ErrorRequestHandler = (_error, _request, _response, next) => next();

export interface AppOptions {
  readonly data: Data;
  readonly logger: Logger;
  /** For heavy work. */
  readonly pool: Pool;
  /** Where it is reached: what comes for another name, or from a page of another, is refused. */
  readonly at?: Door;
  /** Whether people sign in; else whoever reaches the server is of the first company. */
  readonly signIn?: boolean;
  /** Proxies of one's own before the server: what they say of a client's address is believed. */
  readonly proxies?: number;
  /** Where what shows the document of the API lies. */
  readonly docsScript: string;
  /** Fingerprint of the contract this server was built with; none where it was not built. */
  readonly contract?: string | undefined;
  /** Folder of the exported application; without it only the API is served. */
  readonly applicationFolder?: string | undefined;
}

/** The Express application: security headers, compression, API, application files, problem details. */
export function createApp({
  data,
  logger,
  pool,
  at = { host: '127.0.0.1' },
  signIn = false,
  proxies = 0,
  docsScript,
  contract,
  applicationFolder,
}: AppOptions): Express {
  const { db, doorDb } = data;
  const app = express();
  app.disable('x-powered-by');
  // Answers of the API are not cached, and files have their own.
  app.disable('etag');
  app.set('trust proxy', proxies);
  app.use(
    helmet({
      contentSecurityPolicy: {
        directives: {
          'default-src': ["'self'"],
          'script-src': ["'self'"],
          'worker-src': ["'self'"],
          'style-src': ["'self'", "'unsafe-inline'"],
          // Pictures of the log are shown from what the device keeps.
          'img-src': ["'self'", 'data:', 'blob:'],
          'font-src': ["'self'"],
          'frame-ancestors': ["'none'"],
          'upgrade-insecure-requests': null,
        },
      },
      // The proxy that has the certificate says it.
      strictTransportSecurity: false,
    }),
  );
  app.use((_request, response, next) => {
    response.set('Permissions-Policy', PERMISSIONS);
    next();
  });
  app.use(door(at));
  app.use('/api', (_request, response, next) => {
    response.set('Cache-Control', 'no-store');
    // Rows are checked as they are read: a page with the same contract need not do it again.
    if (contract !== undefined) response.set('Contract', contract);
    next();
  });
  app.use(readableAddress);
  // What answers a write is short.
  const compressed = compression();
  app.use((request, response, next) => {
    if (request.method === 'GET') compressed(request, response, next);
    else next();
  });
  app.put(expressPath(SINGLE_OPERATIONS.putPicture.path), takesPicture);
  app.use('/api', (request, response, next) => {
    if (isArchive(request)) next();
    else onlyJson(request, response, next);
  });
  for (const { path } of [SINGLE_OPERATIONS.postBatch, SINGLE_OPERATIONS.postEntries])
    app.post(path, express.json({ limit: BATCH_BODY_LIMIT }));
  app.use('/api', express.json({ limit: BODY_LIMIT }));

  app.get(SINGLE_OPERATIONS.getHealth.path, async (_request, response) => {
    await db.raw('select 1');
    response.json({ status: 'ok', database: 'ok' });
  });
  app.use(docsRoutes(docsScript, at.publicUrl));
  const session = made(() => sessions(doorDb));
  const readSession: RequestHandler = async (request, response, next) => {
    // Without a cookie there is none, but for where one begins.
    if (request.get('Cookie') === undefined && !BEGINS_SESSION.test(request.path)) {
      next();
      return;
    }
    const read = await session();
    await read(request, response, next);
  };
  app.use('/api', readSession);
  const answering = new Answering(doorDb);
  app.use('/api', identify(doorDb, signIn, answering), sameCompany);
  app.use(resourceRoutes(data));
  app.use(peopleRoutes({ db: doorDb, signIn, publicUrl: at.publicUrl }));
  app.use(archiveRoutes(data, signIn, answering));
  app.use(companyRoutes({ db: doorDb, signIn }, answering));
  app.use(changeRoutes(data));
  app.use(logRoutes(db));
  app.use(paperRoutes(db, pool));
  app.use(calendarRoutes(data, pool, at.publicUrl));
  app.use(pictureRoutes(db));
  app.use(gaugeRoutes());
  app.use(weatherRoutes());
  for (const [path, methods] of methodsByPath()) app.all(expressPath(path), onlyFor(methods));
  app.use('/api', unknownPath);
  if (applicationFolder !== undefined) {
    const answers = new FirstAnswers(db);
    app.use(SET_UP, readSession, identify(doorDb, signIn, answering), orNobody);
    app.use(
      applicationFiles(applicationFolder, async (request) => {
        const actor = maybeActor(request);
        return actor && answers.for(actor);
      }),
    );
  }
  app.use(unknownPath);
  app.use(problemHandler(logger));
  return app;
}

/** What each address of the API is for. */
function methodsByPath(): ReadonlyMap<string, readonly string[]> {
  const methods = new Map<string, string[]>();
  for (const { path, method } of ALL_OPERATIONS) {
    const known = methods.get(path) ?? [];
    methods.set(path, [...known, ...(method === 'get' ? ['GET', 'HEAD'] : [method.toUpperCase()])]);
  }
  return methods;
}

/** What takes a while to make, made when it is first wanted; where that fails, again the next time. */
function made<Made>(make: () => Promise<Made>): () => Promise<Made> {
  let making: Promise<Made> | undefined;
  return () => {
    making ??= make().catch((error: unknown) => {
      making = undefined;
      throw error;
    });
    return making;
  };
}
