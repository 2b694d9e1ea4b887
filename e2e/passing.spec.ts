import { address, demoJob, demoSurface, more, ownJob, forget } from './pages';
import { expect, test } from './test';

test(
  'a wall is passed on its drawing: played, stepped through, and stretch by stretch',
  { tag: '@wide' },
  async ({ page }) => {
    await page.goto(`${address()}${await demoSurface('East gable')}`);
    await page.getByRole('button', { name: 'How to pass it' }).click();
    const passing = page.getByTestId('passing');
    await expect(passing.getByText(/^Pass 1 of \d+$/)).toBeVisible();
    await expect(page.getByTestId('pass-picture')).toHaveAttribute('aria-label', /to scale: pass 1 of/);
    await passing.getByRole('button', { name: 'Pass after' }).click();
    await expect(passing.getByText(/^Pass 2 of \d+$/)).toBeVisible();
    const time = page.getByTestId('time-line');
    const before = Number(await time.getAttribute('aria-valuenow'));
    await time.focus();
    await page.keyboard.press('End');
    await expect.poll(async () => Number(await time.getAttribute('aria-valuenow'))).toBeGreaterThan(before);
    await page.keyboard.press('Home');
    await expect(time).toHaveAttribute('aria-valuenow', '0');
    await passing.getByRole('button', { name: 'Play' }).click();
    await expect.poll(async () => Number(await time.getAttribute('aria-valuenow'))).toBeGreaterThan(2);
    await passing.getByRole('button', { name: 'Stop' }).click();
    // Bare board is rolled in: alone in more stretches than with somebody who rolls.
    const stages = page.getByTestId('stages');
    const alone = await stages.getByRole('button').count();
    await page.getByRole('radio', { name: 'One sprays, one rolls' }).click();
    await expect.poll(() => stages.getByRole('button').count()).toBeLessThanOrEqual(alone);
    // The second coat is not rolled.
    await page.getByRole('radio', { name: 'Second coat' }).click();
    await expect(stages).toHaveCount(0);
  },
);

test('a ceiling is seen from somewhere else: its rows turn, here and on its card, and back', async ({
  page,
}) => {
  const job = await ownJob('A ceiling seen');
  const surfaces = (await (await fetch(`${address()}/api${job}/surfaces`)).json()) as {
    items: { id: string; element: string }[];
  };
  const ceiling = surfaces.items.find(({ element }) => element === 'ceiling')?.id ?? '';
  await page.goto(`${address()}${job}/surfaces/${ceiling}/passes`);
  const stored = async () =>
    (
      (await (await fetch(`${address()}/api/surfaces/${ceiling}`)).json()) as {
        geometry: { pieces?: { seenFrom?: object }[]; seenFrom?: object };
      }
    ).geometry;
  await expect(page.getByTestId('how')).toContainText('fan level');
  await page.getByRole('button', { name: /^Seen from: Left side/ }).click();
  await page.getByRole('radio', { name: 'Foot' }).click();
  await expect(page.getByText('Seen from: foot.')).toBeVisible();
  await expect(page.getByTestId('how')).toContainText('Fan upright');
  const geometry = await stored();
  expect(geometry.seenFrom ?? geometry.pieces?.[0]?.seenFrom).toBeDefined();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByTestId('how')).toContainText('fan level');
  await forget(`/api${job}`);
});

test('where nobody wants motion the passes are stepped through', async ({ page }) => {
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await page.goto(`${address()}${await demoSurface('Spindles')}/passes`);
  const passing = page.getByTestId('passing');
  await expect(passing.getByRole('button', { name: 'Play' })).toHaveCount(0);
  await passing.getByRole('button', { name: 'Next pass' }).click();
  await expect(passing.getByText(/^Pass 2 of/)).toBeVisible();
  await expect(page.getByTestId('stages').getByRole('button')).toHaveCount(4);
});

test(
  'where the machine stands follows from the ways between doors, and the plan moves it by them',
  { tag: '@wide' },
  async ({ page }) => {
    const job = await ownJob('Ways of a house');
    await page.goto(`${address()}${job}`);
    await more(page, 'Where the machine stands');
    const answer = page.getByTestId('stands-answer');
    await expect(answer).toContainText('How far are the rooms apart?');
    const ways = page.getByTestId('ways');
    const fields = ways.getByRole('textbox', { name: /^Way to / });
    await fields.first().fill('300');
    await expect(ways.getByText(/between 0/)).toBeVisible();
    const count = await fields.count();
    for (let index = 0; index < count; index += 1) await fields.nth(index).fill('2');
    await ways.getByRole('button', { name: 'Keep the ways' }).click();
    await expect(answer).toContainText('1 place');
    await expect(page.getByTestId('reach')).toHaveCount(1);
    await expect(page.getByTestId('hoses')).toContainText(/Pump at \d+ bar/);
    await page.reload();
    await expect(answer).toContainText('1 place');
    await forget(`/api${job}`);
    // The boathouse has its ways: two places.
    await page.goto(`${address()}${await demoJob()}/stands`);
    await expect(answer).toContainText('2 places');
    await expect(answer).toContainText('Outside is longer than the hose');
  },
);
