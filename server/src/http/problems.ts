import {
  PROBLEM_TYPES,
  fieldProblems,
  type FieldProblem,
  type Problem,
  type ProblemType,
} from '@fine-spray/contract';
import type { ErrorRequestHandler, RequestHandler } from 'express';
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

const DATABASE_GONE = new Set([
  'ECONNREFUSED',
  'ECONNRESET',
  'ENOTFOUND',
  'ETIMEDOUT',
  'EPIPE',
  '57P01',
  '57P02',
  '57P03',
  '53300',
]);

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
    return new ProblemError('bad-body', errors[0]?.message ?? 'The body cannot be taken.', errors);
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
  return new ProblemError('internal', 'Something went wrong in the server. Nothing was stored.');
}

export const problemHandler: ErrorRequestHandler = (error, request, response, next) => {
  if (response.headersSent) {
    next(error);
    return;
  }
  const problem = problemOf(asProblem(error));
  if (problem.status >= 500) request.log.error({ err: error as Error }, problem.title);
  response.status(problem.status).type('application/problem+json').send(JSON.stringify(problem));
};

export const unknownPath: RequestHandler = (request) => {
  throw new ProblemError('not-found', `There is nothing at ${request.path.slice(0, 200)}.`);
};
