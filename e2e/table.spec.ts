import { address, choose, forget, ownJob } from './pages';
import { expect, test } from './test';

test(
  'surfaces as a table: found, sorted, grouped, several changed at once, one in place, and taken back',
  { tag: '@wide' },
  async ({ page }, { project }) => {
    const job = await ownJob(`Table ${project.name}`);
    await page.goto(`${address()}${job}/table`);
    const rows = page.getByTestId('table-row');
    const totals = page.getByTestId('table-totals');
    await expect(rows).toHaveCount(9);
    await expect(totals).toContainText('9 surfaces');
    const names = () => rows.locator('[role=cell]:nth-child(3)').allInnerTexts();
    await page.getByRole('columnheader', { name: 'Area' }).click();
    await expect(page.getByRole('columnheader', { name: 'Area' })).toHaveAttribute('aria-sort', 'descending');
    const areas = await rows.locator('[role=cell]:nth-child(7)').allInnerTexts();
    const numbers = areas.map((text) => Number(text.replace(/[^\d.]/g, '')));
    expect(numbers).toEqual([...numbers].sort((a, b) => b - a));

    await page.getByLabel('Find').fill('hall');
    const inHall = (await names()).length;
    expect(inHall).toBeLessThan(9);
    await page.getByRole('checkbox', { name: 'All of them' }).click();
    await expect(totals).toContainText(`${inHall} chosen`);
    await page.getByRole('button', { name: '3 coats' }).click();
    await expect(page.getByText(`${inHall} surfaces changed.`)).toBeVisible();
    await expect(rows.locator('[role=cell]:nth-child(6)').first()).toHaveText('3');
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(rows.locator('[role=cell]:nth-child(6)').first()).toHaveText('2');
    await choose(page, `Finish of ${inHall} surfaces`, 'Interior wall satin, water-borne');
    await expect(rows.locator('[role=cell]:nth-child(5)').first()).toHaveText(
      'Interior wall satin, water-borne',
    );

    await page.getByLabel('Find').fill('');
    await page.getByRole('button', { name: 'By rooms' }).click();
    await expect(page.getByText(/^Front room: \d+ surfaces, [\d.]+ m²$/)).toBeVisible();
    await page.getByRole('button', { name: 'Not by rooms' }).click();
    const first = (await names())[0] ?? '';
    await rows.first().getByRole('cell', { name: first, exact: true }).click();
    const field = page.getByRole('textbox', { name: `Name of ${first}` });
    await field.fill('');
    await field.press('Enter');
    await expect(page.getByText(/is missing\.$/)).toBeVisible();
    await field.fill('Renamed in the table');
    await field.press('Enter');
    await expect(page.getByText('1 surface changed.')).toBeVisible();
    await page.reload();
    await expect(page.getByText('Renamed in the table')).toBeVisible();
    await forget(`/api${job}`);
  },
);
