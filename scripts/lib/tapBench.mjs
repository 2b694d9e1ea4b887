import { chromium } from '@playwright/test';
import { CHROMIUM } from '../../e2e/chromium.mjs';

/** As slow as a cheap phone. */
const SLOWDOWN = 4;
const PHONE = { viewport: { width: 390, height: 844 }, hasTouch: true };
const PAUSE = 700;

async function json(address, path) {
  return (await fetch(`${address}/api${path}`)).json();
}

/** Begins to note how long each tap takes, from the finger to the picture that follows (Event Timing), ms. */
async function watch(page) {
  await page.evaluate(() => {
    globalThis.tapTimes = [];
    new globalThis.PerformanceObserver((list) => {
      for (const one of list.getEntries())
        if (/^(pointerup|click)$/.test(one.name)) globalThis.tapTimes.push(one.duration);
    }).observe({ type: 'event', durationThreshold: 16, buffered: false });
  });
}

/** The longest of what a tap took; below the least that a browser notes, that. */
async function tapped(page, target) {
  await target.scrollIntoViewIfNeeded();
  await page.waitForTimeout(PAUSE);
  await page.evaluate(() => (globalThis.tapTimes.length = 0));
  const { x, y, width, height } = await target.boundingBox();
  // By the screen alone: what looks at the target in the page would be timed with it.
  await page.touchscreen.tap(x + width / 2, y + height / 2);
  await page.waitForTimeout(PAUSE);
  return page.evaluate(() => Math.max(16, ...globalThis.tapTimes));
}

/**
 * Taps of a crew on site, at four times slowdown: for each what it is and how long until it is answered, ms, the middle one of three.
 */
export async function taps(address) {
  const { items: jobs } = await json(address, '/jobs');
  const job = jobs.find(({ name }) => name === 'Tern Boathouse') ?? jobs[0];
  const { items: surfaces } = await json(address, `/jobs/${job.id}/surfaces`);
  const wall = surfaces.find(({ element }) => element === 'wall');
  const site = `${address}/jobs/${job.id}/surfaces/${wall.id}`;
  const browser = await chromium.launch(CHROMIUM);
  const found = [];
  try {
    const page = await browser.newPage(PHONE);
    const session = await page.context().newCDPSession(page);
    const measure = async (what, path, ready, target) => {
      await session.send('Emulation.setCPUThrottlingRate', { rate: 1 });
      await page.goto(path);
      await ready(page).first().waitFor({ timeout: 60_000 });
      await page.waitForTimeout(2000);
      await watch(page);
      await session.send('Emulation.setCPUThrottlingRate', { rate: SLOWDOWN });
      const times = [];
      for (let turn = 0; turn < 3; turn += 1) times.push(await tapped(page, target(page, turn)));
      found.push({ what, time: times.sort((a, b) => a - b)[1] });
    };
    const button = (name) => (page) => page.getByRole('button', { name }).filter({ visible: true }).first();
    await measure(
      'a thing ticked as loaded',
      `${address}/jobs/${job.id}/take`,
      (page) => page.getByTestId('take-answer'),
      (page, turn) => page.getByRole('checkbox').nth(turn),
    );
    await measure(
      'a tooth of the comb',
      `${address}/log/write/comb?surface=${wall.id}`,
      (page) => page.getByRole('button', { name: /^Tooth 100/ }),
      button(/^Tooth 100/),
    );
    await measure(
      'litres, one step more',
      `${address}/log/write/sprayed?surface=${wall.id}`,
      button('Sprayed: more'),
      button('Sprayed: more'),
    );
    await measure(
      'a second more of a cup time',
      `${site}/paint`,
      button('Five seconds more'),
      button('Five seconds more'),
    );
    await measure('a test card answered', `${site}/dial-in`, button('Safe and ready: begin'), (page, turn) =>
      turn === 0 ? button('Safe and ready: begin')(page) : button(/^Tails/)(page),
    );
    return found;
  } finally {
    await browser.close();
  }
}
