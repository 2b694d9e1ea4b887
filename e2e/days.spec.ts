import { readFileSync } from 'node:fs';
import { address, demoJob } from './pages';
import { expect, test } from './test';

test(
  'the days of a job are planned, follow people and shut rooms, and go out as a calendar',
  { tag: '@wide' },
  async ({ page }) => {
    await page.goto(`${address()}${await demoJob('Kiln House, ground floor')}`);
    await page.getByRole('button', { name: 'Plan the days' }).click();
    const answer = page.getByTestId('days-answer');
    await expect(answer).toContainText('No plan can be done before');
    await expect(page.getByTestId('day-task').first()).toContainText('protect');
    const day = page.getByTestId('day').first();
    const first = await day.getByRole('heading').innerText();
    await expect(page.getByText(/Hall: Wall, Interior wall matt.*coat 2/)).toBeVisible();

    await page.getByRole('button', { name: 'Rooms that are shut on some days' }).click();
    const weekday = first.split(' ')[0] ?? '';
    await page.getByRole('checkbox', { name: `Hall, ${weekday}` }).click();
    await page.getByRole('dialog').getByRole('button', { name: 'Done', exact: true }).click();
    await expect(day.getByRole('heading')).toHaveText(first);
    await expect(day.getByText(/^Hall:/)).toHaveCount(0);
    await expect(day.getByText(/^Front room:/).first()).toBeVisible();

    // Kept on the device, and said by its name.
    await page.reload();
    await expect(page.getByRole('button', { name: 'Shut on some days: Hall' })).toBeVisible();
    await expect(day.getByText(/^Hall:/)).toHaveCount(0);
    await expect(answer).toBeVisible();

    const coming = page.waitForEvent('download');
    await page.getByRole('button', { name: 'As a calendar' }).click();
    const text = readFileSync(await (await coming).path(), 'utf8');
    expect(text).toContain('BEGIN:VCALENDAR');
    expect(text.match(/BEGIN:VEVENT/g)?.length).toBeGreaterThan(15);

    const others = page.getByTestId('other-ways');
    await expect(others.getByRole('button')).toHaveCount(3);
    await expect(others).toContainText(/One person more/);
    await others.getByRole('button', { name: /^Another sprayer/ }).click();
    await expect(page.getByRole('group', { name: 'Sprayers', exact: true })).toContainText('2');
    await expect(answer).toBeVisible();

    await page.getByRole('radio', { name: 'Walls first' }).click();
    await expect(answer).toBeVisible();
    await page.getByRole('button', { name: 'A day later' }).click();
    await expect(day.getByRole('heading')).not.toHaveText(first);
  },
);

test(
  'what is to prepare is listed room by room with amounts and cautions, and stays ticked',
  { tag: '@wide' },
  async ({ page }) => {
    await page.goto(`${address()}${await demoJob('Orchard Row 3')}`);
    await page.getByRole('button', { name: 'Prepare', exact: true }).click();
    const answer = page.getByTestId('prepare-answer');
    await expect(answer).toContainText(/^[\d.]+ h left/);
    const before = await answer.innerText();
    const living = page.getByTestId('room-to-prepare').filter({ hasText: 'Living room' });
    await expect(living).toContainText('Caution: before you wash, scrape or sand');
    await expect(living.getByText(/^[\d.]+ m², .*Dust first, then mist/)).toBeVisible();
    const floor = living.getByRole('checkbox', { name: /^Floor covered/ });
    await floor.click();
    await expect(floor).toBeChecked();
    await expect(answer).not.toHaveText(before);
    await expect(answer).toContainText(/1 of \d+ lines done/);
    await page.reload();
    await expect(floor).toBeChecked();
    await floor.click();
    await expect(answer).toContainText(/ 0 of \d+ lines done/);
  },
);
