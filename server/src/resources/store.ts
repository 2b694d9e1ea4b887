import { isDeepStrictEqual } from 'node:util';
import type { Database } from '../db/database';
import { ProblemError } from '../http/problems';

/** How the content of a resource lies in its table. */
export interface TableMap<Fields> {
  readonly table: string;
  readonly one: string;
  readonly columns: Readonly<Record<keyof Fields & string, string>>;
  /** Fields kept as jsonb. */
  readonly json: readonly (keyof Fields & string)[];
  /** What is written once beside the content, when the row is made, and shown with it: it is not compared. */
  readonly beside?: Readonly<Record<string, string>>;
  /** Brings content of an older form to the one of this program. */
  readonly read?: (fields: Fields) => Fields;
}

export type Stored<Fields> = Fields & {
  readonly id: string;
  readonly version: number;
  readonly createdAt: string;
  readonly updatedAt: string;
};

type Row = Record<string, unknown> & { id: string; version: number; created_at: Date; updated_at: Date };

const FOREIGN_KEY = '23503';

/** Rows of one company in one table, with idempotent writes and row versions. */
export interface Store<Fields> {
  list(
    companyId: string,
    where?: Record<string, unknown>,
    order?: readonly string[],
  ): Promise<Stored<Fields>[]>;
  get(companyId: string, id: string): Promise<Stored<Fields>>;
  /** Makes (version 0) or changes a row. The same content again changes nothing; a stale version is refused with the row as it stands. */
  put(
    companyId: string,
    id: string,
    version: number,
    fields: Fields,
    beside?: Readonly<Record<string, unknown>>,
  ): Promise<Stored<Fields>>;
  remove(companyId: string, id: string): Promise<void>;
}

export function createStore<Fields extends object>(db: Database, map: TableMap<Fields>): Store<Fields> {
  const names = Object.keys(map.columns) as (keyof Fields & string)[];

  function toRow(fields: Fields): Record<string, unknown> {
    return Object.fromEntries(
      names.map((name) => {
        const value = fields[name];
        return [map.columns[name], map.json.includes(name) && value !== null ? JSON.stringify(value) : value];
      }),
    );
  }
  function contentOf(row: Row): Fields {
    const fields = Object.fromEntries(names.map((name) => [name, row[map.columns[name]]])) as Fields;
    return map.read ? map.read(fields) : fields;
  }
  const besides = Object.entries(map.beside ?? {});
  function fromRow(row: Row): Stored<Fields> {
    return {
      ...contentOf(row),
      ...Object.fromEntries(besides.map(([name, column]) => [name, row[column] ?? null])),
      id: row.id,
      version: row.version,
      createdAt: row.created_at.toISOString(),
      updatedAt: row.updated_at.toISOString(),
    };
  }
  const missing = () => new ProblemError('not-found', `This ${map.one} does not exist, or was deleted.`);

  return {
    async list(companyId, where = {}, order = ['created_at', 'id']) {
      const rows = await db<Row>(map.table)
        .where({ company_id: companyId, ...where })
        .orderBy(order.map((column) => ({ column })));
      return rows.map(fromRow);
    },

    async get(companyId, id) {
      const row = (await db(map.table).where({ company_id: companyId, id }).first()) as Row | undefined;
      if (!row) throw missing();
      return fromRow(row);
    },

    async put(companyId, id, version, given, beside = {}) {
      const fields = map.read ? map.read(given) : given;
      const extra = Object.fromEntries(besides.map(([name, column]) => [column, beside[name] ?? null]));
      try {
        return await db.transaction(async (trx) => {
          if (version === 0) {
            // On any unique key: sent twice at once, the second may meet (company, id) before it meets the id.
            const inserted = (await trx(map.table)
              .insert({ id, company_id: companyId, version: 1, ...extra, ...toRow(fields) })
              .onConflict()
              .ignore()
              .returning('*')) as Row[];
            if (inserted[0]) return fromRow(inserted[0]);
          }
          const row = (await trx(map.table).where({ company_id: companyId, id }).forUpdate().first()) as
            Row | undefined;
          if (!row) throw missing();
          if (isDeepStrictEqual(contentOf(row), plain(fields))) return fromRow(row);
          if (row.version !== version) {
            throw new ProblemError(
              'stale',
              `This ${map.one} was changed elsewhere in the meantime.`,
              [],
              fromRow(row),
            );
          }
          const [updated] = (await trx(map.table)
            .where({ id })
            .update({ ...toRow(fields), version: version + 1, updated_at: trx.fn.now() })
            .returning('*')) as Row[];
          if (!updated) throw missing();
          return fromRow(updated);
        });
      } catch (error) {
        throw referenceProblem(error, map) ?? error;
      }
    },

    async remove(companyId, id) {
      try {
        await db(map.table).where({ company_id: companyId, id }).delete();
      } catch (error) {
        if ((error as { code?: unknown }).code === FOREIGN_KEY) {
          throw new ProblemError(
            'in-use',
            `This ${map.one} is still used by a job. Choose another one there first.`,
          );
        }
        throw error;
      }
    },
  };
}

/** Content as it comes back from jsonb: without undefined members. */
function plain(value: object): unknown {
  return JSON.parse(JSON.stringify(value));
}

/** A reference to a row that is not there, as a problem at its field. */
function referenceProblem<Fields>(error: unknown, map: TableMap<Fields>): ProblemError | undefined {
  const { code, constraint } = error as { code?: unknown; constraint?: unknown };
  if (code !== FOREIGN_KEY) return undefined;
  const field =
    Object.entries<string>(map.columns).find(([, column]) => String(constraint).includes(column))?.[0] ??
    'id';
  const message = `What ${field} names does not exist, or was deleted.`;
  return new ProblemError('bad-body', message, [{ field, message, code: 'reference' }]);
}
