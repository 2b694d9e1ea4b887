import net from 'node:net';
import path from 'node:path';
import { ensureBuilt, APP_DIST } from './lib/build.mjs';
import { KINDS, backUp, eachNight } from './lib/backups.mjs';
import { startCluster } from './lib/cluster.mjs';
import { backupsOf } from './lib/clusterFolder.mjs';
import { takeLock } from './lib/lock.mjs';
import { ensureNodePackages, ensurePostgres, postgresPrograms } from './lib/packages.mjs';
import { ROOT, clusterFolder, dataFolder } from './lib/paths.mjs';
import { main, say, stop } from './lib/say.mjs';

const DEFAULT_PORT = 4380;

function portWanted() {
  const text = process.env.PORT ?? String(DEFAULT_PORT);
  const port = Number(text);
  if (!/^\d+$/.test(text) || port < 1 || port > 65535)
    stop(`PORT must be a number from 1 to 65535; it is "${text}".`);
  return port;
}

/** Fails early, before anything is started, when the port is taken. */
function checkPort(port) {
  return new Promise((resolve) => {
    const probe = net.createServer();
    probe.once('error', (error) => resolve(error.code));
    probe.listen(port, '127.0.0.1', () => probe.close(() => resolve(undefined)));
  }).then((code) => {
    if (code === 'EADDRINUSE')
      stop(`Port ${port} is taken by another program. Choose another: PORT=${port + 1} npm start`);
    if (code) stop(`Port ${port} cannot be used (${code}). Choose another with PORT.`);
  });
}

/** The database: DATABASE_URL, or a PostgreSQL of our own in the data folder, with its backups. */
async function database() {
  if (process.env.DATABASE_URL)
    return {
      url: process.env.DATABASE_URL,
      ended: new Promise(() => undefined),
      backUp: (kind) =>
        backUp(
          { url: process.env.DATABASE_URL, programs: postgresPrograms() },
          backupsOf(clusterFolder()),
          kind,
        ),
      stop: async () => undefined,
    };
  await ensurePostgres();
  const release = takeLock(dataFolder());
  try {
    say('Starting PostgreSQL …');
    const cluster = await startCluster(clusterFolder());
    const folder = backupsOf(clusterFolder());
    const make = (kind) => backUp({ url: cluster.databaseAsAdmin, programs: cluster.programs }, folder, kind);
    const endNights = eachNight(folder, () =>
      make(KINDS.night).catch((error) => say(`The backup of this night could not be made: ${error.message}`)),
    );
    return {
      url: cluster.url,
      ended: cluster.ended,
      backUp: make,
      stop: async () => {
        endNights();
        await cluster.stop();
        release();
      },
    };
  } catch (error) {
    release();
    throw error;
  }
}

await main(async () => {
  const port = portWanted();
  await checkPort(port);
  await ensureNodePackages();
  await ensureBuilt();

  let asked = false;
  let askedWhile = () => undefined;
  const signalled = new Promise((resolve) => (askedWhile = resolve));
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) {
    process.on(signal, () => {
      if (!asked) say('Stopping …');
      asked = true;
      askedWhile();
    });
  }

  const db = await database();
  let serving;
  let server;
  try {
    server = await import('../server/dist/index.js');
    say('Bringing the database up to date …');
    serving = await server.serve({
      port,
      databaseUrl: db.url,
      applicationFolder: APP_DIST,
      demoFolder: path.join(ROOT, 'demo'),
      beforeMigration: async () => {
        say('Backing up before the database is changed …');
        await db.backUp(KINDS.migration);
      },
      say,
    });
  } catch (error) {
    await db.stop();
    if (error.code === 'EADDRINUSE')
      stop(`Port ${port} is taken by another program. Choose another: PORT=${port + 1} npm start`);
    if (process.env.FINE_SPRAY_DEBUG) throw error;
    if (server && error instanceof server.NotForUs) stop(error.message);
    const said = error.errors?.[0]?.message ?? error.message;
    stop(
      `The database could not be used: ${said || error.code}.${process.env.DATABASE_URL ? ' Check DATABASE_URL.' : ''}`,
    );
  }
  say(`Fine Spray is at ${serving.address}  (Ctrl-C stops it)`);
  const said = await Promise.race([signalled, db.ended]);
  await serving.stop();
  await db.stop();
  if (!asked)
    stop(
      `PostgreSQL ended again and again, so Fine Spray stopped. It said: ${said}. What was stored is there; the backups are in ${backupsOf(clusterFolder())}.`,
    );
  say('Stopped.');
  process.exit(0);
});
