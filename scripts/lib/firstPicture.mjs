import http from 'node:http';
import { createRequire } from 'node:module';
import path from 'node:path';
import { CHROMIUM } from '../../e2e/chromium.mjs';
import { freePort } from './cluster.mjs';
import { emptyApp } from './emptyApp.mjs';
import { ROOT } from './paths.mjs';
import { say } from './say.mjs';

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

/** What is audited beside the empty application, and where it is. */
const PAGES = { 'the first page': '/', 'the set-up': '/set-up' };
const EMPTY = 'the empty application';

/** Median figures of the empty application and of each page, by name. */
async function allAudited(empty, address) {
  const urls = [[EMPTY, empty], ...Object.entries(PAGES).map(([name, path]) => [name, `${address}${path}`])];
  const found = new Map(urls.map(([name]) => [name, []]));
  // Turn and turn about: where the machine is slow for a while, it is for all of them.
  for (let turn = 0; turn < TURNS; turn += 1)
    for (const [name, url] of urls) found.get(name).push(await surelyAudited(url));
  const of = (turns, figure) => median(turns.map((one) => one[figure]));
  return new Map(
    [...found].map(([name, turns]) => [
      name,
      {
        first: of(turns, 'first'),
        largest: of(turns, 'largest'),
        blocked: of(turns, 'blocked'),
        score: of(turns, 'score'),
      },
    ]),
  );
}

function sayHow(name, { score, first, largest, blocked }) {
  say(
    `${name}: score ${score.toFixed(0)}, first picture ${(first / 1000).toFixed(2)} s, largest ${(largest / 1000).toFixed(2)} s, blocked ${blocked.toFixed(0)} ms`,
  );
}

/** Says how a figure is beside the empty application's, and whether that is within what is wanted. */
function isWithin(name, what, ours, empty) {
  const ratio = ours / empty;
  say(
    `${ratio <= MOST ? 'within' : 'OVER  '}  ${name}, ${what}: ${ratio.toFixed(2)} of the empty application's, ${MOST} at most`,
  );
  return ratio <= MOST;
}

/**
 * The first picture of the running application by Lighthouse, with the empty application as its yardstick in the same run.
 * @returns whether all of it is within what is wanted
 */
export async function firstPicture(address) {
  const yardstick = await serve(await emptyApp(), await freePort());
  try {
    const figures = await allAudited(`http://127.0.0.1:${yardstick.address().port}/`, address);
    const empty = figures.get(EMPTY);
    sayHow(EMPTY, empty);
    return Object.keys(PAGES)
      .flatMap((name) => {
        const one = figures.get(name);
        sayHow(name, one);
        return [
          isWithin(name, 'largest picture', one.largest, empty.largest),
          isWithin(name, 'blocked', one.blocked, empty.blocked),
        ];
      })
      .every(Boolean);
  } finally {
    yardstick.close();
  }
}
