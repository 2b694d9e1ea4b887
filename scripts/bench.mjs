import { spawn } from 'node:child_process';
import { chmodSync, mkdirSync, mkdtempSync, readFileSync, readdirSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { pathToFileURL } from 'node:url';
import { gzipSync } from 'node:zlib';
import { APP_DIST, ensureBuilt } from './lib/build.mjs';
import { freePort } from './lib/cluster.mjs';
import { ensureNodePackages, ensurePostgres } from './lib/packages.mjs';
import { ROOT } from './lib/paths.mjs';
import { run } from './lib/run.mjs';
import { main, say, stop } from './lib/say.mjs';

const FRAME = 16;
const BUILD = path.join(ROOT, '.build');

function line(what, measured, limit, unit) {
  const ratio = measured / limit;
  say(
    `${ratio <= 1 ? 'within' : 'OVER  '}  ${what}: ${measured.toFixed(2)} ${unit}, ${ratio.toFixed(2)} of ${limit.toFixed(2)}`,
  );
  return ratio <= 1;
}

/** A whole set-up card, which ranks the full catalogue, against a frame. */
async function ranking() {
  const esbuild = await import('esbuild');
  const outfile = path.join(BUILD, 'ranking.mjs');
  await esbuild.build({
    entryPoints: [path.join(ROOT, 'bench/ranking.ts')],
    outfile,
    bundle: true,
    platform: 'node',
    format: 'esm',
    logLevel: 'error',
  });
  const { cardTimes } = await import(pathToFileURL(outfile).href);
  const { tips, times } = cardTimes(20);
  const at = (share) => times[Math.floor((times.length - 1) * share)];
  return [
    line(`set-up card, ${tips} tips ranked, median of ${times.length}`, at(0.5), FRAME, 'ms'),
    line('set-up card, 95th percentile', at(0.95), FRAME, 'ms'),
  ];
}

/** gzip size of the scripts an export loads first, kB. */
function firstLoad(dist) {
  const folder = path.join(dist, '_expo/static/js/web');
  const html = readFileSync(path.join(dist, 'index.html'), 'utf8');
  return readdirSync(folder)
    .filter((name) => html.includes(name))
    .reduce((sum, name) => sum + gzipSync(readFileSync(path.join(folder, name))).length / 1000, 0);
}

/** Script of the first load against an empty Expo Router application of the same versions. */
async function bundle() {
  const dist = path.join(BUILD, 'empty-app');
  const env = { ...process.env, EXPO_OFFLINE: '1', EXPO_NO_TELEMETRY: '1', CI: '1', NODE_ENV: 'production' };
  say('Building the empty application to compare with …');
  const { code, output } = await run(
    path.join(ROOT, 'node_modules/.bin/expo'),
    ['export', '--platform', 'web', '--output-dir', dist],
    {
      cwd: path.join(ROOT, 'bench/empty-app'),
      quiet: true,
      env,
    },
  );
  if (code !== 0)
    stop(`The empty application could not be built: ${output.trim().split('\n').slice(-5).join(' ')}`);
  const empty = firstLoad(dist);
  return [
    line(
      `script of the first load, gzip (empty application: ${empty.toFixed(0)} kB, limit 1.5 times)`,
      firstLoad(APP_DIST),
      empty * 1.5,
      'kB',
    ),
  ];
}

/** Seconds from the command to the printed address. */
function startOnce(home, port) {
  return new Promise((resolve, reject) => {
    const started = performance.now();
    const child = spawn('npm', ['start'], {
      cwd: ROOT,
      env: { ...process.env, FINE_SPRAY_HOME: home, PORT: String(port), DATABASE_URL: '' },
    });
    let seconds;
    child.stdout.on('data', (data) => {
      if (seconds === undefined && String(data).includes('is at http')) {
        seconds = (performance.now() - started) / 1000;
        child.kill('SIGTERM');
      }
    });
    child.on('close', () =>
      seconds === undefined ? reject(new Error('npm start ended without an address')) : resolve(seconds),
    );
  });
}

async function secondStart() {
  const home = mkdtempSync(path.join(os.tmpdir(), 'fine-spray-bench-'));
  chmodSync(home, 0o755);
  const first = await startOnce(home, await freePort());
  const times = [];
  for (let round = 0; round < 3; round += 1) times.push(await startOnce(home, await freePort()));
  rmSync(home, { recursive: true, force: true });
  return [
    line(
      `second npm start, slowest of 3 (first, with an empty data folder: ${first.toFixed(1)} s)`,
      Math.max(...times),
      6,
      's',
    ),
  ];
}

await main(async () => {
  await ensureNodePackages();
  await ensurePostgres();
  await ensureBuilt();
  mkdirSync(BUILD, { recursive: true });
  const results = [...(await ranking()), ...(await bundle()), ...(await secondStart())];
  process.exitCode = results.every(Boolean) ? 0 : 1;
});
