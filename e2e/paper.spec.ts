import { readFileSync } from 'node:fs';
import { expect, test, type Page } from './test';
import { readPdf } from '../scripts/readPdf.mjs';
import { address, demoJob, demoSurface } from './pages';

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
  for (const part of ['In short', 'Set-up cards', 'Areas and how they were worked out', 'Cautions']) {
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
  // A press so soon after the last would be taken for the same one.
  await page.waitForTimeout(400);
  expect((await sheet(page, 'Buy list, PDF')).pages.length).toBeGreaterThan(1);
});

test(
  'a buy list comes back from the shop and is held against what the job wants',
  { tag: '@wide' },
  async ({ page }) => {
    await page.goto(`${address()}${await demoJob()}/buy`);
    await expect(page.getByTestId('coating-to-buy').first()).toContainText('enough');
    const coming = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Buy list, CSV' }).click();
    const csv = readFileSync(await (await coming).path(), 'utf8');
    const check = async (text: string) => {
      const chooser = page.waitForEvent('filechooser');
      await page.getByRole('button', { name: 'Check what was bought' }).click();
      await (await chooser).setFiles({ name: 'shop.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
      return page.getByRole('dialog');
    };
    const whole = await check(csv);
    await expect(whole.getByText('Enough of every coating')).toBeVisible();
    await page.getByRole('dialog').getByRole('button', { name: 'Close', exact: true }).click();

    const [header = '', ...lines] = csv.trim().split(/\r?\n/);
    const part = await check([header, ...lines.slice(1)].join('\n'));
    await expect(part.getByText(`1 of ${lines.length} coatings may not be enough`)).toBeVisible();
    await expect(part.getByText('Not on the list')).toBeVisible();
    await page.getByRole('dialog').getByRole('button', { name: 'Close', exact: true }).click();

    const wrong = await check([header, 'Interior wall matt,many,1,80,1 x 10,10,,2'].join('\n'));
    await expect(wrong.getByRole('alert')).toContainText('"many" is not a number.');
  },
);

test('set-ups of a wall are compared side by side, and another one is fitted', async ({ page }) => {
  await page.goto(`${address()}${await demoSurface('South wall')}`);
  const code = page.getByTestId('tip-code');
  const before = await code.textContent();
  await page.getByRole('button', { name: 'Compare set-ups' }).click();
  const sheet = page.getByRole('dialog');
  const columns = sheet.getByRole('group');
  await expect(columns).toHaveCount(2);
  await sheet.getByRole('checkbox').nth(2).click();
  await expect(columns).toHaveCount(3);
  for (const name of ['Spraying', 'Its hours cost', 'Paint, likely', 'Pump flow in hand']) {
    await expect(sheet.getByText(name, { exact: true })).toHaveCount(3);
  }
  await columns.nth(1).getByRole('button', { name: 'Fit it' }).click();
  await expect(code).not.toHaveText(before ?? '');
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(code).toHaveText(before ?? '');
});
