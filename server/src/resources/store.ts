import { isDeepStrictEqual } from 'node:util';
import {
  ANSWER_LENGTH,
  CHANGES_AT_ONCE,
  RESOURCES,
  fieldProblems,
  whatIsWrong,
  withPricesOf,
  withoutPrices,
  type Contents,
  type Fixed,
  type PageQuery,
  type ResourceName,
  type Rows,
  type Tombstone,
  type Unreadable,
} from '@fine-spray/contract';
import type { z } from 'zod';
import type { Database } from '../db/database';
import { ProblemError } from '../http/problems';
import { checkOwner } from '../people/owners';
import { CheckedRows } from './checkedRows';
import { checkReferences, checkRoom, checkUnused } from './checks';

/** A row as Knex gives it: columns by the names of their fields. */
type Row = Readonly<Record<string, unknown>> & {
  readonly id: string;
  readonly version: number;
  readonly createdAt: Date;
  readonly updatedAt: Date;
};

/** A row to append, with what stands beside its content. */
export interface Appended<Name extends ResourceName> {
  readonly id: string;
  readonly content: Contents[Name];
  readonly beside?: Readonly<Record<string, unknown>>;
}

/** What is left of a deleted row, as Knex gives it. */
interface Left {
  readonly id: string;
  readonly version: number;
  readonly deletedAt: Date;
}

/** Rows of a list, and those that are not as their schema says: the list goes on without them. */
export interface Listed<Name extends ResourceName> {
  readonly items: Rows[Name][];
  readonly unreadable: Unreadable[];
}

/** A page of rows, those stored last first, and from where the next goes on. */
export interface Paged<Name extends ResourceName> extends Listed<Name> {
  readonly next: string | null;
}

/**
 * Rows of one company in one table, with idempotent writes and row versions. What writes belongs into a transaction of
 * `writing`, so that what it checks still holds when it is done.
 */
export interface Store<Name extends ResourceName> {
  list(companyId: string, where?: Readonly<Record<string, string | null>>): Promise<Listed<Name>>;
  /** Rows by their ids; those that are not there are left out. */
  some(companyId: string, ids: readonly string[]): Promise<Listed<Name>>;
  /** A page of a long list, from where the one before ended; of one job, or of none, where that is asked for. */
  page(companyId: string, asked: PageQuery): Promise<Paged<Name>>;
  get(companyId: string, id: string): Promise<Rows[Name]>;
  /** Refuses where there is no such row. */
  find(companyId: string, id: string): Promise<void>;
  /**
   * Makes (version 0) or changes a row. The same content again changes nothing; a stale version is refused with the row as it
   * stands, or with what is left of it where it was deleted. Over the version of what is left the row comes back.
   */
  put(companyId: string, id: string, version: number, content: Contents[Name]): Promise<Rows[Name]>;
  /**
   * Makes rows that stay as they are, in one statement. Each is answered for itself: the row, also where it was there with the
   * same content, or why not. It throws where the database cannot hold one of them.
   */
  append(companyId: string, rows: readonly Appended<Name>[]): Promise<(Rows[Name] | ProblemError)[]>;
  /** Deletes a version of a row; a row that is not there is deleted, another version is refused with the row as it stands. */
  remove(companyId: string, id: string, version: number): Promise<void>;
}

const FOREIGN_KEY = '23503';

/** The order people gave rows, where they have one, or the one they were made in. */
const orderOf = (content: readonly string[]) => [
  ...(content.includes('position') ? ['position'] : []),
  'createdAt',
  'id',
];

/** Whether who reads and writes rows has to do with prices: else they see none, and those that are stored stay. */
export type Prices = 'with prices' | 'without prices';

const CHECKED = new CheckedRows();

/** The rows of a resource on a database or within a transaction; everything about it follows from its definition. */
export function storeOf<Name extends ResourceName>(
  db: Database,
  name: Name,
  prices: Prices = 'with prices',
): Store<Name> {
  const definition = RESOURCES[name];
  const {
    one,
    table,
    content,
    documents,
    appendOnly,
    unique,
    fixed,
    byServer = [],
    beside = [],
    counts = {},
  } = definition;
  const schema = definition.row as unknown as z.ZodType<Rows[Name]>;
  const upgrade = definition.read as (given: object) => object;
  const missing = () => new ProblemError('not-found', `This ${one} does not exist, or was deleted.`);

  const isDocument = new Set<string>(documents);
  const toColumns = (fields: object): Record<string, unknown> => {
    const columns: Record<string, unknown> = {};
    for (const field of content) {
      const value = (fields as Readonly<Record<string, unknown>>)[field] ?? null;
      // The driver would take a list for one of PostgreSQL's own.
      columns[field] = value !== null && isDocument.has(field) ? JSON.stringify(value) : value;
    }
    return columns;
  };
  const contentOf = (row: Row): object => {
    const own: Record<string, unknown> = {};
    for (const field of content) own[field] = row[field];
    return upgrade(own);
  };
  /** Whether a row says what was given, but for what is the server's word. */
  const says = (row: Row, given: object): boolean => {
    const without = (one: object) =>
      Object.fromEntries(Object.entries(one).filter(([field]) => !byServer.includes(field)));
    return isDeepStrictEqual(without(contentOf(row)), without(plain(given) as object));
  };
  const seen = (content: object): object =>
    prices === 'with prices' ? content : withoutPrices(name, content);
  const counting = Object.keys(counts);
  const shown = (row: Row): object => {
    const { id, version, createdAt, updatedAt } = row;
    const others: Record<string, unknown> = {};
    for (const field of beside) others[field] = row[field] ?? null;
    for (const field of counting) others[field] = row[field];
    const stored = { id, version, createdAt: createdAt.toISOString(), updatedAt: updatedAt.toISOString() };
    return { ...seen(contentOf(row)), ...others, ...stored };
  };

  /** A row held against its schema. The log is long, and each of its entries is read once: no state of it is kept. */
  const checked = (row: Row) => {
    const check = () => schema.safeParse(shown(row));
    if (appendOnly) return check();
    const { id, version, companyId, changed } = row as Row &
      Readonly<Record<'companyId' | 'changed', string>>;
    const state = [name, companyId, id, version, changed, prices, ...counting.map((field) => row[field])];
    return CHECKED.once(state.join(' '), check);
  };

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
    const found = checked(whole);
    if (found.success) return found.data;
    throw new ProblemError(
      'unreadable',
      `This ${one} is stored in a way that cannot be read: ${whatIsWrong(found.error)}`,
      fieldProblems(found.error),
    );
  }

  const rowOf = (companyId: string, id: string) =>
    db(table).where({ companyId, id }).first() as Promise<Row | undefined>;
  const leftOf = (companyId: string, id: string) =>
    db('tombstone').where({ companyId, resource: name, id }).first() as Promise<Left | undefined>;

  /** A row that stands in the way of a write. */
  async function inTheWay(row: Row, sentence: string): Promise<ProblemError> {
    const [current = row] = await counted([row]);
    return new ProblemError('stale', sentence, [], shown(current));
  }

  /** What is left of a row stands in the way of a write over an older version. */
  const wasDeleted = ({ id, version, deletedAt }: Left) =>
    new ProblemError('stale', `This ${one} was deleted elsewhere in the meantime.`, [], {
      id,
      version,
      deletedAt: deletedAt.toISOString(),
    } satisfies Tombstone);

  /** Another row that has what only one may have. */
  async function twin(companyId: string, id: string, fields: object): Promise<Row | undefined> {
    if (!unique) return undefined;
    const values = unique.fields.map((field) => (fields as Readonly<Record<string, unknown>>)[field] ?? null);
    if (values.includes(null)) return undefined;
    const same = Object.fromEntries(unique.fields.map((field, index) => [field, values[index]]));
    return db(table)
      .where({ companyId, ...same })
      .whereNot({ id })
      .first() as Promise<Row | undefined>;
  }

  async function write(companyId: string, id: string, version: number, given: object): Promise<Row> {
    const row = await rowOf(companyId, id);
    const written = upgrade(given);
    const fields =
      prices === 'with prices' ? written : withPricesOf(name, written, row ? contentOf(row) : undefined);
    if (row && says(row, fields)) return row;
    if (row && row.version !== version)
      throw await inTheWay(row, `This ${one} was changed elsewhere in the meantime.`);
    if (row && fixed) checkFixed(fixed, contentOf(row), fields);
    const left = row ? undefined : await leftOf(companyId, id);
    if (left && left.version !== version) throw wasDeleted(left);
    if (!row && !left && version !== 0) throw missing();
    const other = await twin(companyId, id, fields);
    if (other && unique) throw await inTheWay(other, unique.sentence);
    if (left) await db('tombstone').where({ companyId, resource: name, id }).delete();
    const columns = { ...toColumns(fields), version: version + 1 };
    const [now] = (
      row
        ? await db(table)
            .where({ companyId, id })
            .update({ ...columns, updatedAt: db.fn.now() })
            .returning('*')
        : await db(table)
            .insert({ id, companyId, ...columns })
            .returning('*')
    ) as Row[];
    if (!now) throw missing();
    return now;
  }

  /** Inserts those that are not there yet. */
  async function insertNew(
    companyId: string,
    given: readonly Appended<Name>[],
  ): Promise<ReadonlyMap<string, Row>> {
    const columns = given.map(({ id, content: fields, beside: extra = {} }) => {
      const own: Record<string, unknown> = { id, companyId, version: 1, ...toColumns(upgrade(fields)) };
      for (const field of beside) own[field] = extra[field] ?? null;
      return own;
    });
    const insertion = db(table).insert(columns).onConflict(['companyId', 'id']).ignore().returning('*');
    // One by itself is the same statement each time: the database plans it once for a connection.
    const inserted = (await (given.length === 1
      ? insertion.options({ name: `append ${table}` })
      : insertion)) as Row[];
    return new Map(inserted.map((row) => [row.id, row]));
  }

  /** What is answered to one that is to be made and is there: the row, where it says the same, or why not. */
  async function asItWasThere(
    row: Row | undefined,
    fields: Contents[Name],
  ): Promise<Rows[Name] | ProblemError> {
    if (!row) return missing();
    try {
      if (says(row, upgrade(fields))) return await read(row);
    } catch (error) {
      // It is there, though nobody can read it: said of this one.
      if (error instanceof ProblemError) return error;
      throw error;
    }
    return inTheWay(row, `Another ${one} is stored under this id.`);
  }

  /** Rows as their schema says, and which of them are not. */
  async function readAll(rows: readonly Row[]): Promise<Listed<Name>> {
    const listed: Listed<Name> = { items: [], unreadable: [] };
    for (const row of await counted(rows)) {
      const found = checked(row);
      if (found.success) listed.items.push(found.data);
      else listed.unreadable.push({ id: row.id, name: nameOf(row, one), why: whatIsWrong(found.error) });
    }
    return listed;
  }

  return {
    async list(companyId, where = {}) {
      const rows = (await db(table)
        .where({ companyId, ...where })
        .orderBy(orderOf(content).map((column) => ({ column })))) as Row[];
      return readAll(rows);
    },

    async some(companyId, ids) {
      return readAll((await db(table).where({ companyId }).whereIn('id', ids)) as Row[]);
    },

    async page(companyId, { before, job }) {
      const query = db(table)
        .where({ companyId, ...(job === undefined ? {} : { jobId: job === 'none' ? null : job }) })
        .limit(CHANGES_AT_ONCE);
      if (before !== undefined) void query.whereRaw('(changed, id) < (?::xid8, ?::uuid)', placeOf(before));
      const rows = (await query.orderBy([
        { column: 'changed', order: 'desc' },
        { column: 'id', order: 'desc' },
      ])) as Row[];
      let length = 0;
      const over = rows.findIndex((row, index) => {
        length += JSON.stringify(row).length;
        return index > 0 && length > ANSWER_LENGTH;
      });
      const some = over === -1 ? rows : rows.slice(0, over);
      const last = some.at(-1);
      const more = last !== undefined && (over !== -1 || rows.length === CHANGES_AT_ONCE);
      return { ...(await readAll(some)), next: more ? `${String(last['changed'])}.${last.id}` : null };
    },

    async get(companyId, id) {
      const row = await rowOf(companyId, id);
      if (!row) throw missing();
      return read(row);
    },

    async find(companyId, id) {
      if (!(await db(table).where({ companyId, id }).first('id'))) throw missing();
    },

    async put(companyId, id, version, fields) {
      if (appendOnly) throw new Error(`a ${one} is appended`);
      await checkRoom(db, definition, companyId, id, fields);
      await checkReferences(db, definition, companyId, fields);
      try {
        const row = await write(companyId, id, version, fields);
        if (name === 'people') await checkOwner(db, companyId);
        return await read(row);
      } catch (error) {
        throw referenceProblem(error, content) ?? error;
      }
    },

    async append(companyId, given) {
      if (given.length === 0) return [];
      const made = await insertNew(companyId, given);
      const there = given.map(({ id }) => id).filter((id) => !made.has(id));
      const found =
        there.length === 0 ? [] : ((await db(table).where({ companyId }).whereIn('id', there)) as Row[]);
      const known = new Map(found.map((row) => [row.id, row]));
      const twice = new Set(given.map(({ id }) => id)).size < given.length;
      const answers: (Rows[Name] | ProblemError)[] = [];
      for (const { id, content: fields } of given) {
        const row = made.get(id);
        // What was checked on its way in is not checked again on its way back.
        if (row && (!twice || says(row, upgrade(fields)))) answers.push(shown(row) as Rows[Name]);
        else answers.push(await asItWasThere(row ?? known.get(id), fields));
      }
      return answers;
    },

    async remove(companyId, id, version) {
      if (appendOnly) throw new ProblemError('in-use', `A ${one} stays. Write a new one that replaces it.`);
      const row = await rowOf(companyId, id);
      if (!row) return;
      if (row.version !== version)
        throw await inTheWay(row, `This ${one} was changed elsewhere in the meantime. It is not deleted.`);
      await checkUnused(db, name, companyId, id);
      try {
        await db(table).where({ companyId, id }).delete();
        if (name === 'people') await checkOwner(db, companyId);
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

/** Where a page ended: the transaction and the id of its last row. */
function placeOf(before: string): readonly [string, string] {
  const found = /^(\d{1,19})\.([0-9a-f-]{36})$/.exec(before);
  const [, changed, id] = found ?? [];
  if (changed !== undefined && id !== undefined) return [changed, id];
  const message = 'This is not the next of a page.';
  throw new ProblemError('bad-body', message, [{ field: 'before', message, code: 'page' }]);
}

/** Content as it comes back from jsonb: without undefined members. */
function plain(value: object): unknown {
  return JSON.parse(JSON.stringify(value));
}

/** Refuses to change what stays as it is. */
function checkFixed({ unless, but, sentence }: Fixed, before: object, after: object): void {
  const [was, now] = [before, plain(after)] as Readonly<Record<string, unknown>>[];
  if (!was || !now || was[unless.field] === unless.is) return;
  const changed = Object.keys(was).filter(
    (field) => !but.includes(field) && !isDeepStrictEqual(was[field], now[field]),
  );
  if (now[unless.field] === unless.is) changed.unshift(unless.field);
  if (changed.length > 0)
    throw new ProblemError(
      'bad-body',
      sentence,
      changed.map((field) => ({ field, message: sentence, code: 'fixed' })),
    );
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
