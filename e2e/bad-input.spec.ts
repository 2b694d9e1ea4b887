import { expect, test, type Page } from './test';
import { address, openQuestion, choose, makeWall, more, stored } from './pages';

const alert = (page: Page, text: RegExp) => page.getByRole('alert').filter({ hasText: text }).first();

test.beforeEach(async ({ page }) => {
  await makeWall(page);
  await openQuestion(page, 'what');
});

for (const [typed, sentence] of [
  ['0', /Width must be between 0.02 m and 100 m/],
  ['-3', /Width must be between/],
  ['99999', /Width must be between/],
  ['abc', /Width is not a number/],
  ['', /Width is missing/],
  ['3 bar', /Width is in a unit that does not fit/],
] as const) {
  test(`a width of "${typed}" gets a sentence at the field and stores nothing`, async ({ page }) => {
    await stored(page);
    const field = page.getByLabel('Width, m').first();
    await field.fill(typed);
    await expect(alert(page, sentence)).toBeVisible();
    await expect(field).toHaveValue(typed);
    await expect(field).toHaveAttribute('aria-invalid', 'true');
    await expect(page.getByTestId('save-state')).toContainText('Not stored');
    await page.reload();
    await openQuestion(page, 'what');
    await expect(page.getByLabel('Width, m').first()).toHaveValue('4');
  });
}

test('openings larger than the wall are refused where they are, and the last card stays', async ({
  page,
}) => {
  await page.getByRole('button', { name: 'Windows: one more' }).click();
  await page.getByLabel('Window width, m').fill('6');
  await expect(alert(page, /This window is wider than the surface/)).toBeVisible();
  await expect(page.getByText('The card below is the old one, from before this.')).toBeVisible();
  await expect(page.getByTestId('old-card')).toBeVisible();
  await expect(page.getByTestId('answer-strip')).toContainText('This window is wider than the surface');
  await page.getByLabel('Window width, m').fill('2');
  await expect(page.getByTestId('refusal')).toHaveCount(0);
  await stored(page);
});

test('a four-digit tip is read as such, a wrong one explained, one over the sprayer refused', async ({
  page,
}) => {
  await openQuestion(page, 'machine');
  await page.getByRole('button', { name: 'Use another tip' }).click();
  const code = page.getByLabel('Tip number, as it stands on the tip');
  await code.fill('5150');
  await expect(alert(page, /fan 51.*Did you mean 515/)).toBeVisible();
  await code.fill('527');
  await expect(alert(page, /over this sprayer's limit of 23/)).toBeVisible();
  await code.fill('10 21');
  await expect(page.getByTestId('tip-code')).toHaveText('1021');
  await expect(page.getByTestId('tip-decoded')).toContainText(/1021: 508 mm fan, 0\.53 mm hole/);
  await page.getByRole('button', { name: 'Back to the best tip' }).click();
  await expect(page.getByTestId('tip-code')).not.toHaveText('1021');
});

test('thinning over the data sheet is refused with the way out', async ({ page }) => {
  await openQuestion(page, 'with');
  await page.getByLabel('Thinner, per volume of paint, %').fill('20');
  await expect(alert(page, /between 0 % and 5 %/)).toBeVisible();
});

test('a name of 10,000 characters is refused and what was stored stays', async ({ page }) => {
  await stored(page);
  await page.getByLabel('Name').fill('x'.repeat(10_000));
  await expect(alert(page, /Surface name is too long: 120 characters at most/)).toBeVisible();
  // What was typed is still there, with its sentence; a step back is what is stored.
  await page.reload();
  await expect(alert(page, /Surface name is too long: 120 characters at most/)).toBeVisible();
  await page.getByRole('button', { name: 'Step back' }).click();
  await expect(page.getByLabel('Name')).toHaveValue('New wall');
  await stored(page);
});

test('a solvent coating on a water-only sprayer is refused with the reason', async ({ page }) => {
  await page.getByRole('button', { name: 'Back', exact: true }).click();
  await more(page, 'Details');
  await choose(page, 'Sprayer', /^Small electric/);
  await page.getByRole('dialog').getByRole('button', { name: 'Store' }).click();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page
    .getByRole('link', { name: /New wall/ })
    .first()
    .click();
  await openQuestion(page, 'with');
  await choose(page, 'Coating', /^Clear lacquer/);
  await expect(page.getByTestId('refusal')).toContainText('carries solvent');
});

test('a job without a name is not made, and what was typed is still there', async ({ page }) => {
  await page.goto(`${address()}/new`);
  await page.getByLabel('Where it is').fill('Mill lane 4');
  await page.getByRole('button', { name: 'Make the job' }).click();
  await expect(page.getByText('Job name is missing.')).toBeVisible();
  await expect(page).toHaveURL(/\/new$/);
  await page.reload();
  await expect(page.getByLabel('Where it is')).toHaveValue('Mill lane 4');
});
