import { z } from 'zod';

/** One thing wrong with a body: where, and a sentence for the field. */
export const fieldProblem = z.object({ field: z.string(), message: z.string(), code: z.string() });

/** Every error answer: problem details (RFC 9457) with the fields concerned. */
export const problem = z
  .object({
    type: z.string(),
    title: z.string(),
    status: z.int(),
    detail: z.string(),
    errors: z.array(fieldProblem),
    /** On a stale version: the row as it stands. */
    current: z.unknown().optional(),
  })
  .meta({ id: 'Problem', description: 'Problem details (RFC 9457)' });

export type FieldProblem = z.infer<typeof fieldProblem>;
export type Problem = z.infer<typeof problem>;

export const PROBLEM_TYPES = {
  'bad-body': { status: 422, title: 'Something in it cannot be taken' },
  'bad-request': { status: 400, title: 'The request cannot be read' },
  'not-json': { status: 400, title: 'Not readable as JSON' },
  'not-found': { status: 404, title: 'Not found' },
  'signed-out': { status: 401, title: 'Not signed in' },
  'wrong-secret': { status: 401, title: 'Not let in' },
  'no-company': { status: 401, title: 'No company yet' },
  revoked: { status: 401, title: 'This device was signed out' },
  'not-allowed': { status: 403, title: 'Not yours to do' },
  'wrong-origin': { status: 403, title: 'Not from there' },
  'bad-method': { status: 405, title: 'This cannot be done here' },
  slow: { status: 408, title: 'The request came too slowly' },
  stale: { status: 409, title: 'Changed elsewhere in the meantime' },
  'other-company': { status: 409, title: 'Another company answers now' },
  'in-use': { status: 409, title: 'Still in use' },
  'begin-anew': { status: 410, title: 'Not from there any more' },
  'too-large': { status: 413, title: 'Too large' },
  'wrong-host': { status: 421, title: 'Not known by that name' },
  'bad-type': { status: 415, title: 'Of a kind that cannot be read' },
  'bad-range': { status: 416, title: 'There is no such part of it' },
  'too-many': { status: 429, title: 'Tried too often' },
  unreadable: { status: 500, title: 'Stored in a way that cannot be read' },
  unavailable: { status: 503, title: 'The database does not answer' },
  busy: { status: 503, title: 'Too much to do at once' },
  'disk-full': { status: 507, title: 'No room left on the server' },
  internal: { status: 500, title: 'Something went wrong in the server' },
} as const;

export type ProblemType = keyof typeof PROBLEM_TYPES;

/** The path of a Zod issue as the field name used on both sides: "geometry.openings.0.width". */
export function fieldOf(path: readonly PropertyKey[]): string {
  return path.map(String).join('.');
}

/** Zod issues as field problems; wording comes from the schema. */
export function fieldProblems(error: z.ZodError): FieldProblem[] {
  return error.issues.map((issue) => ({
    field: fieldOf(issue.path),
    message: issue.message,
    code: issue.code === 'custom' ? String(issue.params?.['code'] ?? 'custom') : issue.code,
  }));
}

/** Why a stored row cannot be read, in a sentence with the name of its field in words: "maxPressure" is "max pressure". */
export function whatIsWrong(error: z.ZodError): string {
  const [first] = fieldProblems(error);
  if (!first) return 'It has another shape.';
  const field = first.field
    .replace(/([a-z])([A-Z])/g, '$1 $2')
    .replaceAll('.', ', ')
    .toLowerCase();
  return field === '' ? first.message : `${first.message} (Field: ${field}.)`;
}
