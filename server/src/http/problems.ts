import {
  PROBLEM_TYPES,
  fieldProblems,
  type FieldProblem,
  type Problem,
  type ProblemType,
} from '@fine-spray/contract';
import type { ErrorRequestHandler, RequestHandler } from 'express';
import type { Logger } from 'pino';
import { ZodError } from 'zod';

/** An error that is an answer: thrown by a handler, sent as problem details. */
export class ProblemError extends Error {
  constructor(
    readonly type: ProblemType,
    readonly detail: string,
    readonly errors: readonly FieldProblem[] = [],
    readonly current?: unknown,
  ) {
    super(detail);
  }
}

/** A problem as it is answered. */
export function problemOf({ type, detail, errors, current }: ProblemError): Problem {
  return {
    type: `urn:fine-spray:problem:${type}`,
    ...PROBLEM_TYPES[type],
    detail,
    errors: [...errors],
    ...(current === undefined ? {} : { current }),
  };
}

/** Errors of a body that are listed at most: whoever sent thousands that are wrong needs the first of them. */
const ERRORS_AT_MOST = 20;

/** How long to wait before it is tried again, s. */
const RETRY_AFTER: Partial<Record<ProblemType, number>> = { unavailable: 5, busy: 2, 'disk-full': 60 };

const DATABASE_GONE = new Set([
  'ECONNREFUSED',
  'ECONNRESET',
  'ENOTFOUND',
  'ETIMEDOUT',
  'EPIPE',
  '57P01',
  '57P02',
  '57P03',
  '53200',
  '53300',
  '25P03',
]);
/** Given up on by the database: a statement took too long, or waited too long for another's lock. */
const TOO_LONG = new Set(['57014', '55P03', '40P01', '40001']);
const DISK_FULL = new Set(['53100', 'ENOSPC', 'EDQUOT']);
/** What the database says of values it cannot hold, where a schema let them through: "22P05". */
const BAD_VALUE = /^22[0-9A-Z]{3}$/;

/** Failures that Express and what it stands on say by a status. */
const BY_STATUS: Readonly<Record<number, { readonly type: ProblemType; readonly detail: string }>> = {
  404: { type: 'not-found', detail: 'There is nothing at this address.' },
  408: { type: 'slow', detail: 'The request came too slowly. Send it again.' },
  415: {
    type: 'bad-type',
    detail: 'The body is in an encoding or a character set that is not read here. Send JSON in UTF-8.',
  },
  416: { type: 'bad-range', detail: 'The file has no such part.' },
};
const UNREADABLE = {
  type: 'bad-request',
  detail: 'The request cannot be read: its address or its body is broken.',
} as const;

/** What an error says of itself, read by shape: drivers throw errors of several makes. */
function shapeOf(error: unknown): Record<'type' | 'code' | 'name' | 'message', string> {
  const said = (typeof error === 'object' && error !== null ? error : {}) as Record<string, unknown>;
  const text = (key: string) => (typeof said[key] === 'string' ? said[key] : '');
  return { type: text('type'), code: text('code'), name: text('name'), message: text('message') };
}

/** Any error as a problem. What is not foreseen is a 500 that tells nothing of the inside. */
export function asProblem(error: unknown): ProblemError {
  if (error instanceof ProblemError) return error;
  if (error instanceof ZodError) {
    const errors = fieldProblems(error);
    const more = errors.length - ERRORS_AT_MOST;
    const first = errors[0]?.message ?? 'The body cannot be taken.';
    return new ProblemError(
      'bad-body',
      more > 0 ? `${first} And ${more + ERRORS_AT_MOST - 1} more like it.` : first,
      errors.slice(0, ERRORS_AT_MOST),
    );
  }
  const { type, code, name, message } = shapeOf(error);
  if (type === 'entity.too.large') {
    const { limit } = error as { limit?: unknown };
    return new ProblemError(
      'too-large',
      `The body is over the limit of ${Math.round(Number(limit) / 1024)} kB.`,
    );
  }
  if (type === 'entity.parse.failed')
    return new ProblemError('not-json', 'The body is not readable as JSON.');
  if (
    DATABASE_GONE.has(code) ||
    name === 'KnexTimeoutError' ||
    /Connection terminated|timeout expired/i.test(message)
  ) {
    return new ProblemError('unavailable', 'The database does not answer. Try again in a moment.');
  }
  if (DISK_FULL.has(code))
    return new ProblemError(
      'disk-full',
      'The disk of the server is full, so nothing can be stored. What was stored is there.',
    );
  if (TOO_LONG.has(code))
    return new ProblemError(
      'busy',
      'It took too long and was given up. Nothing was stored. Try again in a moment.',
    );
  if (BAD_VALUE.test(code))
    return new ProblemError('bad-body', 'There is a value in it that cannot be stored. Nothing was stored.');
  const { status } = (error ?? {}) as { readonly status?: unknown };
  if (typeof status === 'number' && status >= 400 && status < 500) {
    const known = BY_STATUS[status] ?? UNREADABLE;
    return new ProblemError(known.type, known.detail);
  }
  return new ProblemError('internal', 'Something went wrong in the server. Nothing was stored.');
}

export const problemHandler =
  (logger: Logger): ErrorRequestHandler =>
  (error, request, response, next) => {
    if (response.headersSent) {
      next(error);
      return;
    }
    const found = asProblem(error);
    const problem = problemOf(found);
    const wait = RETRY_AFTER[found.type];
    if (wait !== undefined) response.set('Retry-After', String(wait));
    // What a range asked for that is not there: how much there is.
    const { headers } = (error ?? {}) as { readonly headers?: Readonly<Record<string, string>> };
    if (found.type === 'bad-range' && headers?.['Content-Range'])
      response.set('Content-Range', headers['Content-Range']);
    if (problem.status >= 500)
      logger.error({ err: error as Error, method: request.method, url: request.originalUrl }, problem.title);
    response.status(problem.status).type('application/problem+json').send(JSON.stringify(problem));
  };

export const unknownPath: RequestHandler = (request) => {
  throw new ProblemError('not-found', `There is nothing at ${request.path.slice(0, 200)}.`);
};

/** Refuses what an address is not for, and says what it is for. */
export function onlyFor(methods: readonly string[]): RequestHandler {
  const allowed = [...methods].sort().join(', ');
  return (request, response) => {
    response.set('Allow', allowed);
    throw new ProblemError('bad-method', `This address is not for ${request.method}: only for ${allowed}.`);
  };
}

/** Refuses an address that cannot be read, before anything looks at its parts. */
export const readableAddress: RequestHandler = (request, _response, next) => {
  let path: string | undefined;
  try {
    path = decodeURIComponent(request.path);
  } catch {
    path = undefined;
  }
  if (path === undefined || path.includes('\0'))
    throw new ProblemError('bad-request', 'The address cannot be read: it is broken.');
  next();
};

/** Refuses a body that is not JSON before it is read. */
export const onlyJson: RequestHandler = (request, _response, next) => {
  // One that is no JSON where none is wanted was read already.
  if (Buffer.isBuffer(request.body)) {
    next();
    return;
  }
  const empty = request.get('Content-Length') === '0';
  // Null: there is no body.
  if (!empty && request.is('application/json') === false)
    throw new ProblemError('bad-type', 'The body must be JSON: Content-Type: application/json.');
  next();
};
