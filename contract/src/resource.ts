import { z } from 'zod';
import type { Operation } from './operation';
import type { Capability } from './roles';
import { id, version } from './primitives';
import { deletedVersion } from './tombstone';

/** Ids of another resource inside a document, by the way to them: `under.*.coatingId`. */
export interface Reference {
  readonly at: string;
  readonly to: string;
  /** Whose such a row is, for the sentence that refuses to delete what it names: "a job". */
  readonly of: string;
}

/** A row may change while a field has a value; then it does not get that value again, and only some of its fields change. */
export interface Fixed {
  readonly unless: { readonly field: string; readonly is: string };
  readonly but: readonly string[];
  readonly sentence: string;
}

/** What a resource is, apart from its content. */
export interface ResourceTraits {
  /** What people call one of them. */
  readonly one: string;
  readonly table: string;
  /** Rows that belong to a job are listed for it, in the order people gave them, and go when it goes. */
  readonly ofJob?: true;
  /** Who writes it. */
  readonly writtenBy: Capability;
  /** Who sees it; all where nothing is said. */
  readonly seenBy?: Capability;
  /** A row is somebody's own, under the id of the person: seen and written by them, and by who may change what others wrote. */
  readonly own?: true;
  /** Rows can be many: they are listed in pages, newest first. */
  readonly paged?: true;
  /** A row is made once and stays as it is. */
  readonly appendOnly?: true;
  /** From when on a row stays as it is, but for some of its fields. */
  readonly fixed?: Fixed;
  /** References that stand in documents; those in columns are foreign keys. */
  readonly references?: readonly Reference[];
  /** Fields that no two rows have the same values of, and what is said of a second. */
  readonly unique?: { readonly fields: readonly string[]; readonly sentence: string };
  /** Rows there may be with one value of a field, and what is said of one more. */
  readonly limit?: { readonly within: string; readonly most: number; readonly sentence: string };
  /** What is shown of a row besides its content: how many rows of another resource name it. */
  readonly counts?: Readonly<Record<string, { readonly of: string; readonly by: string }>>;
  /** What of its content is the server's word: it is not compared with what a device says. */
  readonly byServer?: readonly string[];
  /** What is written once beside the content, when the row is made: it is not compared. */
  readonly beside?: readonly string[];
}

/** A row that could not be read as its schema says: which, and why. */
export const unreadable = z.object({ id: z.string(), name: z.string(), why: z.string() });
export type Unreadable = z.infer<typeof unreadable>;

/** From where a page of a long list goes on. */
const pageQuery = z
  .object({
    before: z
      .string()
      .max(200)
      .optional()
      .meta({ description: '`next` of the page before; without it the first page' }),
  })
  .strict();
/** The same of rows that belong to a job or to none. */
const pageByJob = pageQuery.safeExtend({
  job: id
    .or(z.literal('none'))
    .optional()
    .meta({ description: 'Only what belongs to this job; `none`: only what belongs to no job' }),
});
export type PageQuery = z.infer<typeof pageByJob>;
const nextPage = z
  .string()
  .nullable()
  .meta({ description: 'For `before` of the next page; null where this was the last' });

/**
 * A resource from the schemas of its content and its row: columns, operations, checks and the client's types follow from it.
 * `read` brings content of an older form to the one of this program.
 */
export function resource<
  Fields extends z.ZodObject,
  Row extends z.ZodObject,
  const Traits extends ResourceTraits,
>(
  path: string,
  traits: Traits,
  fields: Fields,
  row: Row,
  read?: (fields: z.infer<Fields>) => z.infer<Fields>,
) {
  const { one, paged = false } = traits;
  const ofJob = (traits.ofJob ?? false) as Traits extends { readonly ofJob: true } ? true : false;
  const item = `/api/${path}/{id}`;
  const body = fields.safeExtend({ version });
  const items = { items: z.array(row), unreadable: z.array(unreadable) };
  const inPages = {
    method: 'get',
    path: `/api/${path}`,
    summary: `A page of ${one}s, those stored last first`,
    query: 'jobId' in fields.shape ? pageByJob : pageQuery,
    answer: z.object({ ...items, next: nextPage }),
  } as const;
  const operations = {
    list: paged
      ? inPages
      : {
          method: 'get',
          path: ofJob ? `/api/jobs/{jobId}/${path}` : `/api/${path}`,
          summary: ofJob ? `All ${one}s of a job` : `All ${one}s`,
          answer: z.object(items),
        },
    // Those of all jobs are many.
    ...(ofJob ? { all: inPages } : {}),
    get: { method: 'get', path: item, summary: `One ${one}`, answer: row },
    put: {
      method: 'put',
      path: item,
      summary: `Store a ${one}: version 0 makes it; repeating the call changes nothing`,
      body,
      answer: row,
    },
    remove: {
      method: 'delete',
      path: item,
      summary: `Delete a ${one} of a version; repeating the call changes nothing`,
      query: z.object({ version: deletedVersion }).strict(),
    },
  } as const satisfies Record<string, Operation>;
  const content = Object.keys(fields.shape) as (keyof z.infer<Fields> & string)[];
  // As any resource has them: what a trait leaves out is left out here too.
  const all: ResourceTraits = traits;
  return {
    ...all,
    path,
    ofJob,
    fields,
    row,
    body,
    operations,
    /** Names of the fields of its content. */
    content,
    /** Fields that are kept as documents. */
    documents: content.filter((name) => isDocument(fields.shape[name] as z.ZodType)),
    read: read ?? ((given: z.infer<Fields>) => given),
  };
}

const DOCUMENTS: readonly string[] = ['object', 'array', 'record', 'union'];

/** Whether a value of a schema is an object or a list, whatever is put around it. */
function isDocument(schema: z.ZodType): boolean {
  const { type, innerType } = schema.def as { readonly type: string; readonly innerType?: z.ZodType };
  return innerType ? isDocument(innerType) : DOCUMENTS.includes(type);
}

/** One write of a batch: content makes or changes a row, none deletes the version that is named. */
export const write = <Name extends string, Body extends z.ZodType>(name: Name, body: Body) =>
  z
    .object({
      resource: z.literal(name),
      id,
      content: body.nullable(),
      version: version.min(1).optional(),
    })
    .strict()
    .refine(isWhole, {
      path: ['version'],
      error: 'Say which version is deleted.',
    });

/** Whether a write has content, or says which version it deletes. */
const isWhole = (one: { readonly content?: unknown; readonly version?: number | undefined }): boolean =>
  one.content !== null || one.version !== undefined;

/** The ids at a way through a document: `under.*.coatingId` takes the coating of each layer, with where it stands. */
export function idsAt(
  document: unknown,
  at: string,
): readonly { readonly id: string; readonly field: string }[] {
  let found: { readonly value: unknown; readonly field: string }[] = [{ value: document, field: '' }];
  const below = (field: string, name: string | number) => (field === '' ? String(name) : `${field}.${name}`);
  for (const step of at.split('.')) {
    found = found.flatMap(({ value, field }) => {
      if (step !== '*') {
        const inner = (value as Readonly<Record<string, unknown>> | null)?.[step];
        return inner === undefined ? [] : [{ value: inner, field: below(field, step) }];
      }
      return Array.isArray(value)
        ? value.map((one: unknown, index) => ({ value: one, field: below(field, index) }))
        : [];
    });
  }
  return found.flatMap(({ value, field }) => (typeof value === 'string' ? [{ id: value, field }] : []));
}

/** The smallest document of a field that names an id at a way through it: what a search for it looks for. */
export function documentNaming(
  at: string,
  named: string,
): { readonly field: string; readonly document: unknown } {
  const [field = '', ...steps] = at.split('.');
  const document = steps.reduceRight<unknown>(
    (inner, step) => (step === '*' ? [inner] : { [step]: inner }),
    named,
  );
  return { field, document };
}
