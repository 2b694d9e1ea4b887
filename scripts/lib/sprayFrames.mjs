import { chromium } from '@playwright/test';
import { CHROMIUM } from '../../e2e/chromium.mjs';
import { framesWhile } from './frames.mjs';

/** What a first start fetches to be there without a server comes once, and not into the measure. */
const PHONE = { viewport: { width: 390, height: 844 }, hasTouch: true, serviceWorkers: 'block' };
/** A phone is so many times slower than this machine. */
const SLOWED = 4;
/** Turns, strokes of each, and places that a finger tells of on the way: slow enough, one on the other, that the film runs. */
const [TURNS, STROKES, PLACES] = [3, 4, 200];
/** Time between two places, ms. */
const APART = 1000 / 60;

/** As many canvases as practice has, drawn on as it does, and nothing else: what this machine gives. */
const BLANK = `<body style="margin:0"><style>canvas{position:absolute;width:390px;height:300px}</style>
<canvas width=600 height=300></canvas><canvas width=390 height=300></canvas><canvas width=390 height=300></canvas>
<script>
  const [film, , moving] = [...document.querySelectorAll('canvas')].map((one) => one.getContext('2d'));
  const picture = new ImageData(600, 300);
  let at = 0;
  (function turn() {
    at += 3;
    moving.clearRect(0, 0, 390, 300);
    moving.fillRect(at % 390, 100, 40, 10);
    film.putImageData(picture, 0, 0, at % 500, 50, 60, 60);
    requestAnimationFrame(turn);
  })();
</script>`;

/** A finger goes over the piece and comes off it. */
async function stroke(client, { x, y, width }, row) {
  const touch = (type, touchPoints) => client.send('Input.dispatchTouchEvent', { type, touchPoints });
  const place = (share) => ({ x: x + 8 + (width - 16) * share, y: y + row });
  await touch('touchStart', [place(0)]);
  const from = performance.now();
  for (let one = 1; one <= PLACES; one += 1) {
    await touch('touchMove', [place(one / PLACES)]);
    const left = from + one * APART - performance.now();
    if (left > 0) await new Promise((resolve) => setTimeout(resolve, left));
  }
  await touch('touchEnd', []);
}

/** Frames of a wall that is sprayed, runs and laps with it: half of the strokes lie on an edge that has dried. */
async function sprayed(page, client, address) {
  await page.goto(`${address}/practice/spray/wall`);
  const surface = page.getByTestId('spray-surface');
  await surface.waitFor();
  // As somebody does who looks at the piece before beginning.
  await page.waitForTimeout(4000);
  await client.send('Emulation.setCPUThrottlingRate', { rate: SLOWED });
  const times = [];
  for (let one = 0; one < STROKES; one += 1) {
    if (one === STROKES / 2) await page.getByRole('button', { name: 'Break of 5 minutes' }).click();
    await surface.scrollIntoViewIfNeeded();
    await page.waitForTimeout(800);
    const box = await surface.boundingBox();
    times.push(...(await framesWhile(page, () => stroke(client, box, 150 + 4 * (one % 2)))));
  }
  return times;
}

/** Frames of the blank canvases for as long. */
async function blank(page, client) {
  await page.setContent(BLANK);
  await page.waitForTimeout(1000);
  await client.send('Emulation.setCPUThrottlingRate', { rate: SLOWED });
  return framesWhile(page, () => page.waitForTimeout(STROKES * PLACES * APART));
}

/** Times between frames while a wall is sprayed on a slow phone, and of blank canvases in turn with it, ms. */
export async function sprayFrames(address) {
  const browser = await chromium.launch(CHROMIUM);
  const all = { sprayed: [], blank: [] };
  try {
    for (let turn = 0; turn < TURNS; turn += 1)
      for (const [name, work] of Object.entries({ sprayed, blank })) {
        const context = await browser.newContext(PHONE);
        const page = await context.newPage();
        all[name].push(...(await work(page, await context.newCDPSession(page), address)));
        await context.close();
      }
    return all;
  } finally {
    await browser.close();
  }
}
