import { isDeepStrictEqual } from 'node:util';
import {
  RESOURCES,
  fieldProblems,
  whatIsWrong,
  type Contents,
  type ResourceName,
  type Rows,
  type Unreadable,
} from '@fine-spray/contract';
import type { z } from 'zod';
import type { Database } from '../db/database';
import { ProblemError } from '../http/problems';
import { checkReferences, checkRoom, checkUnused } from './checks';

/** A row as Knex gives it: columns by the names of their fields. */
type Row = Readonly<Record<string, unknown>> & {
  readonly id: string;
  readonly version: number;
  readonly createdAt: Date;
  readonly updatedAt: Date;
};

/** Rows of a list, and those that are not as their schema says: the list goes on without them. */
export interface Listed<Name extends ResourceName> {
  readonly items: Rows[Name][];
  readonly unreadable: Unreadable[];
}

/** Rows of one company in one table, with idempotent writes and row versions. */
export interface Store<Name extends ResourceName> {
  list(companyId: string, where?: Readonly<Record<string, string>>): Promise<Listed<Name>>;
  get(companyId: string, id: string): Promise<Rows[Name]>;
  /** Makes (version 0) or changes a row. The same content again changes nothing; a stale version is refused with the row as it stands. */
  put(
    companyId: string,
    id: string,
    version: number,
    content: Contents[Name],
    beside?: Readonly<Record<string, unknown>>,
  ): Promise<Rows[Name]>;
  remove(companyId: string, id: string): Promise<void>;
}

const FOREIGN_KEY = '23503';

/** The order people gave the rows of a job, or the one they were made in. */
const orderOf = (ofJob: boolean) => [...(ofJob ? ['position'] : []), 'createdAt', 'id'];

/** The rows of a resource on a database or within a transaction; everything about it follows from its definition. */
export function storeOf<Name extends ResourceName>(db: Database, name: Name): Store<Name> {
  const definition = RESOURCES[name];
  const { one, table, content, documents, appendOnly, beside = [], counts = {} } = definition;
  const schema = definition.row as unknown as z.ZodType<Rows[Name]>;
  const upgrade = definition.read as (given: object) => object;
  const missing = () => new ProblemError('not-found', `This ${one} does not exist, or was deleted.`);

  const toColumns = (fields: object): Record<string, unknown> =>
    Object.fromEntries(
      content.map((field) => {
        const value = (fields as Readonly<Record<string, unknown>>)[field] ?? null;
        // The driver would take a list for one of PostgreSQL's own.
        return [field, value !== null && documents.includes(field as never) ? JSON.stringify(value) : value];
      }),
    );
  const contentOf = (row: Row): object =>
    upgrade(Object.fromEntries(content.map((field) => [field, row[field]])));
  const shown = (row: Row): object => ({
    ...contentOf(row),
    ...Object.fromEntries(beside.map((field) => [field, row[field] ?? null])),
    ...Object.fromEntries(Object.keys(counts).map((field) => [field, row[field]])),
    id: row.id,
    version: row.version,
    createdAt: row.createdAt.toISOString(),
    updatedAt: row.updatedAt.toISOString(),
  });

  /** How many rows of another resource name each of these. */
  async function counted(rows: readonly Row[]): Promise<readonly Row[]> {
    let all = rows;
    for (const [field, { of, by }] of Object.entries(counts)) {
      const found = await db(RESOURCES[of as ResourceName].table)
        .whereIn(
          by,
          rows.map(({ id }) => id),
        )
        .groupBy(by)
        .select(by)
        .count<Record<string, string>[]>('* as count');
      const byId = new Map(found.map((row) => [row[by], Number(row['count'])]));
      all = all.map((row) => ({ ...row, [field]: byId.get(row.id) ?? 0 }));
    }
    return all;
  }

  /** A row as its schema says; one that is not is refused by name. */
  async function read(row: Row): Promise<Rows[Name]> {
    const [whole = row] = await counted([row]);
    const checked = schema.safeParse(shown(whole));
    if (checked.success) return checked.data;
    throw new ProblemError(
      'unreadable',
      `This ${one} is stored in a way that cannot be read: ${whatIsWrong(checked.error)}`,
      fieldProblems(checked.error),
    );
  }

  async function write(
    companyId: string,
    id: string,
    version: number,
    given: object,
    extra: object,
  ): Promise<Row> {
    const fields = upgrade(given);
    return db.transaction(async (trx) => {
      if (version === 0) {
        // On any unique key: sent twice at once, the second may meet (company, id) before it meets the id.
        const inserted = (await trx(table)
          .insert({ id, companyId, version: 1, ...extra, ...toColumns(fields) })
          .onConflict()
          .ignore()
          .returning('*')) as Row[];
        if (inserted[0]) return inserted[0];
      }
      const row = (await trx(table).where({ companyId, id }).forUpdate().first()) as Row | undefined;
      if (!row) throw missing();
      if (isDeepStrictEqual(contentOf(row), plain(fields))) return row;
      if (row.version !== version) {
        const [current = row] = await counted([row]);
        throw new ProblemError(
          'stale',
          `This ${one} was changed elsewhere in the meantime.`,
          [],
          shown(current),
        );
      }
      const [updated] = (await trx(table)
        .where({ companyId, id })
        .update({ ...toColumns(fields), version: version + 1, updatedAt: trx.fn.now() })
        .returning('*')) as Row[];
      if (!updated) throw missing();
      return updated;
    });
  }

  return {
    async list(companyId, where = {}) {
      const rows = (await db(table)
        .where({ companyId, ...where })
        .orderBy(orderOf(definition.ofJob).map((column) => ({ column })))) as Row[];
      const listed: Listed<Name> = { items: [], unreadable: [] };
      for (const row of await counted(rows)) {
        const checked = schema.safeParse(shown(row));
        if (checked.success) listed.items.push(checked.data);
        else listed.unreadable.push({ id: row.id, name: nameOf(row, one), why: whatIsWrong(checked.error) });
      }
      return listed;
    },

    async get(companyId, id) {
      const row = (await db(table).where({ companyId, id }).first()) as Row | undefined;
      if (!row) throw missing();
      return read(row);
    },

    async put(companyId, id, version, fields, given = {}) {
      await checkRoom(db, definition, companyId, id, fields);
      await checkReferences(db, definition, companyId, fields);
      const extra = Object.fromEntries(beside.map((field) => [field, given[field] ?? null]));
      try {
        // As a new row each time where rows stay: the same content is taken again, any other refused as stale.
        return await read(await write(companyId, id, appendOnly ? 0 : version, fields, extra));
      } catch (error) {
        throw referenceProblem(error, content) ?? error;
      }
    },

    async remove(companyId, id) {
      if (appendOnly) throw new ProblemError('in-use', `A ${one} stays. Write a new one that replaces it.`);
      await checkUnused(db, name, companyId, id);
      try {
        await db(table).where({ companyId, id }).delete();
      } catch (error) {
        if ((error as { code?: unknown }).code !== FOREIGN_KEY) throw error;
        throw new ProblemError(
          'in-use',
          `This ${one} is still used by a job. Choose another one there first.`,
        );
      }
    },
  };
}

/** Content as it comes back from jsonb: without undefined members. */
function plain(value: object): unknown {
  return JSON.parse(JSON.stringify(value));
}

const nameOf = (row: Row, one: string): string =>
  typeof row['name'] === 'string' && row['name'] !== '' ? row['name'] : `A ${one}`;

/** A reference to a row that is not there, as a problem at its field. */
function referenceProblem(error: unknown, content: readonly string[]): ProblemError | undefined {
  const { code, constraint } = error as { code?: unknown; constraint?: unknown };
  if (code !== FOREIGN_KEY) return undefined;
  const named = String(constraint).replaceAll('_', '');
  const field = content.find((one) => named.includes(one.toLowerCase())) ?? 'id';
  const message = `What ${field} names does not exist, or was deleted.`;
  return new ProblemError('bad-body', message, [{ field, message, code: 'reference' }]);
}
