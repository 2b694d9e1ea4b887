import { expect, test, type BrowserContext, type Page } from '@playwright/test';
import { once } from 'node:events';
import { readFileSync } from 'node:fs';
import http from 'node:http';
import type { AddressInfo } from 'node:net';
import { keeps } from './device';
import { ownServer } from './ownServer';
import { storedLog, type StoredEntry } from './storedLog';

const instance = ownServer();

interface Row {
  readonly id: string;
  readonly name: string;
  readonly room?: string;
}
const rows = async (url: string): Promise<Row[]> =>
  ((await (await fetch(`${instance.address}${url}`)).json()) as { items: Row[] }).items;

async function boathouse() {
  const job = (await rows('/api/jobs')).find(({ name }) => name === 'Tern Boathouse');
  const surfaces = await rows(`/api/jobs/${job?.id ?? ''}/surfaces`);
  const wall = surfaces.find(({ name }) => name === 'North wall');
  return { job: job?.id ?? '', wall: wall?.id ?? '' };
}

/** Lets a page see everything once, as on the evening before. */
async function seen(page: Page): Promise<{ job: string; wall: string }> {
  const ids = await boathouse();
  await page.goto(`${instance.address}/`);
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  await keeps(page, 0, [['jobs'], ['company']]);
  await page.goto(`${instance.address}/jobs/${ids.job}`);
  await expect(page.getByText('Boat hall').first()).toBeVisible();
  await keeps(page, 0, [['jobs'], ['surfaces', ids.job], ['places', ids.job]]);
  await page.goto(`${instance.address}/jobs/${ids.job}/surfaces/${ids.wall}`);
  await expect(page.getByTestId('setup-card')).toBeVisible();
  await page.goto(`${instance.address}/kit`);
  await expect(page.getByText('Mid electric, van')).toBeVisible();
  await keeps(page, 0, [['coatings'], ['sprayers'], ['hoses'], ['tips'], ['gear']]);
  await page.goto(`${instance.address}/log`);
  await expect(page.getByRole('button', { name: 'Comb', exact: true })).toBeVisible();
  await expect(page.getByText(/\d+ entries/)).toBeVisible();
  await keeps(page, (await stored()).length, []);
  return ids;
}

const strip = (page: Page) => page.getByTestId('strip');

async function write(page: Page, surface: string, litres: string): Promise<void> {
  await page.goto(`${instance.address}/log/write/sprayed?surface=${surface}`);
  await page.getByLabel('Sprayed, L').fill(litres);
  await page.getByRole('button', { name: 'Write it down' }).click();
  await expect(page.getByText('Litres sprayed: written down.')).toBeVisible();
}

const stored = () => storedLog(instance.address);
const litres = ({ volume }: StoredEntry['payload']) => Math.round(Number(volume ?? 0) * 1e5) / 100;

test('without the server everything opens: plan, cards, lines, checklists, log; what is written waits and goes up once', async ({
  page,
}) => {
  const { job, wall } = await seen(page);
  const before = (await stored()).length;
  await instance.kill();
  for (const [url, text] of [
    ['/', 'Tern Boathouse'],
    [`/jobs/${job}`, 'Boat hall'],
    [`/jobs/${job}/surfaces/${wall}`, 'More for this set-up'],
    [`/jobs/${job}/surfaces/${wall}/start-up`, 'Start up'],
    [`/jobs/${job}/surfaces/${wall}/line`, 'Hose line'],
    [`/jobs/${job}/buy`, 'Interior wall matt'],
    ['/kit', 'Mid electric, van'],
    ['/set-up', 'Set-up'],
    ['/log', 'Journal'],
    ['/log/journal', 'Coat finished'],
    [`/log/clocks?job=${job}`, 'Opens next'],
    [`/log/actual?job=${job}`, 'Short by'],
    ['/log/tips', '% narrower'],
    ['/log/learned', 'How much of the paint lands'],
    ['/emergency', 'Go to an emergency department now'],
  ] as const) {
    await page.goto(`${instance.address}${url}`);
    await expect(page.getByText(text).filter({ visible: true }).first(), url).toBeVisible();
  }
  await expect(strip(page)).toContainText('The server is not reached. You see what this device has');
  await write(page, wall, '3.5');
  await write(page, wall, '4.5');
  await expect(strip(page)).toContainText('Kept on this device, 2 waiting to send.');
  await page.reload();
  await expect(strip(page)).toContainText('2 waiting to send');
  await page.getByRole('button', { name: 'Look' }).click();
  await expect(page.getByText('Goes up by itself')).toBeVisible();
  await instance.start();
  await page.getByRole('button', { name: 'Try now' }).click();
  await expect(strip(page)).toHaveCount(0, { timeout: 40_000 });
  const after = await stored();
  expect(after.length).toBe(before + 2);
  const mine = after.slice(-2).map(({ payload }) => litres(payload));
  expect(mine).toEqual([3.5, 4.5]);
});

test('what waits survives a closed tab and a week, and goes up by itself', async ({ context }) => {
  const first = await context.newPage();
  const { wall } = await seen(first);
  await instance.kill();
  await write(first, wall, '6.5');
  await first.close();
  const later = await context.newPage();
  await later.clock.install({ time: Date.now() + 7 * 24 * 3600_000 });
  await later.goto(`${instance.address}/log`);
  await expect(strip(later)).toContainText('1 waiting to send');
  await instance.start();
  await later.clock.runFor(120_000);
  await expect(strip(later).getByText('waiting to send')).toHaveCount(0, { timeout: 40_000 });
  await expect
    .poll(async () => (await stored()).filter(({ payload }) => litres(payload) === 6.5).length)
    .toBe(1);
});

/** A page whose clock is a year slow. */
async function slowClock(context: BrowserContext): Promise<Page> {
  const page = await context.newPage();
  await page.clock.setFixedTime(Date.now() - 365 * 24 * 3600_000);
  return page;
}

test('a device clock that is a year slow is said, and what it wrote is put right by it', async ({
  context,
}) => {
  const page = await slowClock(context);
  const { wall } = await boathouse();
  await page.goto(`${instance.address}/log`);
  await expect(strip(page)).toContainText('The clock of this device is 1 year slow');
  await write(page, wall, '7.5');
  await expect
    .poll(async () => (await stored()).filter(({ payload }) => litres(payload) === 7.5).length)
    .toBe(1);
  const [entry] = (await stored()).filter(({ payload }) => litres(payload) === 7.5);
  expect(Math.abs((entry?.clockSkew ?? 0) / (24 * 3600) - 365)).toBeLessThan(1);
  // Another device: the clock of a test is one for a whole context.
  const other = await context.browser()?.newContext();
  if (!other) throw new Error('no browser');
  const right = await other.newPage();
  await right.goto(`${instance.address}/log/entry/${entry?.id ?? ''}`);
  await expect(right.getByText('The clock of that device was 1 year slow', { exact: false })).toBeVisible();
  await expect(right.getByText(String(new Date().getFullYear()), { exact: false }).first()).toBeVisible();
  await other.close();
});

test('a conflict is shown with both sides; neither is overwritten', async ({ page }) => {
  const { wall } = await seen(page);
  await instance.kill();
  await write(page, wall, '8.5');
  // Meanwhile another device has used the same id: the server has other content under it.
  const waiting = await page.evaluate(
    () =>
      new Promise<{ id: string; fields: Record<string, unknown> }>((resolve) => {
        const open = indexedDB.open('fine-spray');
        open.onsuccess = () => {
          const all = open.result.transaction('waiting').objectStore('waiting').getAll();
          all.onsuccess = () => resolve(all.result[0] as { id: string; fields: Record<string, unknown> });
        };
      }),
  );
  await page.goto('about:blank');
  await instance.start();
  const theirs = { ...waiting.fields, at: '2026-01-01T08:00:00.000Z', version: 0 };
  const put = await fetch(`${instance.address}/api/entries/${waiting.id}`, {
    method: 'PUT',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify(theirs),
  });
  expect(put.status).toBe(200);
  await page.goto(`${instance.address}/log/waiting`);
  await expect(page.getByText('Two sides of one entry')).toBeVisible();
  await expect(page.getByText('Yours, on this device')).toBeVisible();
  await expect(page.getByText('On the server')).toBeVisible();
  await page.getByRole('button', { name: 'Keep both' }).click();
  await expect(page.getByText('Nothing waits')).toBeVisible();
  const both = (await stored()).filter(({ payload }) => litres(payload) === 8.5);
  expect(both.length).toBe(2);
  expect(both.filter(({ at }) => at === theirs.at).length).toBe(1);
});

test('an outbox left by an older version is brought in, and what cannot be read is kept and said', async ({
  page,
}) => {
  await page.goto(`${instance.address}/emergency`);
  const tip = (await rows('/api/tips'))[0]?.id ?? '';
  await page.evaluate((tipId) => {
    const old = {
      id: '01930000-0000-7000-8000-00000000aaaa',
      fields: {
        kind: 'fan measured',
        at: '2026-11-20T08:00:00.000Z',
        author: 'OLD',
        jobId: null,
        surfaceId: null,
        replaces: null,
        payload: { tipId, width: 0.21, distance: 0.3 },
      },
    };
    localStorage.setItem(
      'fine-spray.kept.outbox',
      JSON.stringify([old, { id: 'x', fields: { kind: 'tea' } }]),
    );
  }, tip);
  await page.goto(`${instance.address}/log`);
  await expect(strip(page)).toContainText('1 left by another version of this program');
  await expect.poll(async () => (await stored()).filter(({ author }) => author === 'OLD').length).toBe(1);
});

/**
 * The server through a proxy that can answer another service worker, as after a new version was put there: the files that
 * other tests use meanwhile stay as they are.
 */
async function behindProxy(target: string) {
  let newer = false;
  const proxy = http.createServer((request, response) => {
    // A connection of its own for each: one that is kept may be closed by the server just as it is used again.
    const asked = http.get(`${target}${request.url ?? '/'}`, { agent: false }, (answer) => {
      response.writeHead(answer.statusCode ?? 502, {
        'content-type': answer.headers['content-type'] ?? 'text/plain',
        'cache-control': 'no-cache',
      });
      answer.pipe(response, { end: false });
      answer.on('end', () =>
        response.end(newer && request.url === '/sw.js' ? '\n// a newer one' : undefined),
      );
    });
    asked.on('error', () => response.destroy());
  });
  proxy.listen(0, '127.0.0.1');
  await once(proxy, 'listening');
  return {
    address: `http://127.0.0.1:${(proxy.address() as AddressInfo).port}`,
    newVersion: () => {
      newer = true;
    },
    close: () => {
      proxy.closeAllConnections();
      proxy.close();
    },
  };
}

test('it can be installed, and a new version waits until somebody says so', async ({ page, context }) => {
  const proxy = await behindProxy(instance.address);
  await page.goto(`${proxy.address}/`);
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  await page.reload();
  const session = await context.newCDPSession(page);
  // A window of a test is "off the record", which alone stands in the way; the manifest is named once the first picture stands.
  const inTheWay = async () => {
    const { installabilityErrors } = (await session.send('Page.getInstallabilityErrors')) as {
      installabilityErrors: { errorId: string }[];
    };
    return installabilityErrors.map(({ errorId }) => errorId).filter((one) => one !== 'in-incognito');
  };
  await expect.poll(inTheWay).toEqual([]);
  // Another service worker at the same address is a new version.
  proxy.newVersion();
  await page.evaluate(() => navigator.serviceWorker.ready.then((one) => one.update()).then(() => undefined));
  await expect(strip(page)).toContainText('A new version is ready.');
  await page.getByRole('button', { name: 'Use it now' }).click();
  // By its words, so that a failure tells what it still says.
  await expect(strip(page)).toHaveText([]);
  await expect(page.getByRole('link', { name: /Tern Boathouse/ })).toBeVisible();
  proxy.close();
});

test('a file that another application shares is shown first: a job, or what belongs into one', async ({
  page,
}) => {
  await page.goto(`${instance.address}/`);
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  // As a device does it (Web Share Target): a form that is sent to the address of the manifest.
  const share = (name: string, type: string, text: string) =>
    page.evaluate(
      (file) => {
        const form = document.createElement('form');
        Object.assign(form, { method: 'post', enctype: 'multipart/form-data', action: '/open' });
        const input = document.createElement('input');
        Object.assign(input, { type: 'file', name: 'file' });
        const chosen = new DataTransfer();
        chosen.items.add(new File([file.text], file.name, { type: file.type }));
        input.files = chosen.files;
        form.append(input);
        document.body.append(form);
        form.submit();
      },
      { name, type, text },
    );
  const job = readFileSync(new URL('../demo/kiln-house.job.json', import.meta.url), 'utf8');
  await share('Kiln Häuser – 1.job.json', 'application/json', job);
  await expect(page).toHaveURL(/\/open$/);
  await expect(page.getByTestId('file-preview')).toContainText('Kiln House, ground floor');
  // It is shown once.
  await page.reload();
  await expect(page.getByRole('button', { name: 'Choose a file' })).toBeVisible();
  await expect(page.getByTestId('file-preview')).toHaveCount(0);

  await share('walls.csv', 'text/csv', 'Surface,Width (m),Height (m)\r\nShared wall,4,2.5\r\n');
  const which = page.getByTestId('which-job');
  await expect(which).toContainText('walls.csv is no whole job');
  await which.getByRole('button', { name: /Kiln House/ }).click();
  await expect(page.getByTestId('file-preview')).toContainText('walls.csv: 1 surface, 1 new.');
});
