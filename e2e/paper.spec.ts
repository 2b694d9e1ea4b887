import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { readPdf } from '../scripts/readPdf.mjs';
import { address, demoJob } from './pages';

/** Presses a button that makes a sheet, and reads the file that comes. */
async function sheet(page: Page, label: string) {
  const coming = page.waitForEvent('download');
  await page.getByRole('button', { name: label }).click();
  const file = await coming;
  const read = await readPdf(readFileSync(await file.path()));
  return { ...read, name: file.suggestedFilename(), text: read.pages.join(' ') };
}

test('the job sheet comes as a file with set-up cards, areas, quantities and cautions, on the paper chosen', async ({
  page,
}) => {
  await page.goto(`${address()}${await demoJob()}/files`);
  const a4 = await sheet(page, 'Job sheet, PDF');
  expect([a4.name, a4.title]).toEqual(['tern-boathouse-job-sheet.pdf', 'Tern Boathouse: job sheet']);
  expect(a4.size.map(Math.round)).toEqual([595, 842]);
  for (const part of ['In short', 'Set-up cards', 'Areas and how they were worked out', 'Caution:']) {
    expect(a4.text).toContain(part);
  }
  await page.getByRole('radio', { name: 'Letter' }).click();
  const letter = await sheet(page, 'Job sheet, PDF');
  expect(letter.size).toEqual([612, 792]);
  await page.reload();
  await expect(page.getByRole('radio', { name: 'Letter' })).toBeChecked();
});

test('the buy list on paper says what the screen says, at the risk chosen', async ({ page }) => {
  await page.goto(`${address()}${await demoJob()}/buy`);
  await page.getByRole('radio', { name: '19 in 20' }).click();
  await page.getByRole('radio', { name: 'Least money' }).click();
  const lines = page.getByTestId('coating-to-buy');
  await expect(lines.first()).toContainText('enough');
  const { text, title } = await sheet(page, 'Buy list, PDF');
  expect(title).toBe('Tern Boathouse: buy list');
  expect(text).toContain('Containers for the least money, enough 95 times in 100');
  const plain = (said: string) => said.replace(/\s+/g, ' ');
  for (const line of await lines.all()) {
    const coating = await line.getByRole('heading').innerText();
    const containers = await line.getByText(/^\d+\s×/).innerText();
    expect(text).toContain(`${plain(coating)} ${plain(containers)}: `);
  }
});

test('while the server is away, paper says so and nothing else is lost', async ({ page, context }) => {
  await page.goto(`${address()}${await demoJob()}/files`);
  const make = page.getByRole('button', { name: 'Buy list, PDF' });
  await expect(make).toBeEnabled();
  await context.setOffline(true);
  await make.click();
  await expect(page.getByText('Buy list not made: The Fine Spray server does not answer.')).toBeVisible();
  await context.setOffline(false);
  expect((await sheet(page, 'Buy list, PDF')).pages.length).toBeGreaterThan(1);
});
