import { randomUUID } from 'node:crypto';
import { chromium } from '@playwright/test';
import { CHROMIUM } from '../../e2e/chromium.mjs';

const PATIENCE = 120_000;

const note = (text) => ({
  ...{ kind: 'note', schema: 1, at: new Date().toISOString(), author: 'WR', jobId: null, surfaceId: null },
  ...{ replaces: null, payload: { text } },
});

/** A page on the journal, at phone size. */
async function onJournal(browser, address) {
  const page = await browser.newPage({ viewport: { width: 390, height: 844 } });
  await page.goto(`${address}/log/journal`);
  await page.getByTestId('journal-row').first().waitFor();
  // Until it follows.
  await page.waitForTimeout(2000);
  return page;
}

/** How many entries a journal says it has. */
const entriesOn = (page) => page.evaluate(() => Number(/(\d+) entr/.exec(document.body.innerText)?.[1]));

/** Seconds from a colleague's write to its place in the journal of an open page, median and slowest of so many. */
export async function live(address, rounds) {
  const browser = await chromium.launch(CHROMIUM);
  try {
    const page = await onJournal(browser, address);
    const times = [];
    for (let round = 0; round < rounds; round += 1) {
      const seen = page.waitForFunction(
        (had) => Number(/(\d+) entr/.exec(document.body.innerText)?.[1]) > had,
        await entriesOn(page),
        { polling: 5, timeout: 20_000 },
      );
      const from = performance.now();
      await fetch(`${address}/api/entries/${randomUUID()}`, {
        method: 'PUT',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ ...note(`Round ${round}`), version: 0 }),
      });
      await seen;
      times.push((performance.now() - from) / 1000);
      await page.waitForTimeout(150);
    }
    times.sort((a, b) => a - b);
    return { median: times[Math.floor(times.length / 2)], slowest: times.at(-1) };
  } finally {
    await browser.close();
  }
}

/** Seconds from the opening of a page until so many entries that waited on its device are with the server. */
export async function waitingUp(address, count) {
  const browser = await chromium.launch(CHROMIUM);
  try {
    const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
    const page = await context.newPage();
    await page.goto(`${address}/`);
    await page.waitForTimeout(3000);
    const waiting = Array.from({ length: count }, (_one, index) => ({
      id: randomUUID(),
      fields: note(`Waited ${index}`),
    }));
    await page.evaluate(
      (entries) =>
        new Promise((resolve, reject) => {
          const opening = globalThis.indexedDB.open('fine-spray');
          opening.onerror = () => reject(new Error('no database'));
          opening.onsuccess = () => {
            const write = opening.result.transaction('waiting', 'readwrite');
            for (const one of entries) write.objectStore('waiting').add(one);
            write.oncomplete = () => {
              opening.result.close();
              resolve();
            };
          };
        }),
      waiting,
    );
    const from = performance.now();
    await page.reload();
    const left = () =>
      page.evaluate(
        () =>
          new Promise((resolve) => {
            const opening = globalThis.indexedDB.open('fine-spray');
            opening.onsuccess = () => {
              const read = opening.result.transaction('waiting').objectStore('waiting').count();
              read.onsuccess = () => {
                opening.result.close();
                resolve(read.result);
              };
            };
          }),
      );
    while ((await left()) > 0) {
      if (performance.now() - from > PATIENCE) throw new Error(`${await left()} of ${count} still wait`);
      await page.waitForTimeout(50);
    }
    return (performance.now() - from) / 1000;
  } finally {
    await browser.close();
  }
}
