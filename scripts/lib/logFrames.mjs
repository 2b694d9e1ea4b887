import { chromium } from '@playwright/test';
import { CHROMIUM } from '../../e2e/chromium.mjs';
import { bareProfile } from './bareBrowser.mjs';
import { framesWhile } from './frames.mjs';

/** A job in the list of jobs, and an entry in the journal. */
const JOB = 'a[href^="/jobs/"]';
/** One that the application has drawn, not the picture of what was last seen (`app/public/last-seen.js`). */
const OWN_JOB = `#root > :not([data-last-seen]) ${JOB}`;
const ROW = '[data-testid="journal-row"]';

/** Stores the entries of a log, several at a time. */
async function store(address, entries) {
  const left = [...entries];
  const work = async () => {
    for (let entry = left.pop(); entry; entry = left.pop()) {
      const { id, kind, schema, at, author, jobId, surfaceId, replaces, payload } = entry;
      const fields = { kind, schema, at, author, jobId, surfaceId, replaces, payload };
      const response = await fetch(`${address}/api/entries/${id}`, {
        method: 'PUT',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ ...fields, version: 0 }),
      });
      if (!response.ok) throw new Error(`entry ${id}: ${response.status} ${await response.text()}`);
    }
  };
  await Promise.all(Array.from({ length: 8 }, work));
}

/** What is not shown by then never will be, ms. */
const PATIENCE = 60_000;

const sleep = (time) => new Promise((resolve) => setTimeout(resolve, time));

/**
 * Notes when something is on the screen: in the document, laid out and painted.
 * @param selector finds it
 * @param tap taps on it then, and notes when what stands behind it is on the screen
 */
const notes = (selector, tap) => `{
  const once = (there, then) => new MutationObserver((changes, observer) => {
    const found = there();
    if (!found) return;
    observer.disconnect();
    requestAnimationFrame(() => setTimeout(() => then(found)));
  }).observe(document, { childList: true, subtree: true });
  const note = () => (window.shownAt = performance.now());
  once(() => document.querySelector(${JSON.stringify(selector)}), ${
    tap
      ? `(found) => {
    const before = document.querySelector('h1')?.textContent;
    once(() => { const title = document.querySelector('main h1'); return title && title.textContent !== before && location.href === found.href; }, note);
    found.click();
  }`
      : 'note'
  });
}`;

/** Opens an address in a page, seconds from there until something is shown. The page is left alone for so long, ms. */
async function shown(page, address, selector, alone, tap = false) {
  await page.send('Page.addScriptToEvaluateOnNewDocument', { source: notes(selector, tap) });
  await page.send('Page.navigate', { url: address });
  for (let waited = alone; waited <= PATIENCE; waited += 1000) {
    await sleep(waited === alone ? alone : 1000);
    const at = await page.evaluate('window.shownAt');
    if (at !== undefined) return at / 1000;
  }
  throw new Error(`${selector} was not shown within ${PATIENCE} ms`);
}

/** Opens an address for the first time, and stays until what it brought is kept on the device. */
async function visit(profile, address, selector) {
  const page = await profile.open();
  await shown(page, address, selector, 4000);
  await sleep(4000);
  await page.close();
}

/** Milliseconds from the moment the log has arrived to its first row on the screen, in a browser that never had it. */
async function opens(browser, address) {
  const profile = await bareProfile(browser);
  // From the second visit on the application is kept.
  await visit(profile, address, JOB);
  const page = await profile.open();
  // Any page brings the log and keeps it: here it is to come.
  await page.send('Page.navigate', { url: `${address}/api/health` });
  await sleep(1000);
  await page.evaluate(`indexedDB.deleteDatabase('fine-spray')`);
  await sleep(1000);
  const seconds = await shown(page, `${address}/log/journal`, ROW, 4000);
  const arrived = await page.evaluate(
    `Math.min(...performance.getEntriesByType('resource').filter(({ name }) => name.endsWith('/api/entries')).map(({ responseEnd }) => responseEnd))`,
  );
  await page.close();
  await profile.close();
  return seconds * 1000 - arrived;
}

/**
 * Seconds from an address, without a server, on a processor slowed so many times, of a device that has the log: to the list of jobs
 * as it was last seen, which takes a tap; to the list of the application; and to the job, tapped on as soon as it stands there.
 * @param stopServer ends what answers at the address
 */
async function offline(browser, address, slowed, stopServer) {
  const profile = await bareProfile(browser);
  await visit(profile, address, JOB);
  await visit(profile, `${address}/log/journal`, ROW);
  await stopServer();
  const starts = { seen: [JOB, false], own: [OWN_JOB, false], tapped: [JOB, true] };
  const times = { seen: [], own: [], tapped: [] };
  for (let round = 0; round < 7; round += 1) {
    // In turns: the machine is not as fast in each minute.
    for (const [what, [selector, tap]] of Object.entries(starts)) {
      const page = await profile.open();
      await page.send('Emulation.setCPUThrottlingRate', { rate: slowed });
      times[what].push(await shown(page, address, selector, 8000, tap));
      await page.close();
    }
  }
  await profile.close();
  for (const some of Object.values(times)) some.sort((a, b) => a - b);
  return times;
}

/**
 * The log in Chromium at phone size: how soon it opens, how it scrolls, and how soon the application opens without a server.
 * @param stopServer ends what answers at the address; it is gone afterwards
 */
export async function logFrames(address, entries, stopServer) {
  await store(address, entries);
  const browser = await chromium.launch(CHROMIUM);
  try {
    const opened = [];
    for (let round = 0; round < 5; round += 1) opened.push(await opens(browser, address));
    const page = await browser.newPage({ viewport: { width: 390, height: 844 }, hasTouch: true });
    await page.goto(`${address}/log/journal`);
    await page.locator(ROW).first().waitFor();
    // Until the log is kept on the device too.
    await page.waitForTimeout(3000);
    const client = await page.context().newCDPSession(page);
    const scrolled = await framesWhile(page, () =>
      client.send('Input.synthesizeScrollGesture', {
        x: 195,
        y: 600,
        yDistance: -24_000,
        speed: 4000,
        gestureSourceType: 'touch',
      }),
    );
    return {
      opened: opened.sort((a, b) => a - b),
      scrolled,
      offline: await offline(browser, address, 4, stopServer),
    };
  } finally {
    await browser.close();
  }
}
