import knex, { type Knex } from 'knex';
import { CompanyClient } from './companyClient';
import * as kitAndJobs from './migrations/001-kit-and-jobs';
import * as places from './migrations/002-places';
import * as systems from './migrations/003-systems';
import * as prices from './migrations/004-prices';
import * as site from './migrations/005-site';
import * as log from './migrations/006-log';
import * as paintAge from './migrations/007-paint-age';
import * as hardener from './migrations/008-hardener';
import * as tombstones from './migrations/009-tombstones';
import * as people from './migrations/010-people';
import * as changes from './migrations/011-changes';
import * as oldJobs from './migrations/012-old-jobs';
import * as sheets from './migrations/013-sheets';
import * as offers from './migrations/014-offers';
import * as schedules from './migrations/015-schedules';
import * as waysAndCompanies from './migrations/016-ways-and-companies';
import * as knobsAndPictures from './migrations/017-knobs-and-pictures';
import * as calendars from './migrations/018-calendars';
import * as practice from './migrations/019-practice';

export type Database = Knex;

/** Migrations by name, in order. Named without extension so that TypeScript and bundled runs agree. */
export const MIGRATIONS: Readonly<Record<string, Knex.Migration>> = {
  '001-kit-and-jobs': kitAndJobs,
  '002-places': places,
  '003-systems': systems,
  '004-prices': prices,
  '005-site': site,
  '006-log': log,
  '007-paint-age': paintAge,
  '008-hardener': hardener,
  '009-tombstones': tombstones,
  '010-people': people,
  '011-changes': changes,
  '012-old-jobs': oldJobs,
  '013-sheets': sheets,
  '014-offers': offers,
  '015-schedules': schedules,
  '016-ways-and-companies': waysAndCompanies,
  '017-knobs-and-pictures': knobsAndPictures,
  '018-calendars': calendars,
  '019-practice': practice,
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

/** A function of names, each worked out once: there are few, and every row has them all. */
function once(work: (name: string) => string): (name: string) => string {
  const known = new Map<string, string>();
  return (name) => {
    let found = known.get(name);
    if (found === undefined) known.set(name, (found = work(name)));
    return found;
  };
}

/** `sprayerClass` as the database names it: `sprayer_class`. */
const columnOf = once((field) => field.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`));
const fieldOf = once((column) =>
  column.replace(/_([a-z])/g, (_match, letter: string) => letter.toUpperCase()),
);

/** A row by the names of its fields; anything else as it is. */
function withFields(result: unknown): unknown {
  if (Array.isArray(result)) return result.map(withFields);
  if (typeof result !== 'object' || result === null || Object.getPrototypeOf(result) !== Object.prototype)
    return result;
  const row: Record<string, unknown> = {};
  for (const column in result) row[fieldOf(column)] = (result as Readonly<Record<string, unknown>>)[column];
  return row;
}

/** How long the database tries, ms: a statement, for the lock of another, and with nothing to do in a transaction. */
const PATIENCE = {
  statement_timeout: 15_000,
  lock_timeout: 5000,
  idle_in_transaction_session_timeout: 15_000,
};

/**
 * What a connection sees of the rows of companies, which the database keeps apart (migration 011): none until a transaction says
 * which company's (`seeing`); people, their devices and ways in, for who signs in; or all of them, for who looks after the data.
 */
type Sees = 'nothing' | 'the door' | 'everything';
export const SEEN_AS: Readonly<Record<Sees, string>> = { nothing: '', 'the door': 'door', everything: '*' };

interface Opening {
  /** `endless` for what may take its time with nobody waiting: migrations. */
  readonly patience?: 'of a request' | 'endless';
  readonly sees?: Sees;
}

/** Lets a transaction see the rows of one company, and no others; or what another of `Sees` is called. */
export async function seeing(trx: Database, companyId: string): Promise<void> {
  await trx.raw("select set_config('fine_spray.company', ?, true)", [companyId]);
}

/** Opens a pool on a PostgreSQL address; nothing is asked of the server yet. */
export function openDatabase(
  url: string,
  { patience = 'of a request', sees = 'nothing' }: Opening = {},
): Database {
  return knex({
    client: CompanyClient,
    // The oldest PostgreSQL this runs on; what asks Knex for a version gets this one.
    version: '15',
    connection: {
      connectionString: url,
      connectionTimeoutMillis: 4000,
      ...(patience === 'endless' ? {} : PATIENCE),
      ...(sees === 'nothing' ? {} : { options: `-c fine_spray.company=${SEEN_AS[sees]}` }),
    },
    pool: { min: 0, max: sees === 'the door' ? 5 : 10 },
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

/** Why a database is left alone, in a sentence for whoever started the program. */
export class NotForUs extends Error {}

/** Names the lock that one who migrates holds, so that others wait: any number, the same in every version. */
const MIGRATING = 7_213_004;

/**
 * Brings the schema up to date. Several instances may begin at once: one does it, the others wait. One that was cut off leaves
 * nothing that stops the next.
 * @param before awaited when there is something in it that is going to be changed
 * @throws NotForUs where a newer program has been at work
 */
export async function migrate(url: string, before?: () => Promise<unknown>): Promise<void> {
  const db = openDatabase(url, { patience: 'endless', sees: 'everything' });
  try {
    await db.transaction(async (trx) => {
      await trx.raw('select pg_advisory_xact_lock(?)', [MIGRATING]);
      await refuseNewer(db);
      // Ours is the only one at work, so a lock of Knex's that is there was left by one that was cut off.
      await db.migrate.forceFreeMigrationsLock();
      const [done, pending] = (await db.migrate.list()) as [unknown[], unknown[]];
      if (pending.length > 0) {
        if (done.length > 0) await before?.();
        await db.migrate.latest();
      }
      await changes.putRight(db);
    });
  } finally {
    await db.destroy();
  }
}

/** Refuses a database that has been through migrations this program does not have. */
async function refuseNewer(db: Database): Promise<void> {
  if (!(await db.schema.hasTable('schema_migration'))) return;
  const done = await db('schema_migration').select<{ name: string }[]>('name');
  const unknown = done.find(({ name }) => !(name in MIGRATIONS));
  if (unknown)
    throw new NotForUs(
      `The data were last used by a newer Fine Spray (it has been through "${unknown.name}"). Bring this program up to date; nothing was changed.`,
    );
}
