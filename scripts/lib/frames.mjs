import { randomUUID } from 'node:crypto';
import { chromium } from '@playwright/test';
import { CHROMIUM } from '../../e2e/chromium.mjs';

const SURFACES = 1000;

async function json(address, method, path, body) {
  const response = await fetch(`${address}/api${path}`, {
    method,
    ...(body ? { headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) } : {}),
  });
  if (!response.ok) throw new Error(`${method} ${path}: ${response.status}`);
  return response.json();
}

const SERVER_FIELDS = ['id', 'createdAt', 'updatedAt', 'surfaceCount'];

/** What a write takes of a stored row. */
function content(row) {
  const own = Object.entries(row).filter(([name]) => !SERVER_FIELDS.includes(name));
  return { ...Object.fromEntries(own), version: 0 };
}

/** A job of a thousand surfaces, the sample's over and over. */
async function street(address, { job, surfaces }) {
  const id = randomUUID();
  await json(address, 'PUT', `/jobs/${id}`, { ...content(job), name: 'A whole street' });
  const writes = Array.from({ length: SURFACES }, (_, position) => {
    const sample = surfaces[position % surfaces.length];
    return {
      resource: 'surfaces',
      id: randomUUID(),
      content: {
        ...content(sample),
        jobId: id,
        placeId: null,
        part: '',
        position,
        name: `${sample.name} ${position}`,
      },
    };
  });
  await json(address, 'POST', '/batch', { writes });
  return id;
}

/** Two houses like the sample's in one job: some 300 tasks. */
async function twoHouses(address, { job, surfaces }) {
  const id = randomUUID();
  await json(address, 'PUT', `/jobs/${id}`, { ...content(job), name: 'Two houses' });
  const writes = ['', ' next door'].flatMap((door, house) =>
    surfaces.map((sample, position) => ({
      resource: 'surfaces',
      id: randomUUID(),
      content: {
        ...content(sample),
        ...{
          jobId: id,
          placeId: null,
          part: '',
          position: house * 1000 + position,
          room: `${sample.room}${door}`,
        },
      },
    })),
  );
  await json(address, 'POST', '/batch', { writes });
  return id;
}

/** Frames of a board of the days, wide, while it is scrolled across and down. */
async function boardFrames(browser, address, id) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${address}/jobs/${id}/days`);
  const board = page.getByTestId('board');
  await board.waitFor({ timeout: 120_000 });
  // Its worker goes on to look for other ways: what is measured is the board alone.
  await page.getByText('Looking what other ways would gain …').waitFor({ state: 'hidden', timeout: 120_000 });
  const tasks = await board.locator('[data-testid^="block"], [role=button]').count();
  const box = await board.boundingBox();
  await page.mouse.move(box.x + box.width / 2, Math.min(760, box.y + 160));
  await page.waitForTimeout(500);
  const times = await framesWhile(page, async () => {
    for (let step = 0; step < 120; step += 1) {
      await page.mouse.wheel(step < 80 ? 120 : -160, 0);
      await page.waitForTimeout(16);
    }
  });
  await page.close();
  return { times, tasks };
}

/** How long a screen that has just appeared is painted without a graphics card, ms: its own frames are not counted. */
const PAINTED = 100;

/** Times between frames of a page, ms, while something is done; where given, only while something stands on the page. */
export async function framesWhile(page, work, selector = 'body') {
  const counted = { wanted: selector, painted: selector === 'body' ? 0 : PAINTED };
  await page.evaluate(({ wanted, painted }) => {
    const gaps = [];
    let last;
    let since;
    const seen = (time) => {
      const there = document.querySelector(wanted) !== null;
      since = there ? (since ?? time) : undefined;
      if (there && last - since >= painted) gaps.push(time - last);
      last = there ? time : undefined;
      if (!window.enough) window.requestAnimationFrame(seen);
    };
    window.enough = false;
    window.gaps = gaps;
    window.requestAnimationFrame(seen);
  }, counted);
  await work();
  return page.evaluate(() => {
    window.enough = true;
    return window.gaps;
  });
}

/** What stands on the buy list until its draws are there. */
const WAITING = '[aria-label=Loading]';

/**
 * Frame times of the interface in Chromium at phone size: at rest, while the draws of the buy list run in their worker,
 * and while a list of a thousand surfaces is scrolled with the finger, its answers still being worked out.
 */
export async function frames(address) {
  const { items: jobs } = await json(address, 'GET', '/jobs');
  const job = jobs.find(({ name }) => name === 'Tern Boathouse');
  const { items: surfaces } = await json(address, 'GET', `/jobs/${job.id}/surfaces`);
  const long = await street(address, { job, surfaces });
  const browser = await chromium.launch(CHROMIUM);
  try {
    const page = await browser.newPage({ viewport: { width: 390, height: 844 }, hasTouch: true });
    await page.goto(`${address}/jobs/${job.id}`);
    const buy = page.getByRole('button', { name: 'What to buy' });
    await buy.waitFor();
    await page.waitForLoadState('networkidle');
    await page.waitForTimeout(1500);
    const rest = await framesWhile(page, () => page.waitForTimeout(2000));
    const draw = async () => {
      await buy.click();
      await page.getByTestId('cost-total').waitFor();
    };
    const drawing = await framesWhile(page, draw, WAITING);

    await page.goto(`${address}/jobs/${long}`);
    await page
      .getByRole('link', { name: /North wall/ })
      .first()
      .waitFor();
    await page.waitForTimeout(500);
    const client = await page.context().newCDPSession(page);
    const scrolled = await framesWhile(page, () =>
      client.send('Input.synthesizeScrollGesture', {
        x: 195,
        y: 500,
        yDistance: -24_000,
        speed: 4000,
        gestureSourceType: 'touch',
      }),
    );
    const board = await boardFrames(browser, address, await twoHouses(address, { job, surfaces }));
    return { surfaces: SURFACES, rest, drawing, scrolled, board };
  } finally {
    await browser.close();
  }
}
