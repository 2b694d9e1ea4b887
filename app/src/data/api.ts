import type { FieldProblem, Problem } from '@fine-spray/contract/problem';
import { gate } from './gate';
import { reach } from './reach';
import { breath } from './turns';
import { vouchForAnswer } from './vouched';

/** The server could not be reached. */
export class Unreachable extends Error {
  constructor() {
    super('The Fine Spray server does not answer.');
  }
}

/** Something answered that is not the server: a sign-in page of a network, a proxy whose server is away. */
export class NotOurs extends Error {
  constructor() {
    super('Something other than the Fine Spray server answers at this address.');
  }
}

/** The server answered in a way this program does not know. */
export class Unknown extends Error {
  constructor(why: string) {
    super(
      `The server answered in a way this program cannot read: ${why} Reload the page; it may be an older version.`,
    );
  }
}

/** The server said no: problem details with the fields concerned. */
export class Refused extends Error {
  readonly errors: readonly FieldProblem[];
  constructor(readonly problem: Problem) {
    super(problem.detail);
    this.errors = problem.errors;
  }
}

/**
 * The server answers for another company than this page shows. It says nothing of what was asked or sent: that waits with the company it is of,
 * and the page opens anew.
 */
export class OtherCompany extends Error {}

/** What to tell a person of a call that failed. */
export function whyFailed(error: unknown): string {
  return error instanceof Error ? error.message : 'The server did not take it.';
}

const bodyOf = async (response: Response): Promise<unknown> => response.json().catch(() => undefined);

const isFieldProblem = (one: unknown): one is FieldProblem => {
  const { field, message, code } = (one ?? {}) as Partial<Record<keyof FieldProblem, unknown>>;
  return [field, message, code].every((value) => typeof value === 'string');
};

/** Whether a body is one of our problems. Written out: with schemas the first load would be a sixth longer for this alone. */
function isProblem(body: unknown): body is Problem {
  const { type, title, status, detail, errors } = (body ?? {}) as Partial<Record<keyof Problem, unknown>>;
  return (
    [type, title, detail].every((value) => typeof value === 'string') &&
    Number.isInteger(status) &&
    Array.isArray(errors) &&
    errors.every(isFieldProblem)
  );
}

/** The type of the problem of a page that shows another company than the server answers for. */
const OTHER_COMPANY = 'urn:fine-spray:problem:other-company';

/** What a body says was wrong; one that is not ours is another server's. */
export function failureOfAnswer(body: unknown): Error {
  if (!isProblem(body)) return new NotOurs();
  return body.type === OTHER_COMPANY ? new OtherCompany(body.detail) : new Refused(body);
}

/** The status of a server whose disk is full. */
const NO_ROOM = 507;

async function answerOf(response: Response): Promise<unknown> {
  if (response.status === 204) return undefined;
  const body = await bodyOf(response);
  if (response.ok && body !== undefined) {
    reach.answered(response.headers?.get('Date'));
    vouchForAnswer(response.headers?.get('Contract'), body);
    return body;
  }
  const failed = failureOfAnswer(body);
  if (failed instanceof Refused && response.status === 401) gate.refused(failed.problem.type);
  if (failed instanceof NotOurs) reach.failed();
  throw failed;
}

function away(error: unknown): never {
  // Nobody waits for it any more: that says nothing of the server.
  if (error instanceof Error && error.name === 'AbortError') throw error;
  reach.failed();
  throw new Unreachable();
}

/** A file the server makes. */
export async function fileOf(path: string): Promise<Blob> {
  const response = await fetch(path).catch(away);
  if (!response.ok) throw failureOfAnswer(await bodyOf(response));
  return response.blob().catch(away);
}

export interface CallOptions {
  /** Lets a write finish when the page is being left. */
  readonly keepalive?: boolean;
  /** Tells the server the time of this device, so that a wrong clock can be put right. */
  readonly clock?: boolean;
  /** Ends the call when nobody waits for its answer any more. */
  readonly signal?: AbortSignal;
}

/** Asks which company this device is of, whatever company its page shows. */
const ANY_COMPANY = /^\/api\/(me|companies|session)/;

/** Of which company the page is, and what is done when the server answers for another: set by who knows. */
let company: { readonly shown: () => string | undefined; readonly other: () => void } = {
  shown: () => undefined,
  other: () => undefined,
};
export const ofCompany = (how: typeof company): void => {
  company = how;
};

/** An answer that takes longer, ms, does not come any more: a line can be dead without saying so, and what waits for it waits for ever. */
const LONGEST = 60_000;
/** With a file to carry, ms. */
const LONGEST_OF_FILE = 10 * LONGEST;

/** Ends a call whose line is dead, as one that did not reach the server; or when nobody waits for it any more. */
function ending(signal: AbortSignal | undefined, longest: number): { readonly signal?: AbortSignal } {
  // A browser of before 2024 has no way to tell: it goes by what its network says.
  if (typeof AbortSignal.any !== 'function') return signal ? { signal } : {};
  const late = AbortSignal.timeout(longest);
  return { signal: signal ? AbortSignal.any([signal, late]) : late };
}

/** One call of the API. */
export async function call(
  method: 'GET' | 'PUT' | 'POST' | 'DELETE',
  path: string,
  body?: unknown,
  { keepalive = false, clock = false, signal }: CallOptions = {},
): Promise<unknown> {
  // A screen asks for several things at once: each goes out in a turn of its own. What is written goes at once: the page may be left.
  if (method === 'GET') await breath();
  const shown = ANY_COMPANY.test(path) ? undefined : company.shown();
  // A file goes as it is.
  const file = body instanceof Blob ? body : undefined;
  const headers = {
    ...(shown === undefined ? {} : { Company: shown }),
    ...(body === undefined ? {} : { 'Content-Type': file?.type ?? 'application/json' }),
    ...(body !== undefined && clock ? { 'Device-Time': new Date().toISOString() } : {}),
  };
  const response = await fetch(path, {
    method,
    keepalive,
    ...(keepalive ? {} : ending(signal, file ? LONGEST_OF_FILE : LONGEST)),
    ...(Object.keys(headers).length > 0 ? { headers } : {}),
    ...(body === undefined ? {} : { body: file ?? JSON.stringify(body) }),
  }).catch(away);
  try {
    const answer = await answerOf(response);
    if (method !== 'GET') reach.stores();
    return answer;
  } catch (error) {
    if (error instanceof Refused && error.problem.status === NO_ROOM) reach.stores(error.message);
    if (error instanceof OtherCompany) company.other();
    throw error;
  }
}
