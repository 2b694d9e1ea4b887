import { z } from 'zod';
import { EXAMPLES, PROBLEM_EXAMPLE } from './examples';
import type { Operation } from './operation';
import { ALL_OPERATIONS } from './operations';
import { problem } from './problem';
import { RESOURCES, RESOURCE_NAMES } from './resources';

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
  return Object.entries(query.shape).map(([name, schema]) => {
    const { description, ...rest } = schemaOf(schema as z.ZodType, 'input', named);
    const required = !(schema as z.ZodType).safeParse(undefined).success;
    return { name, in: 'query', required, schema: rest, ...(description ? { description } : {}) };
  });
}

/** What stands in a path, by its name. */
const PATH_SCHEMAS: Readonly<Record<string, JsonSchema>> = { date: { type: 'string', format: 'date' } };

function parameters(path: string) {
  return [...path.matchAll(/\{(\w+)\}/g)].map(([, name = '']) => ({
    name,
    in: 'path',
    required: true,
    schema: PATH_SCHEMAS[name] ?? { type: 'string', format: 'uuid' },
  }));
}

/** Headers of a request that say something to an operation. */
function headersOf({ method, path }: Operation) {
  const takesEntries = method !== 'get' && method !== 'delete' && path.startsWith('/api/entries');
  if (!takesEntries) return [];
  const description =
    'What the clock of the device says now: by how much it is wrong is kept beside an entry when it first comes';
  return [
    {
      name: 'Device-Time',
      in: 'header',
      required: false,
      description,
      schema: { type: 'string', format: 'date-time' },
    },
  ];
}

const text = (description: string) => ({ description, schema: { type: 'string' } });
/** Headers of an answer, by its status. */
const ANSWER_HEADERS: Readonly<Record<string, JsonSchema>> = {
  '405': { Allow: text('Methods of the address') },
  '429': { 'Retry-After': text('Seconds to wait') },
  '503': { 'Retry-After': text('Seconds to wait') },
  '507': { 'Retry-After': text('Seconds to wait') },
};

function answerOf({ answer, file, name }: Operation & { name: string }, named: Named) {
  if (file) {
    const binary = file.startsWith('text/') ? { type: 'string' } : { type: 'string', format: 'binary' };
    return { '200': { description: 'Done', content: { [file]: { schema: binary } } } };
  }
  if (!answer) return { '204': { description: 'Done' } };
  const example = EXAMPLES[name]?.answer;
  const schema = schemaOf(answer, 'output', named);
  return { '200': { description: 'Done', content: { 'application/json': { schema, example } } } };
}

/** Groups of operations, and what they are for. */
const TAGS = {
  People: 'Who is there, how somebody gets in, and their devices',
  Company: 'Name, rates and prices',
  Kit: 'Coatings, sprayers, hoses, tips, gear and systems',
  Plans: 'Jobs, their places and surfaces',
  Log: 'What was done on site: appended, never changed',
  Changes: 'What others did meanwhile',
  Paper: 'Sheets as PDF',
  'Stand-ins': 'Simulated devices; nothing they say is measured',
  Server: 'The server itself',
} as const;
type Tag = keyof typeof TAGS;

const BY_PATH: readonly (readonly [RegExp, Tag])[] = [
  [/\.pdf$|\/log\/days/, 'Paper'],
  [/^\/api\/(me|session|people|devices)\b/, 'People'],
  [/^\/api\/company/, 'Company'],
  [/^\/api\/(entries|pictures)/, 'Log'],
  [/^\/api\/(changes|events)/, 'Changes'],
  [/^\/api\/stand-ins/, 'Stand-ins'],
  [/^\/api\/(jobs|places|surfaces|batch)/, 'Plans'],
  [/^\/api\/health/, 'Server'],
];
const tagOf = (path: string): Tag => BY_PATH.find(([pattern]) => pattern.test(path))?.[1] ?? 'Kit';

/** Calls that are answered without a session. */
const OPEN = new Set([
  'getHealth',
  'postCode',
  'postPassword',
  'postCompany',
  'postSessionPasskeyOptions',
  'postSessionPasskey',
]);

/** What it takes where people sign in; refusals are described for each. */
function descriptionOf({ name, summary }: Operation & { name: string }): string {
  const resource = RESOURCE_NAMES.find((one) => name.endsWith(` ${one}`));
  const writes = resource !== undefined && /^(put|remove) /.test(name);
  return writes ? `${summary}. Takes who may write ${RESOURCES[resource].writtenBy}.` : `${summary}.`;
}

function describe(operation: Operation & { name: string }, named: Named) {
  const { name, path, query, body, takes, summary } = operation;
  const problems = Object.fromEntries(
    Object.entries(PROBLEM_ANSWERS).map(([status, description]) => [
      status,
      {
        description,
        ...(ANSWER_HEADERS[status] ? { headers: ANSWER_HEADERS[status] } : {}),
        content: {
          'application/problem+json': {
            schema: { $ref: '#/components/schemas/Problem' },
            ...(status === '422' ? { example: PROBLEM_EXAMPLE } : {}),
          },
        },
      },
    ]),
  );
  return {
    operationId: name.replace(/ (\w)/g, (_match, letter: string) => letter.toUpperCase()),
    tags: [tagOf(path)],
    summary,
    description: descriptionOf(operation),
    ...(OPEN.has(name) ? { security: [] } : {}),
    parameters: [
      ...parameters(path),
      ...(query ? queryParameters(query, named) : []),
      ...headersOf(operation),
    ],
    ...(body
      ? {
          requestBody: {
            required: true,
            content: {
              'application/json': { schema: schemaOf(body, 'input', named), example: EXAMPLES[name]?.body },
            },
          },
        }
      : {}),
    ...(takes
      ? {
          requestBody: {
            required: true,
            content: { [takes]: { schema: { type: 'string', format: 'binary' } } },
          },
        }
      : {}),
    responses: { ...answerOf(operation, named), ...problems },
  };
}

const ABOUT = `All quantities are SI: m, m³, Pa, m³/s, Pa·s, kg/m³, s, K. Ids are UUIDs that the client makes.

A write names the version it was made on: 0 makes a row, a stale one is refused with the row as it stands, and repeating a write
changes nothing. What is deleted leaves its version. Long lists come in pages: ask on with \`before\`. What others do comes by
\`/api/changes\`, and \`/api/events\` says when to ask.`;

/** The OpenAPI 3.1 document, made from the same schemas that check bodies and answers. */
export function openApiDocument() {
  const named: Named = {};
  schemaOf(problem, 'output', named);
  const paths: Record<string, Record<string, unknown>> = {};
  for (const operation of ALL_OPERATIONS) {
    (paths[operation.path] ??= {})[operation.method] = describe(operation, named);
  }
  return {
    openapi: '3.1.0',
    info: {
      title: 'Fine Spray',
      version: '0.1.0',
      description: ABOUT,
      contact: { name: 'Whoever looks after this server' },
      license: { name: 'Not licensed to others', identifier: 'LicenseRef-Unlicensed' },
    },
    servers: [{ url: '/', description: 'The server this document comes from' }],
    // Where nobody signs in nothing is needed.
    security: [{ session: [] }, {}],
    tags: Object.entries(TAGS).map(([name, description]) => ({ name, description })),
    paths,
    components: {
      securitySchemes: {
        session: {
          type: 'apiKey',
          in: 'cookie',
          name: 'fine-spray',
          description: 'The session of a device that was let in by a code, a password or a passkey',
        },
      },
      schemas: named,
    },
  };
}
