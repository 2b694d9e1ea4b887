import type { Page } from '@playwright/test';
import { readPdf } from '../scripts/readPdf.mjs';
import { address, demoJob, items } from './pages';
import { expect, test } from './test';

/** What a browser prints of a page, word for word. */
async function printed(page: Page): Promise<string> {
  const { pages } = await readPdf(new Uint8Array(await page.pdf({ preferCSSPageSize: true, format: 'A4' })));
  return pages.join(' ').replace(/\s+/g, ' ');
}

test('a printed job has all of its surfaces, also those that were not in sight @wide', async ({ page }) => {
  const job = await demoJob('Tern Boathouse');
  const surfaces = await items<{ readonly name: string }>(`/api${job}/surfaces`);
  await page.emulateMedia({ colorScheme: 'dark' });
  await page.goto(`${address()}${job}`);
  await expect(page.getByTestId('job-path')).toBeVisible();
  await expect(page.getByText(surfaces[0]?.name ?? '', { exact: true }).first()).toBeVisible();
  const paper = await printed(page);
  expect(surfaces.length).toBeGreaterThan(30);
  for (const { name } of surfaces) expect(paper).toContain(name);
  expect(paper).toContain('Washroom');
  // What is only for fingers stays off paper.
  for (const button of ['Measure a room', 'Add a single surface', 'Injured'])
    expect(paper).not.toContain(button);
  // And the screen is as it was.
  await expect(page.getByRole('button', { name: 'Add a single surface' })).toBeVisible();
});

test('the journal, the clocks and the buy list are printed whole, and in dark colours as in light @wide', async ({
  page,
}) => {
  await page.emulateMedia({ colorScheme: 'dark' });
  await page.goto(`${address()}/log/journal`);
  await expect(page.getByTestId('journal-row').first()).toBeVisible();
  await expect(page.getByText(/^\d+ entries on \d+ days$/)).toBeVisible();
  const said = (await page.getByText(/^\d+ entries on \d+ days$/).textContent()) ?? '';
  const theme = page.locator('html');
  await expect(theme).toHaveAttribute('data-theme', 'dark');
  await page.evaluate(() => window.dispatchEvent(new Event('beforeprint')));
  await expect(theme).toHaveAttribute('data-theme', 'light');
  await expect(page.getByTestId('journal-row')).toHaveCount(Number.parseInt(said, 10));
  await page.evaluate(() => window.dispatchEvent(new Event('afterprint')));
  await expect(theme).toHaveAttribute('data-theme', 'dark');
  const paper = await printed(page);
  expect(paper).toContain(said);
  expect(paper).not.toContain('…');
  await page.goto(`${address()}/log/clocks`);
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  await expect(page.getByRole('heading', { level: 2 }).first()).toBeVisible();
  const headings = await page.getByRole('heading', { level: 2 }).allTextContents();
  const clocks = await printed(page);
  for (const heading of headings) expect(clocks).toContain(heading.replace(/\s+/g, ' '));
  await page.goto(`${address()}${await demoJob('Tern Boathouse')}/buy`);
  await expect(page.getByRole('main').getByText('Stain-blocking primer, water-borne').last()).toBeVisible();
  await expect(page.getByText(/enough \d+ times in/).first()).toBeVisible();
  const list = await printed(page);
  for (const coating of ['Exterior acrylic', 'Interior wall matt', 'Stain-blocking primer', 'Metal primer'])
    expect(list).toContain(coating);
  // What stands beside it on a wide screen stays there.
  expect(list).not.toContain('North wall');
});
