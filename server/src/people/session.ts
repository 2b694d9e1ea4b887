import { ConnectSessionKnexStore } from 'connect-session-knex';
import type { RequestHandler, Request } from 'express';
import session, { Cookie, type SessionData } from 'express-session';
import type { Database } from '../db/database';
import { newSecret } from './secrets';

declare module 'express-session' {
  interface SessionData {
    /** The device this session is of; none where one does not sign in. */
    deviceId?: string;
    /** Who was chosen where one does not sign in. */
    personId?: string;
    /** When its id was last changed, ms. */
    since?: number;
    /** What a passkey is asked to sign, until it has. */
    challenge?: string;
  }
}

const DAY = 24 * 3600 * 1000;
/** A phone stays somebody's while it is used within this. */
const LASTS = 180 * DAY;
/** A session gets a new id each day; the old one still holds for requests that are on their way. */
const ROTATED_AFTER = DAY;
const GRACE = 60_000;
const COOKIE = 'fine-spray';

/**
 * Sessions in PostgreSQL. The store throws besides calling back, which nobody would catch; and it would write for each request
 * that only reads: a session is made longer when it is rotated.
 */
class Sessions extends ConnectSessionKnexStore {
  override async get(sid: string, callback: (error: unknown, session?: SessionData | null) => void) {
    return super.get(sid, callback).catch(() => null);
  }
  override async set(sid: string, data: SessionData, callback?: (error?: unknown) => void) {
    await super.set(sid, data, callback).catch(() => undefined);
  }
  override async destroy(sid: string, callback?: (error?: unknown) => void) {
    return super.destroy(sid, callback).catch(() => 0);
  }
  override touch(_sid: string, _data: SessionData, callback?: () => void) {
    callback?.();
    return Promise.resolve();
  }
}

/** The secret that session cookies are signed with: one for all servers of a database. */
async function cookieSecret(db: Database): Promise<string> {
  await db('server_secret').insert({ name: COOKIE, value: newSecret() }).onConflict('name').ignore();
  const { value } = await db('server_secret').where({ name: COOKIE }).first<{ value: string }>('value');
  return value;
}

/** Reads and keeps the session of a request. Begins once the database is up to date. */
export async function sessions(db: Database): Promise<RequestHandler> {
  return session({
    name: COOKIE,
    secret: await cookieSecret(db),
    store: new Sessions({
      knex: db,
      tableName: 'session',
      createTable: false,
      onDbCleanupError: () => undefined,
    }),
    resave: false,
    saveUninitialized: false,
    // Secure where the connection is, or the proxy says so.
    cookie: { httpOnly: true, sameSite: 'lax', secure: 'auto', maxAge: LASTS },
  });
}

/** The session of a request; where it came without a cookie it may have none. */
export const sessionOf = (request: Request): Request['session'] | undefined => request.session;

/** Does something that calls back with what went wrong. */
const calledBack = (work: (done: (error?: unknown) => void) => unknown): Promise<void> =>
  new Promise((resolve, reject) => {
    work((error) => {
      if (error instanceof Error) reject(error);
      else if (error) reject(new Error('the session could not be kept', { cause: error }));
      else resolve();
    });
  });

/** Begins a session anew under an id nobody knows, with what it is to hold. */
export async function beginSession(request: Request, holding: Partial<SessionData>): Promise<void> {
  await calledBack((done) => request.session.regenerate(done));
  Object.assign(request.session, holding, { since: Date.now() });
  await calledBack((done) => request.session.save(done));
}

/** Gives a session of some age a new id; the old one holds a moment longer, for what is on its way with it. */
export async function rotate(request: Request): Promise<void> {
  const { since, deviceId, personId } = request.session;
  if (deviceId === undefined || (since !== undefined && Date.now() - since < ROTATED_AFTER)) return;
  const { sessionID: before, sessionStore: store } = request;
  const cookie = new Cookie();
  cookie.maxAge = GRACE;
  const old: SessionData = {
    deviceId,
    since: since ?? 0,
    cookie,
    ...(personId === undefined ? {} : { personId }),
  };
  store.generate(request);
  Object.assign(request.session, { deviceId, personId, since: Date.now() });
  await calledBack((done) => store.set(before, old, done));
}

/** Ends a session. */
export function endSession(request: Request): Promise<void> {
  return new Promise((resolve) => request.session.destroy(() => resolve()));
}
