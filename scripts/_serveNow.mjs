import net from 'node:net';
import { networkInterfaces } from 'node:os';
import path from 'node:path';
import { APP_DIST } from './lib/build.mjs';
import { KINDS, backUp, eachNight } from './lib/backups.mjs';
import { startCluster } from './lib/cluster.mjs';
import { backupsOf } from './lib/clusterFolder.mjs';
import { takeLock } from './lib/lock.mjs';
import { ensureNodePackages, ensurePostgres, postgresPrograms } from './lib/packages.mjs';
import { ROOT, clusterFolder, dataFolder } from './lib/paths.mjs';
import { main, say, stop } from './lib/say.mjs';
import { keepServing } from './lib/serverProcess.mjs';
import { isLoopback, settingsFrom } from './lib/settings.mjs';

/** Fails early, before anything is started, when the port is taken. */
function checkPort(port, host) {
  return new Promise((resolve) => {
    const probe = net.createServer();
    probe.once('error', (error) => resolve(error.code));
    probe.listen(port, host, () => probe.close(() => resolve(undefined)));
  }).then((code) => {
    if (code === 'EADDRINUSE')
      stop(`Port ${port} is taken by another program. Choose another: PORT=${port + 1} npm start`);
    if (code === 'EACCES')
      stop(
        `Port ${port} is for the system's own programs. Choose one above 1023, and put a proxy before it.`,
      );
    if (code === 'EADDRNOTAVAIL') stop(`This machine has no address ${host}. Set HOST to one it has.`);
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

/** Where people find it: a line for the terminal, and a code for phones that can reach it. */
async function sayAddress(address, { host, port, publicUrl }) {
  say(`Fine Spray is at ${publicUrl ?? address}  (Ctrl-C stops it)`);
  if (publicUrl === undefined && isLoopback(host)) return;
  const reached = publicUrl ?? `http://${host === '0.0.0.0' || host === '::' ? ownAddress() : host}:${port}`;
  const { toString } = await import('qrcode');
  say(
    `Phones that reach this machine open ${reached}\n${await toString(reached, { type: 'terminal', small: true })}`,
  );
}

/** The first address of this machine that others can reach. */
const ownAddress = () =>
  Object.values(networkInterfaces())
    .flat()
    .find((one) => one?.family === 'IPv4' && !one.internal)?.address ?? '127.0.0.1';

await main(async () => {
  const settings = settingsFrom(process.env);
  const { port, host } = settings;
  await checkPort(port, host);
  await ensureNodePackages();
  await 0;

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
  try {
    say('Bringing the database up to date …');
    const options = {
      ...settings,
      databaseUrl: db.url,
      applicationFolder: APP_DIST,
      demoFolder: path.join(ROOT, 'demo'),
    };
    serving = await keepServing(options, async () => {
      say('Backing up before the database is changed …');
      await db.backUp(KINDS.migration);
    });
  } catch (error) {
    await db.stop();
    if (error.code === 'EADDRINUSE')
      stop(`Port ${port} is taken by another program. Choose another: PORT=${port + 1} npm start`);
    if (process.env.FINE_SPRAY_DEBUG) throw error;
    if (error.plain) stop(error.message);
    stop(
      `The database could not be used: ${error.message}.${process.env.DATABASE_URL ? ' Check DATABASE_URL.' : ''}`,
    );
  }
  await sayAddress(serving.address, settings);
  const said = await Promise.race([
    signalled,
    db.ended.then((last) => `PostgreSQL ended again and again, so Fine Spray stopped. It said: ${last}.`),
    serving.ended.then((last) => last && `The server ended again and again, so Fine Spray stopped: ${last}.`),
  ]);
  await serving.stop();
  await db.stop();
  if (!asked) stop(`${said} What was stored is there; the backups are in ${backupsOf(clusterFolder())}.`);
  say('Stopped.');
  process.exit(0);
});
