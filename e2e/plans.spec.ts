import { expect, test, type Page } from '@playwright/test';
import { keeps } from './device';
import { ownServer } from './ownServer';
import { newJob, openQuestion } from './pages';

const instance = ownServer();

interface Row {
  readonly id: string;
  readonly name: string;
  readonly version: number;
  readonly coats: number;
}
const ask = async (url: string): Promise<unknown> => (await fetch(`${instance.address}/api/${url}`)).json();
const rows = async (url: string): Promise<Row[]> => ((await ask(url)) as { items: Row[] }).items;
async function kilnHouse() {
  const job = (await rows('jobs')).find(({ name }) => name === 'Kiln House, ground floor')?.id ?? '';
  return { job, url: `jobs/${job}/surfaces` };
}
const named = async (url: string, name: string) => (await rows(url)).find((one) => one.name === name);

/** A page that has seen the job, so that it opens without the server. */
async function seen(page: Page, job: string): Promise<void> {
  await page.goto(`${instance.address}/`);
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  await page.goto(`${instance.address}/jobs/${job}`);
  await expect(page.getByText('Hall').first()).toBeVisible();
  await keeps(page, 0, [
    ['jobs'],
    ['surfaces', job],
    ['places', job],
    ['coatings'],
    ['sprayers'],
    ['hoses'],
    ['tips'],
  ]);
}
const strip = (page: Page) => page.getByTestId('strip');
const saved = (page: Page) => page.getByTestId('save-state');

test('a plan is changed without signal: kept through a reload, sent when the server is back, and shown to others', async ({
  page,
}) => {
  const { job, url } = await kilnHouse();
  await seen(page, job);
  const before = await rows(url);
  const [first, second] = before;
  await instance.kill();

  await page.goto(`${instance.address}/jobs/${job}/surfaces/${first?.id ?? ''}`);
  await openQuestion(page, 'what');
  await page.getByLabel('Name', { exact: true }).fill('Hall, all four walls');
  await expect(saved(page)).toHaveText('Kept on this device, waiting to send');
  await page.goto(`${instance.address}/jobs/${job}`);
  await expect(page.getByText('Hall, all four walls')).toBeVisible();
  await page.getByRole('button', { name: 'Add a single surface' }).click();
  await openQuestion(page, 'what');
  await page.getByLabel('Name', { exact: true }).fill('Cupboard under the stairs');
  await expect(saved(page)).toHaveText('Kept on this device, waiting to send');
  // Deleted, and a job of its own made, all without the server.
  await page.goto(`${instance.address}/jobs/${job}/surfaces/${second?.id ?? ''}`);
  await openQuestion(page, 'what');
  await page.getByRole('button', { name: 'Delete this surface' }).click();
  await expect(page.getByText(`${second?.name ?? ''} is deleted.`)).toBeVisible();
  await page.goto(`${instance.address}/`);
  await newJob(page);
  await page.reload();
  await expect(page.getByText('New job').first()).toBeVisible();
  await expect(strip(page)).toContainText(/waiting to send/);

  await instance.start();
  await expect(strip(page)).toHaveCount(0, { timeout: 60_000 });
  const after = await rows(url);
  expect(after.map(({ name }) => name).sort()).toEqual(
    [...before.slice(2).map(({ name }) => name), 'Hall, all four walls', 'Cupboard under the stairs'].sort(),
  );
  expect(await named('jobs', 'New job')).toBeDefined();
  await page.goto(`${instance.address}/jobs/${job}`);
  await expect(page.getByText('Cupboard under the stairs')).toBeVisible();
});

test('what two changed apart is shown side by side, and one of them decides', async ({ page }) => {
  const { job, url } = await kilnHouse();
  await seen(page, job);
  const [mine, theirs] = (await rows(url)).slice(-2) as [Row, Row];
  const elsewhere = async ({ id }: Row, change: object) => {
    const {
      version,
      createdAt: _made,
      updatedAt: _changed,
      id: _id,
      ...fields
    } = (await ask(`surfaces/${id}`)) as Row & Record<string, unknown>;
    const put = await fetch(`${instance.address}/api/surfaces/${id}`, {
      method: 'PUT',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ ...fields, ...change, version }),
    });
    expect(put.status).toBe(200);
  };
  await instance.kill();
  for (const { id } of [mine, theirs]) {
    await page.goto(`${instance.address}/jobs/${job}/surfaces/${id}`);
    await openQuestion(page, 'what');
    await page.getByLabel('Name', { exact: true }).fill(`Mine ${id.slice(-4)}`);
    await expect(saved(page)).toHaveText('Kept on this device, waiting to send');
  }
  // The page is closed while a colleague changes the same.
  await page.goto('about:blank');
  await instance.start();
  for (const one of [mine, theirs]) await elsewhere(one, { name: `Theirs ${one.id.slice(-4)}`, coats: 3 });

  await page.goto(`${instance.address}/log/waiting`);
  await expect(page.getByText('Changed here and elsewhere')).toHaveCount(2);
  const sides = page.getByRole('table', { name: 'Both sides' }).first();
  await expect(sides).toContainText(`Mine ${mine.id.slice(-4)}`);
  await expect(sides).toContainText(`Theirs ${mine.id.slice(-4)}`);
  await expect(sides.getByRole('row', { name: /Coats/ })).toContainText('3');
  await expect(strip(page)).toContainText('2 not taken');
  await page.getByRole('button', { name: 'Keep mine' }).first().click();
  await expect(page.getByText('Changed here and elsewhere')).toHaveCount(1);
  await page.getByRole('button', { name: 'Take the other' }).click();
  await expect(page.getByText('Nothing waits')).toBeVisible();

  const found = new Map((await rows(url)).map((row) => [row.id, row]));
  expect(found.get(mine.id)).toMatchObject({ name: `Mine ${mine.id.slice(-4)}`, coats: mine.coats });
  expect(found.get(theirs.id)).toMatchObject({ name: `Theirs ${theirs.id.slice(-4)}`, coats: 3 });
  await page.goto(`${instance.address}/jobs/${job}/surfaces/${theirs.id}`);
  await openQuestion(page, 'what');
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue(`Theirs ${theirs.id.slice(-4)}`);
});
