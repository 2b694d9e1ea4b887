import { seeded, type Random } from '@fine-spray/core/random';

/** A JSON schema, or an OpenAPI document with its schemas: read as loosely as a client would. */
export type Schema = Readonly<Record<string, unknown>>;

/** A request made from the API's document. */
export interface MadeRequest {
  readonly method: string;
  /** The address as the document has it. */
  readonly path: string;
  readonly url: string;
  readonly body?: string;
}

/** What breaks readers: of no type, too long, too large, not a number, half a character, what JavaScript has names for. */
const NASTY: readonly unknown[] = [
  ...[null, true, '', ' ', 0, -0, -1, 1e308, -1e308, 0.1, 2 ** 53, 4_294_967_296, [], {}, [[]], [null]],
  ...[
    '\u0000',
    '\ud83d',
    '\udc00',
    '💧'.repeat(500),
    'x'.repeat(20_000),
    '__proto__',
    'constructor',
    '../../etc/passwd',
  ],
  ...[
    "'; drop table job; --",
    '<img src=x onerror=alert(1)>',
    '%E0%A4%A',
    'null',
    'NaN',
    '1e400',
    '\u202e',
    '=1+1',
  ],
  ...['-271821-04-20T00:00:00Z', '2026-02-30T25:61:61Z', '0190a000-0000-7000-8000-00000000dead'],
  { __proto__: { admin: true }, constructor: 1 },
];

/** Requests of every operation of a document, one after another from a seed: what it wants, and what it does not. */
export function* requestsOf(document: Schema, ids: readonly string[], seed: number): Generator<MadeRequest> {
  const random = seeded(seed);
  const pick = <T>(all: readonly T[]): T => all[Math.floor(random() * all.length)] as T;
  const operations = Object.entries(document['paths'] as Record<string, Record<string, Schema>>).flatMap(
    ([path, methods]) => Object.entries(methods).map(([method, operation]) => ({ path, method, operation })),
  );
  for (;;) {
    const { path, method, operation } = pick(operations);
    const parameters = (operation['parameters'] ?? []) as { name: string; in: string; schema: Schema }[];
    const url = path.replace(/\{\w+\}/g, () =>
      // An address without its last part is another address.
      encoded((random() < 0.8 ? pick(ids) : String(pick(NASTY))) || 'x'),
    );
    const query = parameters
      .filter((one) => one.in === 'query' && random() < 0.8)
      .map(({ name, schema }) => {
        const value = random() < 0.7 ? made(schema, document, random, ids) : pick(NASTY);
        return `${name}=${encoded(typeof value === 'string' ? value : JSON.stringify(value))}`;
      });
    const content = (operation['requestBody'] as { content?: Record<string, { schema: Schema }> } | undefined)
      ?.content;
    const schema = content?.['application/json']?.schema;
    const body = schema ? made(schema, document, random, ids) : undefined;
    const changed = random() < 0.5 ? body : spoilt(body, random);
    const text = JSON.stringify(changed) ?? '';
    yield {
      method: method.toUpperCase(),
      path,
      url: `${url}${query.length > 0 ? `?${query.join('&')}` : ''}`,
      ...(schema ? { body: random() < 0.03 ? text.slice(0, text.length / 2) : text } : {}),
    };
  }
}

/** A value in an address; half a character has no encoding. */
function encoded(value: string): string {
  try {
    return encodeURIComponent(value).slice(0, 4000);
  } catch {
    return '%ED%A0%BD';
  }
}

const DEEP = 12;

/** A value of a schema, as far as its kinds of limits are known here. */
function made(schema: Schema, root: Schema, random: Random, ids: readonly string[], depth = 0): unknown {
  const pick = <T>(all: readonly T[]): T => all[Math.floor(random() * all.length)] as T;
  const again = (inner: unknown) => made(inner as Schema, root, random, ids, depth + 1);
  const {
    $ref,
    enum: named,
    anyOf,
    oneOf,
    allOf,
    type,
  } = schema as {
    $ref?: string;
    enum?: readonly unknown[];
    anyOf?: readonly Schema[];
    oneOf?: readonly Schema[];
    allOf?: readonly Schema[];
    type?: string;
  };
  if (depth > DEEP) return null;
  if ($ref !== undefined) return again(referred($ref, root));
  if ('const' in schema) return schema['const'];
  if (named) return pick(named);
  const choices = anyOf ?? oneOf;
  if (choices) return again(pick(choices));
  if (allOf) return Object.assign({}, ...allOf.map((one) => again(one) as object)) as unknown;
  if (type === 'null') return null;
  if (type === 'boolean') return random() < 0.5;
  if (type === 'integer' || type === 'number') return numberOf(schema, random);
  if (type === 'string') return textOf(schema, random, ids);
  if (type === 'array') {
    const least = Number(schema['minItems'] ?? 0);
    const length = least + Math.floor(random() * 3);
    return Array.from({ length }, () => again(schema['items'] ?? { type: 'string' }));
  }
  const properties = (schema['properties'] ?? {}) as Record<string, Schema>;
  const required = new Set((schema['required'] ?? []) as string[]);
  return Object.fromEntries(
    Object.entries(properties)
      .filter(([name]) => required.has(name) || random() < 0.5)
      .map(([name, inner]) => [name, again(inner)]),
  );
}

function referred(ref: string, root: Schema): Schema {
  const found = ref
    .replace(/^#\//, '')
    .split('/')
    .reduce<unknown>((at, step) => (at as Schema | undefined)?.[step], root);
  return (found ?? {}) as Schema;
}

function numberOf(schema: Schema, random: Random): number {
  const low = Number(schema['minimum'] ?? schema['exclusiveMinimum'] ?? 0);
  const high = Math.min(Number(schema['maximum'] ?? schema['exclusiveMaximum'] ?? low + 10), low + 1e6);
  // Versions and counts are small: most of a range is never met.
  const within = random() < 0.5 ? low + Math.min(high - low, 3) * random() : low + (high - low) * random();
  return schema['type'] === 'integer' ? Math.round(within) : within;
}

function textOf(schema: Schema, random: Random, ids: readonly string[]): string {
  const { format, pattern } = schema as { format?: string; pattern?: string };
  if (format === 'uuid') return ids[Math.floor(random() * ids.length)] ?? '';
  if (format === 'date-time') return new Date(Date.UTC(2026, 0, 1) + random() * 3e10).toISOString();
  if (format === 'date') return new Date(Date.UTC(2026, 0, 1) + random() * 3e10).toISOString().slice(0, 10);
  if (pattern?.includes('A-Z]{3}')) return 'EUR';
  const most = Math.min(Number(schema['maxLength'] ?? 12), 40);
  const length = Math.max(Number(schema['minLength'] ?? 0), Math.floor(random() * most));
  return Array.from({ length }, () => String.fromCodePoint(97 + Math.floor(random() * 26))).join('');
}

/** A document with something in it as it should not be. */
function spoilt(value: unknown, random: Random): unknown {
  const nasty = () => NASTY[Math.floor(random() * NASTY.length)];
  if (random() < 0.15 || typeof value !== 'object' || value === null) return nasty();
  const entries = Object.entries(value);
  const at = Math.floor(random() * entries.length);
  if (Array.isArray(value))
    return value.map((one: unknown, index) => (index === at ? spoilt(one, random) : one));
  if (random() < 0.2) return Object.fromEntries(entries.filter((_one, index) => index !== at));
  if (random() < 0.1) return { ...value, [String(nasty())]: nasty() };
  return Object.fromEntries(
    entries.map(([name, one], index) => [name, index === at ? spoilt(one, random) : one]),
  );
}
