import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import net from 'node:net';
import path from 'node:path';
import { ensureBuilt, APP_DIST } from './lib/build.mjs';
import { startCluster } from './lib/cluster.mjs';
import { ensureNodePackages, ensurePostgres } from './lib/packages.mjs';
import { ROOT, dataFolder } from './lib/paths.mjs';
import { stillRuns } from './lib/run.mjs';
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

/** One start at a time from one data folder. */
function takeLock(folder) {
  const file = path.join(folder, 'start.pid');
  try {
    mkdirSync(folder, { recursive: true, mode: 0o755 });
    if (existsSync(file)) {
      const pid = Number(readFileSync(file, 'utf8'));
      if (pid !== process.pid && stillRuns(pid, 'start.mjs')) {
        stop(
          `Fine Spray already runs from ${folder} (process ${pid}). Stop it first, or choose another folder with FINE_SPRAY_HOME.`,
        );
      }
    }
    writeFileSync(file, String(process.pid));
  } catch (error) {
    if (error.code)
      stop(
        `The data folder ${folder} cannot be written (${error.code}). Choose another with FINE_SPRAY_HOME.`,
      );
    throw error;
  }
  return () => rmSync(file, { force: true });
}

/** The database: DATABASE_URL, or a PostgreSQL of our own in the data folder. */
async function database() {
  if (process.env.DATABASE_URL)
    return {
      url: process.env.DATABASE_URL,
      ended: new Promise(() => undefined),
      stop: async () => undefined,
    };
  await ensurePostgres();
  const folder = dataFolder();
  const release = takeLock(folder);
  try {
    say('Starting PostgreSQL …');
    const cluster = await startCluster(path.join(folder, 'postgres'));
    return {
      ...cluster,
      stop: async () => {
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
  const why = await Promise.race([signalled.then(() => 'asked'), db.ended.then(() => 'database')]);
  await serving.stop();
  await db.stop();
  if (why === 'database' && !asked)
    stop('PostgreSQL ended by itself, so Fine Spray stopped. Nothing stored is lost; start it again.');
  say('Stopped.');
  process.exit(0);
});
