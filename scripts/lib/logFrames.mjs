import { chromium } from '@playwright/test';
import { CHROMIUM } from '../../e2e/chromium.mjs';
import { framesWhile } from './frames.mjs';

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

/** Milliseconds from the moment the log has arrived to its first row on the screen. */
async function opens(page, address) {
  await page.addInitScript(() => {
    const look = () => {
      if (document.querySelector('[data-testid="journal-row"]')) window.rowAt = performance.now();
      else window.requestAnimationFrame(look);
    };
    window.requestAnimationFrame(look);
  });
  await page.goto(`${address}/log/journal`);
  await page.waitForFunction(() => window.rowAt !== undefined);
  return page.evaluate(() => {
    const arrived = performance
      .getEntriesByType('resource')
      .filter(({ name }) => name.endsWith('/api/entries'))
      .map(({ responseEnd }) => responseEnd);
    return window.rowAt - Math.min(...arrived);
  });
}

/** Seconds from an address to the list of jobs, without a server, on a processor slowed so many times. */
async function offline(browser, address, slowed) {
  const context = await browser.newContext({
    viewport: { width: 390, height: 844 },
    serviceWorkers: 'allow',
  });
  try {
    const page = await context.newPage();
    await page.goto(address);
    await page.evaluate(async () => void (await window.navigator.serviceWorker.ready));
    await page.goto(`${address}/log/journal`);
    await page.getByTestId('journal-row').first().waitFor();
    await page.waitForTimeout(3000);
    await context.setOffline(true);
    const times = [];
    for (let round = 0; round < 5; round += 1) {
      const fresh = await context.newPage();
      const client = await context.newCDPSession(fresh);
      await client.send('Emulation.setCPUThrottlingRate', { rate: slowed });
      const from = performance.now();
      await fresh.goto(address);
      await fresh.getByRole('link', { name: /Tern Boathouse/ }).waitFor();
      times.push((performance.now() - from) / 1000);
      await fresh.close();
    }
    return times.sort((a, b) => a - b);
  } finally {
    await context.close();
  }
}

/** The log in Chromium at phone size: how soon it opens, how it scrolls, and how soon the application opens without a server. */
export async function logFrames(address, entries) {
  await store(address, entries);
  const browser = await chromium.launch(CHROMIUM);
  try {
    const opened = [];
    for (let round = 0; round < 3; round += 1) {
      const context = await browser.newContext({
        viewport: { width: 390, height: 844 },
        serviceWorkers: 'block',
      });
      opened.push(await opens(await context.newPage(), address));
      await context.close();
    }
    const page = await browser.newPage({ viewport: { width: 390, height: 844 }, hasTouch: true });
    await page.goto(`${address}/log/journal`);
    await page.getByTestId('journal-row').first().waitFor();
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
    return { opened: opened.sort((a, b) => a - b), scrolled, offline: await offline(browser, address, 4) };
  } finally {
    await browser.close();
  }
}
