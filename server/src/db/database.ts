import knex, { type Knex } from 'knex';
import * as kitAndJobs from './migrations/001-kit-and-jobs';
import * as places from './migrations/002-places';
import * as systems from './migrations/003-systems';
import * as prices from './migrations/004-prices';
import * as site from './migrations/005-site';
import * as log from './migrations/006-log';
import * as paintAge from './migrations/007-paint-age';
import * as hardener from './migrations/008-hardener';
import * as tombstones from './migrations/009-tombstones';

export type Database = Knex;

/** Migrations by name, in order. Named without extension so that TypeScript and bundled runs agree. */
const MIGRATIONS: Readonly<Record<string, Knex.Migration>> = {
  '001-kit-and-jobs': kitAndJobs,
  '002-places': places,
  '003-systems': systems,
  '004-prices': prices,
  '005-site': site,
  '006-log': log,
  '007-paint-age': paintAge,
  '008-hardener': hardener,
  '009-tombstones': tombstones,
};

const migrationSource: Knex.MigrationSource<string> = {
  getMigrations: () => Promise.resolve(Object.keys(MIGRATIONS)),
  getMigrationName: (name) => name,
  getMigration: (name) => {
    const migration = MIGRATIONS[name];
    if (!migration) throw new Error(`no migration ${name}`);
    return Promise.resolve(migration);
  },
};

/** `sprayerClass` as the database names it: `sprayer_class`. */
const columnOf = (field: string) => field.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`);
const fieldOf = (column: string) =>
  column.replace(/_([a-z])/g, (_match, letter: string) => letter.toUpperCase());

/** A row by the names of its fields; anything else as it is. */
function withFields(result: unknown): unknown {
  if (Array.isArray(result)) return result.map(withFields);
  if (typeof result !== 'object' || result === null || Object.getPrototypeOf(result) !== Object.prototype)
    return result;
  return Object.fromEntries(Object.entries(result).map(([column, value]) => [fieldOf(column), value]));
}

/** Opens a pool on a PostgreSQL address; nothing is asked of the server yet. */
export function openDatabase(url: string): Database {
  return knex({
    client: 'pg',
    connection: { connectionString: url, connectionTimeoutMillis: 4000 },
    pool: { min: 0, max: 10 },
    acquireConnectionTimeout: 5000,
    compileSqlOnError: false,
    // Columns have the names of their fields everywhere but in the database and its migrations.
    wrapIdentifier: (name, quote) => quote(columnOf(name)),
    postProcessResponse: withFields,
    // Failures reach the request that caused them and are logged there.
    log: {
      warn: () => undefined,
      error: () => undefined,
      deprecate: () => undefined,
      debug: () => undefined,
    },
    migrations: { migrationSource, tableName: 'schema_migration' },
  });
}

/** Brings the schema up to date. Safe to call from several instances at once: Knex holds its own lock. */
export async function migrate(db: Database): Promise<void> {
  await db.migrate.latest();
}
