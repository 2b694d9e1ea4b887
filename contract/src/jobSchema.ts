import { z } from 'zod';
import { JOB_FILE_VERSION, jobFile } from './files';
import { JOB_MEMBERS } from './jobMembers';

type JsonSchema = Readonly<Record<string, unknown>>;

/** Where the published schema stands, on every server. */
export const JOB_SCHEMA_PATH = `/api/schema/job-${JOB_FILE_VERSION}.json`;

/**
 * The published schema of the job file (JSON Schema, draft 2020-12), each member with what it says.
 * @param origin of the server it stands on: its `$id` is the address it is served under; without, as it stands in the docs
 */
export function jobFileSchema(origin = ''): JsonSchema {
  const { $schema, ...schema } = z.toJSONSchema(jobFile, {
    io: 'input',
    target: 'draft-2020-12',
    unrepresentable: 'any',
    reused: 'inline',
  });
  return {
    $schema,
    $id: `${origin}${JOB_SCHEMA_PATH}`,
    title: 'Fine Spray job',
    description: 'A job with its places and surfaces. Lengths m, areas m², shares from 0 to 1.',
    ...(described(schema, '') as JsonSchema),
  };
}

/** A schema with what each of its members says. */
function described(schema: unknown, at: string): unknown {
  if (Array.isArray(schema)) return schema.map((one: unknown) => described(one, at));
  if (typeof schema !== 'object' || schema === null) return schema;
  const parts = Object.entries(schema).map(([key, inner]: [string, unknown]): [string, unknown] => {
    if (key === 'properties') return [key, describedMembers(inner as JsonSchema, at)];
    if (key === 'items') return [key, described(inner, `${at}[]`)];
    return [key, key === 'anyOf' || key === 'oneOf' ? described(inner, at) : inner];
  });
  return Object.fromEntries(parts);
}

function describedMembers(members: JsonSchema, at: string): JsonSchema {
  const all = Object.entries(members).map(([name, inner]): [string, object] => {
    // A piece has what a surface of one piece has.
    const path = (at === '' ? name : `${at}.${name}`).replace('geometry.pieces[].', 'geometry.');
    const description = JOB_MEMBERS[path];
    if (description === undefined) throw new Error(`what ${path} of a job file says stands nowhere`);
    return [name, { description, ...(described(inner, path) as JsonSchema) }];
  });
  return Object.fromEntries(all);
}
