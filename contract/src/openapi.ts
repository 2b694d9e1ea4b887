import { z } from 'zod';
import type { Operation } from './operation';
import { ALL_OPERATIONS } from './operations';
import { problem } from './problem';

const PROBLEM_ANSWERS = {
  '400': 'The address or the body cannot be read',
  '401': 'Nobody is signed in, or this device was signed out',
  '403': 'Not for this role, or asked from a page of another address',
  '404': 'Not found',
  '405': 'Not at this address; Allow says what is',
  '408': 'The request came too slowly',
  '409': 'Stale version, with the row as it stands or its tombstone; or still in use',
  '410': 'Changes cannot be told from there: begin anew',
  '413': 'Body over the limit',
  '415': 'A body that is not JSON in UTF-8',
  '421': 'For a name the server is not known by',
  '422': 'The body cannot be taken; errors name the first fields',
  '429': 'Tried too often; Retry-After says when to try again',
  '503': 'The database does not answer, or has too much to do; Retry-After says when to try again',
  '507': 'The disk of the server is full; what was stored is there',
} as const;

type JsonSchema = Readonly<Record<string, unknown>>;

/** Schemas with a name that the ones asked for refer to, by it. */
type Named = Record<string, JsonSchema>;

/** What a schema with a name is called: it differs where what is sent may leave something out. */
const nameIn = (name: string, io: 'input' | 'output') => (io === 'input' ? `${name}Input` : name);

/** A schema whose references are found from the root of the document; what it refers to is noted. */
function schemaOf(schema: z.ZodType, io: 'input' | 'output', named: Named): JsonSchema {
  const {
    $schema: _dialect,
    $defs = {},
    ...rest
  } = z.toJSONSchema(schema, {
    io,
    target: 'draft-2020-12',
    unrepresentable: 'any',
    reused: 'inline',
  });
  const placed = (value: unknown): unknown => {
    if (Array.isArray(value)) return value.map(placed);
    if (typeof value !== 'object' || value === null) return value;
    return Object.fromEntries(
      Object.entries(value).map(([key, inner]) => {
        const found = key === '$ref' && typeof inner === 'string' ? /^#\/\$defs\/(.+)$/.exec(inner) : null;
        return [key, found ? `#/components/schemas/${nameIn(found[1] ?? '', io)}` : placed(inner)];
      }),
    );
  };
  for (const [name, one] of Object.entries($defs)) named[nameIn(name, io)] ??= placed(one) as JsonSchema;
  return placed(rest) as JsonSchema;
}

function queryParameters(query: z.ZodObject, named: Named) {
  return Object.entries(query.shape).map(([name, schema]) => ({
    name,
    in: 'query',
    required: false,
    schema: schemaOf(schema as z.ZodType, 'input', named),
  }));
}

function parameters(path: string) {
  return [...path.matchAll(/\{(\w+)\}/g)].map(([, name]) => ({
    name,
    in: 'path',
    required: true,
    schema: { type: 'string', format: 'uuid' },
  }));
}

function answerOf({ answer, file }: Operation, named: Named) {
  if (file)
    return {
      '200': { description: 'Done', content: { [file]: { schema: { type: 'string', format: 'binary' } } } },
    };
  if (!answer) return { '204': { description: 'Done' } };
  return {
    '200': {
      description: 'Done',
      content: { 'application/json': { schema: schemaOf(answer, 'output', named) } },
    },
  };
}

function describe(operation: Operation & { name: string }, named: Named) {
  const answer = answerOf(operation, named);
  const problems = Object.fromEntries(
    Object.entries(PROBLEM_ANSWERS).map(([status, description]) => [
      status,
      {
        description,
        content: { 'application/problem+json': { schema: { $ref: '#/components/schemas/Problem' } } },
      },
    ]),
  );
  return {
    operationId: operation.name.replace(/ (\w)/g, (_match, letter: string) => letter.toUpperCase()),
    summary: operation.summary,
    parameters: [
      ...parameters(operation.path),
      ...(operation.query ? queryParameters(operation.query, named) : []),
    ],
    ...(operation.body
      ? {
          requestBody: {
            required: true,
            content: { 'application/json': { schema: schemaOf(operation.body, 'input', named) } },
          },
        }
      : {}),
    responses: { ...answer, ...problems },
  };
}

/** The OpenAPI 3.1 document, made from the same schemas that check bodies and answers. */
export function openApiDocument() {
  const named: Named = {};
  named['Problem'] = schemaOf(problem, 'output', named);
  const paths: Record<string, Record<string, unknown>> = {};
  for (const operation of ALL_OPERATIONS) {
    (paths[operation.path] ??= {})[operation.method] = describe(operation, named);
  }
  return {
    openapi: '3.1.0',
    info: {
      title: 'Fine Spray',
      version: '0.1.0',
      description: 'All quantities are SI: m, m³, Pa, m³/s, Pa·s, kg/m³, s, K.',
    },
    paths,
    components: { schemas: named },
  };
}
