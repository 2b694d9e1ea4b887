import { readFileSync } from 'node:fs';
import { readPdf } from '../scripts/readPdf.mjs';
import { Hand } from './hand';
import { address, choose, demoJob, stored } from './pages';
import { expect, test, type Page } from './test';

const amountIn = (text: string | null): number =>
  Number(/([\d,]+(?:\.\d\d)?)/.exec(text ?? '')?.[1]?.replaceAll(',', ''));
const amount = async (page: Page): Promise<number> =>
  amountIn(await page.getByTestId('offer-total').textContent());
const button = (page: Page, name: string | RegExp) => page.getByRole('button', { name, exact: true });

async function pdf(page: Page, name: RegExp): Promise<string> {
  const coming = page.waitForEvent('download');
  await page.getByRole('button', { name }).click();
  const read = await readPdf(readFileSync(await (await coming).path()));
  return read.pages.join(' ');
}

/** Rooms of a flat: length, width, doors and windows. */
const FLAT = [
  ['Living room', '6', '5', 2, 2],
  ['Kitchen', '4', '3', 1, 1],
  ['Bedroom', '4', '4', 1, 1],
  ['Bath', '3', '2', 1, 0],
] as const;

test(
  'a flat is priced from nothing and offered in under five minutes of a hand',
  { tag: '@wide' },
  async ({ page }) => {
    const hand = new Hand(page);
    await page.goto(`${address()}/`);
    await hand.tap(button(page, 'New job'));
    await hand.type(page.getByLabel('What the job is called'), 'Flat of four rooms');
    await hand.tap(button(page, 'Make the job'));
    for (const [name, length, width, doors, windows] of FLAT) {
      await hand.tap(button(page, 'Measure a room'));
      await expect(page).toHaveURL(/\/places\/[0-9a-f-]{36}$/);
      await hand.type(page.getByLabel('Name', { exact: true }), name);
      await hand.length('Length', length);
      await hand.length('Width', width);
      await hand.tap(button(page, 'Done'));
      await hand.tap(button(page, 'Count something'));
      const counted = (item: string) =>
        page.getByRole('dialog').getByRole('button', { name: new RegExp(`^${item} \\d+ counted`) });
      for (let one = 0; one < doors; one += 1) await hand.again(counted('Door'));
      for (let one = 0; one < windows; one += 1) await hand.again(counted('Window'));
      await page.keyboard.press('Escape');
      await stored(page);
      await hand.tap(button(page, 'Back'));
      await expect(page).toHaveURL(/\/jobs\/[0-9a-f-]{36}$/);
    }
    await hand.tap(button(page, /Offers/).first());
    await hand.tap(button(page, 'Make an offer'));
    await expect(page.getByTestId('offer-total')).toBeVisible();
    const net = await amount(page);
    expect(net).toBeGreaterThan(1000);
    await expect(page.getByTestId('offer-inside')).toContainText(/costs you between .* and .*/);
    for (const [name] of FLAT) await expect(page.getByTestId('offer-price')).toContainText(name);

    await hand.tap(button(page, /^Mark offer \d+ as sent$/));
    await hand.tap(button(page, 'Yes, it was sent today'));
    await expect(page.getByTestId('offer-stands')).toContainText(/^Sent on .*; valid until /);
    const text = await pdf(page, /^Offer \d+, PDF$/);
    for (const [name] of FLAT) expect(text).toContain(name);
    expect(amountIn(/Price before tax (\S+)/.exec(text)?.[1] ?? '')).toBe(net);
    expect(hand.seconds).toBeLessThan(300);
  },
);

test(
  'an option is put on an offer, clashes are said, it is sent, accepted with the option, and a new edition made',
  { tag: '@wide' },
  async ({ page }) => {
    await page.goto(`${address()}${await demoJob('Kiln House, ground floor')}/offers`);
    await page.getByTestId('offer-row').filter({ hasText: 'Offer 12' }).click();
    await expect(page.getByTestId('offer-total')).toBeVisible();
    const net = await amount(page);
    const options = page.getByTestId('offer-option');
    await expect(options.filter({ hasText: 'Without the ceilings' })).toContainText(/€\d+ less/);
    await expect(options.filter({ hasText: 'Washable satin' })).toContainText(/€\d+ more/);

    await page.getByRole('button', { name: 'Add an option' }).click();
    const sheet = page.getByRole('dialog');
    await sheet.getByLabel('What the customer reads').fill('Without the back room');
    await expect(sheet.getByText('Without that there is nothing left to do.')).toBeVisible();
    await sheet.getByRole('checkbox', { name: 'Back room' }).click();
    await expect(sheet.getByText('It is about 3 surfaces.')).toBeVisible();
    await expect(sheet.getByText(/It changes what Without the ceilings changes, too/)).toBeVisible();
    await sheet.getByRole('checkbox', { name: 'Without the ceilings' }).click();
    await expect(sheet.getByText(/It changes what/)).toHaveCount(0);
    await sheet.getByRole('button', { name: 'Done', exact: true }).click();
    await expect(options.filter({ hasText: 'Without the back room' })).toContainText(/€\d+ less/);

    // Steps of payment that are not the whole are said at the field, and nothing is stored until they are.
    await page.getByLabel('Step 2: part of the total, %').fill('70');
    await expect(page.getByText('The steps come to 110 %: together they are 100 %.')).toBeVisible();
    await expect(page.getByRole('button', { name: /^Mark offer 12 as sent$/ })).toBeDisabled();
    await page.getByLabel('Step 2: part of the total, %').fill('60');
    await stored(page);
    expect(await amount(page)).toBe(net);

    await page.getByRole('button', { name: 'Mark offer 12 as sent' }).click();
    await page.getByRole('button', { name: 'Yes, it was sent today' }).click();
    await expect(page.getByTestId('offer-stands')).toContainText('Sent on');
    await page.getByRole('button', { name: 'Accepted', exact: true }).click();
    const accept = page.getByRole('dialog');
    await accept.getByRole('checkbox', { name: 'Without the ceilings' }).click();
    await accept.getByRole('checkbox', { name: 'Without the back room' }).click();
    await expect(accept.getByText(/do not go together\./)).toBeVisible();
    await expect(accept.getByRole('button', { name: 'Accepted today' })).toBeDisabled();
    await accept.getByRole('checkbox', { name: 'Without the back room' }).click();
    await accept.getByRole('button', { name: 'Accepted today' }).click();
    await expect(page.getByTestId('offer-stands')).toContainText('Accepted on');
    expect(await amount(page)).toBeLessThan(net);
    const agreed = await amount(page);
    await page.reload();
    await expect(page.getByTestId('offer-stands')).toContainText('Accepted on');
    expect(await amount(page)).toBe(agreed);

    const coming = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Offer 12, CSV' }).click();
    const csv = readFileSync(await (await coming).path(), 'utf8');
    expect(csv).toContain('taken option,,Without the ceilings,-');
    expect(csv).toContain(`before tax,,Price before tax,${agreed}`);

    await page.getByRole('button', { name: 'A new edition of it' }).dblclick();
    await expect(page.getByRole('heading', { level: 1, name: 'Offer 12, edition 2' })).toBeVisible();
    await page.getByRole('button', { name: 'Delete this draft' }).click();
    await expect(page.getByText('Offer 12, edition 2 deleted.')).toBeVisible();
    await expect(page.getByTestId('offer-row')).toHaveCount(1);
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(page.getByTestId('offer-row')).toHaveCount(2);
  },
);

test('a finished job stands beside its offer, and work that is timed changes the next price', async ({
  page,
}) => {
  const job = await demoJob('Orchard Row 3');
  await page.goto(`${address()}${job}/offers`);
  await page.getByTestId('offer-row').filter({ hasText: 'Accepted' }).click();
  const came = page.getByTestId('came-to');
  await expect(came).toContainText('left');
  const hours = async () => Number(/Hours\s*[\d.]+ h\s*([\d.]+) h/.exec(await came.innerText())?.[1]);
  const before = await hours();
  expect(before).toBeGreaterThan(5);

  await page.goto(`${address()}/log/write/worked?job=${job.split('/').pop() ?? ''}`);
  await page.getByRole('button', { name: 'Write it down' }).click();
  await expect(page.getByRole('alert').first()).toBeVisible();
  await choose(page, 'Work', 'Filling');
  await page.getByLabel('How much it was, m²').fill('30');
  await page.getByLabel('How long it took, by the clock, min').fill('240');
  await page.getByRole('button', { name: 'Write it down' }).click();
  await expect(
    page.getByText('Filling takes longer on a poor surface: say how it was.').first(),
  ).toBeVisible();
  await page.getByRole('radio', { name: 'Poor' }).click();
  await page.getByRole('button', { name: 'Write it down' }).click();
  await expect(page.getByText('written down.')).toBeVisible();
  await page.goto(`${address()}/log/journal`);
  // Found by its words: a day with much in it shows what is in sight alone.
  await page.getByLabel('Find').fill('Filling, poor');
  await expect(page.getByText(/Filling, poor, 30 m² in 240 min/)).toBeVisible();
  await page.goto(`${address()}/book`);
  await expect(
    page.getByText(/^Poor: [\d.]+ min\/m² by your log, 2 times in 1 job of this crew/),
  ).toBeVisible();

  await page.goto(`${address()}${job}/offers`);
  await page.getByTestId('offer-row').filter({ hasText: 'Accepted' }).click();
  await expect.poll(hours).toBe(before + 4);
});
