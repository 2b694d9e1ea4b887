import knex, { type Knex } from 'knex';
import * as kitAndJobs from './migrations/001-kit-and-jobs';
import * as places from './migrations/002-places';
import * as systems from './migrations/003-systems';
import * as prices from './migrations/004-prices';
import * as site from './migrations/005-site';
import * as log from './migrations/006-log';

export type Database = Knex;

/** Migrations by name, in order. Named without extension so that TypeScript and bundled runs agree. */
const MIGRATIONS: Readonly<Record<string, Knex.Migration>> = {
  '001-kit-and-jobs': kitAndJobs,
  '002-places': places,
  '003-systems': systems,
  '004-prices': prices,
  '005-site': site,
  '006-log': log,
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

/** Opens a pool on a PostgreSQL address; nothing is asked of the server yet. */
export function openDatabase(url: string): Database {
  return knex({
    client: 'pg',
    connection: { connectionString: url, connectionTimeoutMillis: 4000 },
    pool: { min: 0, max: 10 },
    acquireConnectionTimeout: 5000,
    compileSqlOnError: false,
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
