import { randomUUID } from 'node:crypto';
import { expect, test, type Page } from '@playwright/test';
import pg from 'pg';
import { ownServer } from './ownServer';
import { choose } from './pages';

const server = ownServer();

const OLD = ['Mill Lane 1', 'Mill Lane 2', 'Mill Lane 3'];
const RECENT = Array.from({ length: 11 }, (_one, index) => `Ferry Row ${index + 1}`);

async function put(path: string, body: object): Promise<void> {
  const answer = await fetch(`${server.address}/api/${path}`, {
    method: 'PUT',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ ...body, version: 0 }),
  });
  expect([path, answer.status]).toEqual([path, 200]);
}

const firstOf = async (kind: string): Promise<string> => {
  const { items } = (await (await fetch(`${server.address}/api/${kind}`)).json()) as {
    items: { id: string }[];
  };
  return items[0]?.id ?? '';
};

const DAY = 24 * 3600_000;
const noon = (daysAgo: number): number => Math.floor(Date.now() / DAY - daysAgo) * DAY + DAY / 2;

let filled = false;

/** Fourteen jobs of a hundred notes each; nobody has written for three of them in a hundred days. */
async function years(): Promise<void> {
  if (filled) return;
  filled = true;
  const [sprayerId, hose] = [await firstOf('sprayers'), await firstOf('hoses')];
  const fill = async (name: string, days: number) => {
    const id = randomUUID();
    const job = { name, place: 'Mill Lane', note: '', status: 'estimate', paintAge: 'unknown', lift: 0 };
    await put(`jobs/${id}`, { ...job, sprayerId, hoseIds: [hose] });
    const entries = Array.from({ length: 100 }, (_one, index) => ({
      ...{
        id: randomUUID(),
        kind: 'note',
        schema: 1,
        author: 'WR',
        jobId: id,
        surfaceId: null,
        replaces: null,
      },
      // In the middle of a day: at whatever hour this runs, the first of a job is the first of its day.
      at: new Date(noon(days) + index * 60_000).toISOString(),
      payload: { text: index === 0 ? `${name}: begun at the gable` : `Note ${index}` },
    }));
    const stored = await fetch(`${server.address}/api/entries`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ entries }),
    });
    expect(stored.status).toBe(200);
  };
  for (const name of OLD) await fill(name, 100);
  const client = new pg.Client({ connectionString: server.databaseUrl });
  await client.connect();
  await client.query("set fine_spray.company = '*'");
  // Stored when they were written.
  await client.query("update entry set created_at = at::timestamptz where payload->>'text' like any ($1)", [
    ['Note %', '%: begun%'],
  ]);
  await client.end();
  for (const name of RECENT) await fill(name, 3);
}

async function onJournal(page: Page): Promise<void> {
  await page.goto(`${server.address}/log/journal`);
  await expect(page.getByTestId('journal-row').first()).toBeVisible();
}
const begun = (page: Page, name: string) => page.getByText(`${name}: begun at the gable`);

test('jobs nobody works on stay on the server until somebody looks; what was read is put away on the device again', async ({
  page,
  browser,
}) => {
  await years();
  await onJournal(page);
  const notice = page.getByTestId('old-jobs');
  await expect(notice).toContainText('300 more entries of 3 jobs nobody has written for in two months');
  await page.getByLabel('Find').fill('Mill Lane 2: begun');
  await expect(page.getByText('Nothing like that in the log')).toBeVisible();
  await page.getByRole('button', { name: 'Bring them here' }).click();
  await expect(begun(page, 'Mill Lane 2').first()).toBeVisible();
  await expect(notice).toHaveCount(0);

  // Another device looks at one of them alone, and the rest stays where it is.
  const other = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
  await onJournal(other);
  await choose(other, 'Job', 'Mill Lane 3');
  await expect(begun(other, 'Mill Lane 3').first()).toBeVisible();
  await choose(other, 'Job', 'All jobs');
  await expect(other.getByTestId('old-jobs')).toContainText('200 more entries of 2 jobs');
  // Somebody writes for another: it is whole there, too, and at once on the first device, which has it.
  const text = 'Back for the second gable';
  const job = { name: OLD[0] ?? '', id: '' };
  const { items } = (await (await fetch(`${server.address}/api/jobs`)).json()) as {
    items: { id: string; name: string }[];
  };
  job.id = items.find(({ name }) => name === job.name)?.id ?? '';
  await put(`entries/${randomUUID()}`, {
    ...{
      kind: 'note',
      schema: 1,
      at: new Date().toISOString(),
      author: 'TO',
      jobId: job.id,
      surfaceId: null,
    },
    ...{ replaces: null, payload: { text } },
  });
  await expect(other.getByText(text)).toBeVisible();
  await expect(other.getByTestId('old-jobs')).toContainText('100 more entries of 1 job');
  await other.getByLabel('Find').fill('Mill Lane 1: begun');
  await expect(begun(other, 'Mill Lane 1').first()).toBeVisible();
  await other.context().close();

  // The first device has them all; a worker puts away what nobody works on, and a page opened without a server has it all the same.
  await page.getByLabel('Find').fill('');
  await expect(page.getByText(text)).toBeVisible();
  const putAway = () =>
    page.evaluate(
      () =>
        new Promise<number>((resolve) => {
          const opening = indexedDB.open('fine-spray');
          opening.onsuccess = () => {
            const count = opening.result.transaction('oldJobs').objectStore('oldJobs').count();
            count.onsuccess = () => {
              opening.result.close();
              resolve(count.result);
            };
          };
        }),
    );
  // Or three, where it came to that before the note did: the next page opens what was written for since, of the device itself.
  await expect.poll(putAway, { timeout: 60_000 }).toBeGreaterThanOrEqual(2);
  await server.kill();
  await onJournal(page);
  await expect(notice).toContainText('200 more entries of 2 jobs');
  await choose(page, 'Job', 'Mill Lane 2');
  await expect(begun(page, 'Mill Lane 2').first()).toBeVisible();
  await choose(page, 'Job', 'All jobs');
  await page.getByLabel('Find').fill('Mill Lane 1: begun');
  await expect(begun(page, 'Mill Lane 1').first()).toBeVisible();
});

test('a job whose log is nowhere near says so, and is brought when the server is back', async ({ page }) => {
  await years();
  await onJournal(page);
  await page.goto(`${server.address}/log/actual`);
  await expect(page.getByTestId('actual-answer')).toBeVisible();
  await page.waitForTimeout(1500);
  await server.kill();
  await choose(page, 'Job', 'Mill Lane 3');
  await expect(page.getByText('The log of this job is not on this device')).toBeVisible();
  await server.start();
  await page.getByRole('button', { name: 'Try again' }).click();
  await expect(page.getByTestId('actual-answer')).toBeVisible();
});
