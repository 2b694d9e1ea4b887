import { randomBytes } from 'node:crypto';
import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import net from 'node:net';
import path from 'node:path';
import { ADMIN, ensureMade, giveToPostgres, makeAnew, ownedFolder, programsFor } from './clusterFolder.mjs';
import { postgresPrograms } from './packages.mjs';
import { keepRunning, runningPort } from './postmaster.mjs';
import { run } from './run.mjs';
import { stop } from './say.mjs';

const DATABASE = 'fine_spray';
/** Who the program comes in as: it owns the tables of its database, and nothing else. */
export const PROGRAM = 'fine_spray_program';

/** A free port on loopback. */
export function freePort() {
  return new Promise((resolve, reject) => {
    const server = net.createServer();
    server.on('error', reject);
    server.listen(0, '127.0.0.1', () => {
      const { port } = server.address();
      server.close(() => resolve(port));
    });
  });
}

const passwordIn = (folder, name) => readFileSync(path.join(folder, name), 'utf8').trim();

/** Addresses of a cluster that runs: for whoever may do everything, and for the program. */
function addressesOf(folder, programs, port) {
  const at = (user, name, database) =>
    `postgres://${user}:${passwordIn(folder, name)}@127.0.0.1:${port}/${database}`;
  return {
    programs,
    adminUrl: at(ADMIN, 'password', 'postgres'),
    /** The database as whoever may do everything sees it: for a dump of all of it. */
    databaseAsAdmin: at(ADMIN, 'password', DATABASE),
    get url() {
      return at(PROGRAM, 'program-password', DATABASE);
    },
  };
}

/** A cluster that runs from a folder already, by another process; undefined where none does. */
export function runningCluster(folder) {
  const port = runningPort(folder);
  return port === undefined ? undefined : addressesOf(folder, programsFor(folder), port);
}

/**
 * Starts our own PostgreSQL from a folder on a free loopback port and keeps it running; makes the folder on the first start.
 * `throwAway` trades durability for speed. Returns its addresses, what to call to stop it, and a promise that resolves when it
 * cannot be kept running any more.
 */
export async function startCluster(folder, { throwAway = false } = {}) {
  if (!postgresPrograms()) stop('PostgreSQL is missing.');
  await ownedFolder(folder);
  await ensureMade(folder);
  const programs = programsFor(folder);
  const port = await freePort();
  const kept = await keepRunning(programs, folder, port, [
    'listen_addresses=127.0.0.1',
    'unix_socket_directories=',
    'max_connections=60',
    ...(throwAway ? ['fsync=off', 'full_page_writes=off'] : []),
  ]);
  const addresses = addressesOf(folder, programs, port);
  try {
    await ensureProgramRole(addresses, folder);
    await ensureDatabase(addresses, DATABASE);
  } catch (error) {
    await kept.stop();
    throw error;
  }
  return { ...addresses, url: addresses.url, ended: kept.ended, stop: kept.stop };
}

/** Runs SQL as whoever may do everything; what it answers, or a sentence that it could not. */
export async function asAdmin({ programs, adminUrl }, sql, database = 'postgres') {
  const url = new URL(adminUrl);
  const { code, output } = await run(
    path.join(programs, 'psql'),
    ['-h', url.hostname, '-p', url.port, '-U', url.username, '-d', database, '-Atq', '-v', 'ON_ERROR_STOP=1'],
    { quiet: true, env: { ...process.env, PGPASSWORD: url.password }, input: sql },
  );
  if (code !== 0) stop(`The database could not be made ready: ${output.trim().split('\n')[0]}`);
  return output.trim();
}

async function ensureProgramRole(addresses, folder) {
  const file = path.join(folder, 'program-password');
  if (!existsSync(file)) {
    writeFileSync(file, randomBytes(18).toString('hex'), { mode: 0o600 });
    await giveToPostgres(file);
  }
  const password = passwordIn(folder, 'program-password');
  await asAdmin(
    addresses,
    `do $$ begin
      if not exists (select from pg_roles where rolname = '${PROGRAM}') then create role ${PROGRAM} login; end if;
    end $$;
    alter role ${PROGRAM} nosuperuser nocreatedb nocreaterole noreplication nobypassrls password '${password}';`,
  );
}

/** A database whose tables are the program's; those that an older version left to the administrator are handed over. */
export async function ensureDatabase(addresses, name) {
  const there = await asAdmin(addresses, `select 1 from pg_database where datname = '${name}'`);
  if (there !== '1') await asAdmin(addresses, `create database ${name}`);
  await asAdmin(
    addresses,
    `alter schema public owner to ${PROGRAM};
    revoke all on database ${name} from public;
    grant connect on database ${name} to ${PROGRAM};
    do $$ declare one record; begin
      for one in select format('alter table %s owner to ${PROGRAM}', oid::regclass) as command from pg_class
        where relnamespace = 'public'::regnamespace and relkind in ('r', 'p', 'v') and relowner <> '${PROGRAM}'::regrole
        union all select format('alter function %s owner to ${PROGRAM}', oid::regprocedure) from pg_proc
        where pronamespace = 'public'::regnamespace and proowner <> '${PROGRAM}'::regrole
      loop execute one.command; end loop;
    end $$;`,
    name,
  );
}

/** A folder with an initialised cluster that was never started, for `FINE_SPRAY_NEW_CLUSTER`. */
export const newCluster = makeAnew;

/** A cluster in a new folder that is removed when it stops: for tests. */
export async function throwAwayCluster(folder) {
  const cluster = await startCluster(folder, { throwAway: true });
  return {
    ...cluster,
    async stop() {
      await cluster.stop();
      rmSync(folder, { recursive: true, force: true });
    },
  };
}
