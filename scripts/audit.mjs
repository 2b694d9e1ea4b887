import { spawn } from 'node:child_process';
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import http from 'node:http';
import { createRequire } from 'node:module';
import os from 'node:os';
import path from 'node:path';
import { CHROMIUM } from '../e2e/chromium.mjs';
import { ensureBuilt } from './lib/build.mjs';
import { freePort } from './lib/cluster.mjs';
import { emptyApp } from './lib/emptyApp.mjs';
import { ensureChromium, ensureNodePackages, ensurePostgres } from './lib/packages.mjs';
import { ROOT } from './lib/paths.mjs';
import { main, say } from './lib/say.mjs';

/** Turns of the audit; the median of each figure counts. */
const TURNS = 5;
/** What the first picture may take of what the empty application's takes. */
const MOST = 1.3;

/** Serves the files of the empty application as the server serves ours. */
function serve(folder, port) {
  const require = createRequire(path.join(ROOT, 'server/package.json'));
  const [express, compression, packed] = ['express', 'compression', 'express-static-gzip'].map((name) =>
    require(name),
  );
  const app = express();
  app.use(compression());
  app.use(packed(folder, { enableBrotli: true, orderPreference: ['br'] }));
  return new Promise((resolve) => {
    const server = http.createServer(app).listen(port, '127.0.0.1', () => resolve(server));
  });
}

/** Starts the application with the demo in a folder of its own. */
function started(home, port) {
  return new Promise((resolve, reject) => {
    const child = spawn('node', ['scripts/start.mjs'], {
      cwd: ROOT,
      env: { ...process.env, FINE_SPRAY_HOME: home, PORT: String(port), DATABASE_URL: '' },
    });
    child.stdout.on('data', (text) => {
      if (String(text).includes('Fine Spray is at')) resolve(child);
    });
    child.once('exit', () => reject(new Error('The application did not start.')));
  });
}

/** What Lighthouse says of a page at phone size: first picture, largest picture, blocking, ms, and its score of 100. */
async function audited(url) {
  const [{ default: lighthouse }, { launch }] = await Promise.all([
    import('lighthouse'),
    import('chrome-launcher'),
  ]);
  const chrome = await launch({
    chromePath: CHROMIUM.executablePath,
    chromeFlags: ['--headless=new', ...CHROMIUM.args],
    logLevel: 'silent',
  });
  try {
    const { lhr } = await lighthouse(url, {
      port: chrome.port,
      onlyCategories: ['performance'],
      logLevel: 'silent',
    });
    if (lhr.runtimeError) throw new Error(`${url}: ${lhr.runtimeError.message}`);
    const of = (name) => lhr.audits[name].numericValue;
    return {
      first: of('first-contentful-paint'),
      largest: of('largest-contentful-paint'),
      blocked: of('total-blocking-time'),
      score: lhr.categories.performance.score * 100,
    };
  } finally {
    await chrome.kill();
  }
}

/** Tries of an audit whose recording failed, which says nothing of the page. */
const TRIES = 3;

async function surelyAudited(url) {
  for (let tried = 1; ; tried += 1) {
    try {
      return await audited(url);
    } catch (error) {
      if (tried === TRIES) throw error;
    }
  }
}

const median = (values) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)];

/** Audits of third parties against the running application, with its yardstick in the same run: `npm run audit`. */
await main(async () => {
  await ensureNodePackages();
  await ensurePostgres();
  await ensureChromium();
  await ensureBuilt();
  const yardstick = await serve(await emptyApp(), await freePort());
  const home = mkdtempSync(path.join(os.tmpdir(), 'fine-spray-audit-'));
  // PostgreSQL is another user where root starts it.
  chmodSync(home, 0o755);
  const port = await freePort();
  say('Starting the application with the demo …');
  const child = await started(home, port);
  try {
    const address = `http://127.0.0.1:${port}`;
    const pages = {
      'the empty application': `http://127.0.0.1:${yardstick.address().port}/`,
      'the first page': `${address}/`,
      'the set-up': `${address}/set-up`,
    };
    const found = Object.fromEntries(Object.keys(pages).map((name) => [name, []]));
    // Turn and turn about: where the machine is slow for a while, it is for all of them.
    for (let turn = 0; turn < TURNS; turn += 1)
      for (const [name, url] of Object.entries(pages)) found[name].push(await surelyAudited(url));
    const figures = (name) =>
      Object.fromEntries(
        ['first', 'largest', 'blocked', 'score'].map((of) => [of, median(found[name].map((one) => one[of]))]),
      );
    const empty = figures('the empty application');
    let within = true;
    for (const name of Object.keys(pages)) {
      const one = figures(name);
      say(
        `${name}: score ${one.score.toFixed(0)}, first picture ${(one.first / 1000).toFixed(2)} s, largest ${(one.largest / 1000).toFixed(2)} s, blocked ${one.blocked.toFixed(0)} ms`,
      );
      if (one.first === empty.first) continue;
      for (const [what, ratio] of [
        ['largest picture', one.largest / empty.largest],
        ['blocked', one.blocked / empty.blocked],
      ]) {
        say(
          `${ratio <= MOST ? 'within' : 'OVER  '}  ${name}, ${what}: ${ratio.toFixed(2)} of the empty application's, ${MOST} at most`,
        );
        within &&= ratio <= MOST;
      }
    }
    process.exitCode = within ? 0 : 1;
  } finally {
    child.kill('SIGTERM');
    await new Promise((resolve) => child.once('exit', resolve));
    yardstick.close();
    rmSync(home, { recursive: true, force: true });
  }
});
