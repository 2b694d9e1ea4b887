import { expect, test } from './test';
import { address, openQuestion, choose, demoJob, demoSurface, makeWall, more, stored } from './pages';

test('the printed address opens the demo company with its jobs', async ({ page }) => {
  await page.goto(address());
  await expect(page).toHaveTitle('Jobs · Millrace Decorating – Fine Spray');
  for (const job of ['Tern Boathouse', 'Kiln House, ground floor', 'Orchard Row 3']) {
    await expect(page.getByRole('link', { name: new RegExp(job) })).toBeVisible();
  }
});

test(
  'a new wall shows its set-up card before anything is touched, and the card follows every input',
  { tag: '@wide' },
  async ({ page }) => {
    await makeWall(page);
    const card = page.getByTestId('setup-card');
    for (const label of [
      'Gun, start',
      'Pump, start',
      'Move the gun 2.4 m in',
      'Paint, 2 coats',
      'Wet film',
      'Dry film',
      'Filter',
      'Thin',
      'Overlap',
      'Distance',
    ]) {
      await expect(
        card.getByRole('button', { name: new RegExp(`^${label}.*Why this number$`) }),
      ).toBeVisible();
    }
    await expect(card.getByRole('button', { name: /Fit it instead/ })).toHaveCount(2);
    await expect(page.getByRole('img', { name: /^Film to scale: sag limit .*wet .*dry / })).toBeVisible();
    await expect(page.getByRole('img', { name: /^Pump to wall: .* fan \d+ mm wide/ })).toBeVisible();

    // From here on nothing may be asked of the server for the card to move.
    await page.route('**/api/**', (route) => route.abort());
    const paint = page.getByTestId('paint');
    const before = await paint.textContent();
    await openQuestion(page, 'what');
    await page.getByLabel('Width, m').first().fill('8');
    await expect(paint).not.toHaveText(before ?? '');
    const wide = await paint.textContent();
    await page.getByRole('button', { name: 'Windows: one more' }).click();
    await page.getByRole('button', { name: 'Windows: one more' }).click();
    await expect(paint).not.toHaveText(wide ?? '');
    await page.getByLabel('Window width, m').fill('2');
    await openQuestion(page, 'with');
    await choose(page, 'Coating', /High-build masonry/);
    await expect(card.getByRole('button', { name: /^Filter/ })).toContainText('30 mesh');
    await choose(page, 'Coating', /Trim enamel, water-borne/);
    await openQuestion(page, 'what');
    await choose(page, 'Piece', /^Door$/);
    await expect(page.getByRole('group', { name: 'Doors' })).toContainText('1');
    await expect(page.getByRole('radio', { name: 'Both sides' })).toBeChecked();
    await expect(card).toContainText('fine-finish tip');
    await page.unroute('**/api/**');
    await stored(page);
  },
);

test('on a phone the answer stays in sight, in one line, while the inputs are touched', async ({ page }) => {
  await makeWall(page);
  await expect(page.getByTestId('answer-strip')).toHaveCount(0);
  await openQuestion(page, 'with');
  const strip = page.getByTestId('answer-strip');
  await expect(strip).toBeVisible();
  const before = (await strip.textContent()) ?? '';
  await page.getByRole('button', { name: 'Coats: one more' }).click();
  await expect(strip).not.toHaveText(before);
  await strip.click();
  await expect(page.getByTestId('tip-code')).toBeInViewport();
  await expect(strip).toHaveCount(0);
});

test('what is described is stored, and is there after a reload', async ({ page }) => {
  await makeWall(page);
  await openQuestion(page, 'what');
  await page.getByLabel('Name').fill('Long wall <b>éà</b> 🎨');
  await page.getByLabel('Width, m').first().fill('7.3');
  await choose(page, 'Surface', /^Render, coarse/);
  await page.getByRole('radio', { name: 'Outside' }).click();
  await page.getByRole('radio', { name: 'Breeze' }).click();
  await page.getByRole('button', { name: 'Doors: one more' }).click();
  await openQuestion(page, 'with');
  await page.getByRole('button', { name: 'Coats: one more' }).click();
  await stored(page);
  const card = await page.getByTestId('setup-card').innerText();
  await page.reload();
  await openQuestion(page, 'what');
  await expect(page.getByLabel('Name')).toHaveValue('Long wall <b>éà</b> 🎨');
  await expect(page.getByLabel('Width, m').first()).toHaveValue('7.3');
  await expect(page.getByRole('radio', { name: 'Breeze' })).toBeChecked();
  expect(await page.getByTestId('setup-card').innerText()).toBe(card);
  await page.goBack();
  await page.goForward();
  await expect(page).toHaveTitle(/^Long wall .* – Fine Spray$/);
});

test(
  'any number opens its formula, inputs and source, and a data sheet value moves the card and is said',
  { tag: '@wide' },
  async ({ page }) => {
    await makeWall(page);
    await openQuestion(page, 'with');
    await choose(page, 'Coating', /^Metal primer/);
    const wet = page.getByTestId('wet-film');
    const before = await wet.textContent();
    await page.getByRole('button', { name: /^Wet film .* Why/ }).click();
    const sheet = page.getByRole('dialog');
    await expect(sheet).toContainText('WFT = DFT · (1 + r) ÷ VS');
    await expect(sheet).toContainText('Working default for metal primer');
    await sheet.getByRole('button', { name: 'Use a data sheet value' }).nth(1).click();
    await sheet.getByLabel('Volume solids from the data sheet, %').fill('52');
    await sheet.getByLabel('Where it says so').fill('Data sheet, issue 7');
    await sheet.getByRole('button', { name: 'Use it' }).click();
    await expect(sheet).toContainText('Data sheet, issue 7');
    await sheet.getByRole('button', { name: 'Close' }).click();
    await expect(wet).not.toHaveText(before ?? '');
    await expect(page.getByTestId('from-data-sheet')).toContainText('volume solids');
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(wet).toHaveText(before ?? '');
    await expect(page.getByTestId('from-data-sheet')).toHaveCount(0);
  },
);

test('every number of the card opens', async ({ page }) => {
  await page.goto(`${address()}${await demoSurface('North wall')}`);
  const numbers = page.getByTestId('setup-card').getByRole('button', { name: /Why this number/ });
  await expect(numbers.first()).toBeVisible();
  // What is further down the card is drawn right after what stands first.
  await expect.poll(() => numbers.count()).toBeGreaterThan(12);
  const count = await numbers.count();
  for (let index = 0; index < count; index += 1) {
    await numbers.nth(index).click();
    const sheet = page.getByRole('dialog');
    await expect(sheet).toContainText('Source:');
    await expect(sheet).toContainText('Holds:');
    await page.keyboard.press('Escape');
    await expect(sheet).toHaveCount(0);
  }
});

test('a new device has the answer of the set-up with the page, before its program; the card says the same', async ({
  page,
}) => {
  const setUp = `${address()}/set-up`;
  // The program does not come.
  await page.route('**/entry-*.js', (route) => route.abort());
  const first = page.locator('.first-answer');
  // A server that is busy sends the page without it; the next one has it.
  await expect(async () => {
    await page.goto(setUp);
    await expect(first).toBeVisible({ timeout: 1000 });
  }).toPass();
  await expect(first).toContainText('take precedence');
  const [tip = '', gun = ''] = await first.locator('.parts b').allInnerTexts();
  expect(gun).toMatch(/^\d+–\d+ bar$/);
  await page.unroute('**/entry-*.js');
  // It comes, and the log does not: the answer stays where it is.
  let goOn = (): unknown => undefined;
  const held = new Promise<void>((resolve) => (goOn = resolve));
  await page.route('**/api/entries**', async (route) => {
    await held;
    await route.continue();
  });
  await page.goto(setUp);
  const shown = page.getByTestId('first-answer');
  await expect(shown).toContainText('The rest of the card is on its way.');
  await expect(shown).toContainText(tip);
  await expect(shown).toContainText(gun);
  goOn();
  await expect(page.getByTestId('tip-code')).toHaveText(tip);
  await expect(page.getByTestId('first-answer')).toHaveCount(0);
  await openQuestion(page, 'what');
  await expect(page.getByTestId('answer-strip')).toContainText(gun);
  // A device with something of its own does not begin with another's.
  await page.goto(`${address()}/settings`);
  await page.getByRole('radio', { name: 'US' }).click();
  await page.route('**/entry-*.js', (route) => route.abort());
  await page.goto(setUp);
  await expect(page.locator('.first-picture')).toBeVisible();
  await expect(first).toBeHidden();
});

test('metric and US change places, and the choice is kept', { tag: '@wide' }, async ({ page }) => {
  const wall = `${address()}${await demoSurface('Stair wall, left')}`;
  await page.goto(wall);
  await expect(page.getByTestId('paint')).toContainText('L');
  await page.goto(`${address()}/settings`);
  await page.getByRole('radio', { name: 'US' }).click();
  await page.goto(wall);
  await expect(page.getByTestId('paint')).toContainText('gal');
  await expect(page.getByTestId('wet-film')).toContainText('mil');
  await openQuestion(page, 'what');
  await expect(page.getByLabel('Width, ft').first()).toHaveValue('13.78');
});

test('a deleted surface comes back by undo, with all it had', { tag: '@wide' }, async ({ page }) => {
  await makeWall(page);
  await openQuestion(page, 'what');
  await page.getByLabel('Name').fill('Wall to lose');
  await page.getByRole('button', { name: 'Doors: one more' }).click();
  await stored(page);
  const url = page.url();
  await page.getByRole('button', { name: 'Delete this surface' }).click();
  await expect(page).toHaveURL(/\/jobs\/[0-9a-f-]{36}$/);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('link', { name: /Wall to lose/ }).first()).toBeVisible();
  await page.goto(url);
  await openQuestion(page, 'what');
  await expect(page.getByRole('group', { name: 'Doors' })).toContainText('1');
});

test(
  'a start begins with the list as it was last seen, and takes a tap before the application is there',
  { tag: '@wide' },
  async ({ page }) => {
    await page.goto(address());
    const job = page.getByRole('link', { name: /^Tern Boathouse/ });
    await expect(job).toBeVisible();
    await expect.poll(() => page.evaluate(() => localStorage.getItem('fine-spray.last-seen'))).not.toBeNull();
    const stood = await job.boundingBox();

    // The program comes late, as on a slow phone.
    let come = () => {};
    const late = new Promise<void>((resolve) => {
      come = resolve;
    });
    await page.route('**/entry-*.js', async (route) => {
      await late;
      await route.continue();
    });
    await page.reload({ waitUntil: 'commit' });
    await expect(page.locator('[data-last-seen]').getByText('Tern Boathouse')).toBeVisible();
    expect(await job.boundingBox()).toEqual(stood);
    await job.click();
    await expect(page.locator('[data-tapped]')).toHaveCount(1);
    expect(page.url()).toContain('/jobs/');
    come();
    await expect(page.getByRole('heading', { level: 1, name: 'Tern Boathouse' })).toBeVisible();
    await page.goBack();
    // The application has taken its place.
    await expect(job).toBeVisible();
    await expect(page.locator('[data-last-seen]')).toHaveCount(0);
  },
);

test(
  'a job is renamed, its hose changed, and deleted only after asking',
  { tag: '@wide' },
  async ({ page }) => {
    await makeWall(page);
    await page.getByRole('button', { name: 'Back', exact: true }).click();
    await more(page, 'Details');
    const sheet = page.getByRole('dialog');
    await sheet.getByLabel('Name').fill('Boat shed');
    await choose(page, 'Hose at the pump', 'Three eighths, 15 m');
    await sheet.getByRole('button', { name: 'Store' }).click();
    await expect(page.getByRole('heading', { name: 'Boat shed' })).toBeVisible();
    await expect(page.getByText(/Three eighths, 15 m/).first()).toBeVisible();
    await more(page, 'Details');
    await sheet.getByRole('button', { name: 'Delete this job' }).click();
    await sheet.getByRole('button', { name: 'Delete the job' }).click();
    await expect(page.getByRole('link', { name: /Tern Boathouse/ })).toBeVisible();
    await expect(page.getByRole('link', { name: /Boat shed/ })).toHaveCount(0);
  },
);

test('the emergency card is one tap away on every screen', async ({ page }) => {
  const screens = [
    '/',
    '/set-up',
    '/kit',
    '/settings',
    await demoJob(),
    await demoSurface('North wall'),
    '/nowhere',
  ];
  for (const screen of screens) {
    await page.goto(`${address()}${screen}`);
    await page.getByRole('link', { name: /Injured/ }).click();
    await expect(page.getByText('Go to an emergency department now.', { exact: false })).toBeVisible();
    await expect(page.getByText('Never squeeze it', { exact: false })).toBeVisible();
  }
});

test('the emergency card is one tap away from a sheet too', { tag: '@wide' }, async ({ page }) => {
  await page.goto(`${address()}${await demoSurface('North wall')}`);
  await page.getByRole('button', { name: /^Dry film .* Why/ }).click();
  await page
    .getByRole('dialog')
    .getByRole('link', { name: /Injured/ })
    .click();
  await expect(page.getByText('Go to an emergency department now.', { exact: false })).toBeVisible();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.keyboard.press('?');
  await page
    .getByRole('dialog')
    .getByRole('link', { name: /Injured/ })
    .click();
  await expect(page.getByRole('dialog')).toHaveCount(0);
});

test('two people on one wall: the second is shown both and loses nothing', async ({ page, context }) => {
  await makeWall(page);
  await openQuestion(page, 'what');
  await page.getByLabel('Name').fill('Shared wall');
  await stored(page);
  const other = await context.newPage();
  await other.goto(page.url());
  await openQuestion(other, 'what');
  await other.getByLabel('Width, m').first().fill('5');
  await stored(other);
  await page.getByLabel('Height, m').first().fill('3');
  await expect(page.getByTestId('save-state')).toHaveText('Changed elsewhere');
  await page.getByRole('button', { name: 'Keep mine' }).click();
  await stored(page);
  await page.reload();
  await openQuestion(page, 'what');
  await expect(page.getByLabel('Height, m').first()).toHaveValue('3');
  await expect(page.getByLabel('Width, m').first()).toHaveValue('4');
});

test('keys lead about: places, emergency card, units, list of keys', { tag: '@wide' }, async ({ page }) => {
  await page.goto(address());
  await expect(page.getByRole('link', { name: /Tern Boathouse/ })).toBeVisible();
  await page.keyboard.press('1');
  await expect(page).toHaveURL(/\/today$/);
  await page.keyboard.press('4');
  await expect(page).toHaveURL(/\/log$/);
  await page.keyboard.press('5');
  await expect(page).toHaveURL(/\/kit$/);
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog')).toContainText('Keyboard shortcuts');
  await page.keyboard.press('Escape');
  await page.keyboard.press('e');
  await expect(page).toHaveURL(/\/emergency$/);
});

test(
  'the film a card lays is worked out in a worker and shown on the wall, with the hand that lays it',
  { tag: '@wide' },
  async ({ page }) => {
    await page.goto(`${address()}${await demoSurface('North wall')}`);
    const worker = page.waitForEvent('worker');
    await page.getByRole('button', { name: 'See the film on the wall' }).click();
    expect((await worker).url()).toContain(address());
    const sheet = page.getByRole('dialog', { name: 'Film on the wall' });
    await expect(sheet.getByTestId('film-mean')).toHaveText(/\d+\s?μm/);
    await expect(
      sheet.getByRole('img', { name: /^The wall to scale with its film and \d+ passes$/ }),
    ).toBeVisible();
    const verdict = sheet.getByTestId('film-verdict');
    await expect(verdict).toHaveText(/thinner than .* is over the sag limit of 200 μm/);

    const steady = await verdict.textContent();
    await sheet.getByRole('radio', { name: 'Usual hand' }).click();
    await expect(verdict).not.toHaveText(steady ?? '');
    const usual = await verdict.textContent();
    await sheet.getByRole('button', { name: 'Another try' }).click();
    await expect(verdict).not.toHaveText(usual ?? '');

    await sheet.getByRole('button', { name: /^Misses the piece/ }).click();
    await expect(page.getByRole('dialog').getByText('Paint that misses the piece')).toBeVisible();
    await page.getByRole('button', { name: 'Close' }).click();
    await expect(sheet.getByTestId('film-mean')).toBeVisible();
    await page.keyboard.press('Escape');
    await expect(sheet).toHaveCount(0);
  },
);

test(
  'the tips of a job: few, ours first, put on its surfaces in one step and taken back',
  { tag: '@wide' },
  async ({ page }) => {
    await page.goto(`${address()}${await demoJob()}/take`);
    await page.getByRole('button', { name: 'Fewer tips' }).click();
    const answer = page.getByTestId('job-tips-answer');
    await expect(answer).toContainText(/\d tips, (all ours|\d to buy)/);
    await expect(answer).toContainText('Every coat stays within 10 % of its best tip.');
    const tips = await page.getByTestId('job-tip').count();
    await page.getByRole('radio', { name: '3', exact: true }).click();
    await expect(page.getByTestId('job-tip')).toHaveCount(3);
    await page.getByRole('radio', { name: 'Any', exact: true }).click();
    await expect(page.getByTestId('job-tip')).toHaveCount(tips);
    await page.getByRole('button', { name: 'Use these tips' }).click();
    await expect(page.getByText(/^\d tips on \d+ surfaces\.$/)).toBeVisible();
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(page.getByText(/^\d tips on \d+ surfaces\.$/)).toHaveCount(0);
  },
);

test('the buy list of a job: containers by the risk chosen, where the paint goes, what makes it unsure', async ({
  page,
}) => {
  await page.goto(`${address()}${await demoJob()}`);
  const worker = page.waitForEvent('worker');
  await page.getByRole('button', { name: 'What to buy' }).click();
  await expect(page).toHaveURL(/\/buy$/);
  expect((await worker).url()).toContain(address());
  const lines = page.getByTestId('coating-to-buy');
  await expect(lines.first()).toContainText(/\d+\s×\s[\d.]+\sL.*enough .*times in 100/);
  const coatings = await lines.count();
  expect(coatings).toBeGreaterThan(3);
  const litres = async () =>
    (await lines.allTextContents()).map((text) =>
      Number(/([\d.]+)\s?L(?: for \S+)?, enough/.exec(text)?.[1]),
    );
  await page.getByRole('radio', { name: '1 time in 2' }).click();
  const even = await litres();
  await page.getByRole('radio', { name: '19 in 20' }).click();
  const sure = await litres();
  expect(sure).toHaveLength(coatings);
  sure.forEach((one, index) => expect(one).toBeGreaterThanOrEqual(even[index] ?? NaN));
  expect(sure.some((one, index) => one > (even[index] ?? NaN))).toBe(true);

  // What is asked, and its rooms: together the price.
  const amount = (text: string) => Number(text.replace(/[^\d.]/g, ''));
  const price = amount(await page.getByTestId('price-net').innerText());
  const rooms = await page.getByRole('group', { name: 'By room, before tax' }).innerText();
  const parts = rooms.split('\n').filter((line) => line.startsWith('€'));
  expect(parts.length).toBeGreaterThan(5);
  expect(parts.reduce((sum, one) => sum + amount(one), 0)).toBeCloseTo(price, 2);

  await lines.first().click();
  const sheet = page.getByRole('dialog');
  await expect(sheet.getByText('Beside the pieces and in the air')).toBeVisible();
  await expect(sheet.getByText(/\d+ % of it$/).first()).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(sheet).toHaveCount(0);

  // Nothing to buy, and a job that is not there
  await page.goto(`${address()}/jobs/00000000-0000-7000-8000-00000000dead/buy`);
  await expect(page.getByText('There is no such job')).toBeVisible();
});

test('two taps in one instant make one job and one surface; a layer has its card and its tools', async ({
  page,
}) => {
  let made = 0;
  page.on('request', (request) => {
    if (request.method() !== 'GET' && /\/api\/(jobs|surfaces|batch)/.test(request.url())) made += 1;
  });
  await page.goto(`${address()}/`);
  await page.getByRole('button', { name: 'New job' }).dblclick();
  await page.getByLabel('What the job is called').fill('Two taps');
  await page.getByRole('button', { name: 'Make the job' }).dblclick();
  await expect(page).toHaveURL(/\/jobs\/[0-9a-f-]+$/);
  await page.getByRole('button', { name: 'Add a single surface' }).dblclick();
  await expect(page).toHaveURL(/\/surfaces\/[0-9a-f-]+$/);
  await stored(page);
  expect(made).toBe(2);

  const { pathname } = new URL(page.url());
  const [, , jobId, , id] = pathname.split('/');
  const rows = async (of: string) =>
    ((await (await fetch(`${address()}/api/${of}`)).json()) as { items: Record<string, unknown>[] }).items;
  const row = (await rows(`jobs/${jobId ?? ''}/surfaces`)).find((one) => one['id'] === id) ?? {};
  const primer = (await rows('coatings')).find(({ archetype }) => archetype === 'stain-block') ?? {};
  const { id: _id, createdAt: _made, updatedAt: _now, ...content } = row;
  const under = [{ role: 'prime', coatingId: primer['id'], coats: 1, thinning: 0, share: 1 }];
  const answer = await fetch(`${address()}/api/surfaces/${id ?? ''}`, {
    method: 'PUT',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ ...content, under }),
  });
  expect(answer.status).toBe(200);
  await page.getByRole('radio', { name: 'Prime' }).click();
  const tip = (await page.getByTestId('tip-code').textContent()) ?? '';
  await page.getByRole('button', { name: 'Dial in' }).click();
  await expect(page).toHaveURL(/dial-in\?layer=/);
  await expect(page.getByTestId('dial-in-start')).toContainText(String(primer['name']));
  await expect(page.getByTestId('dial-in-start')).toContainText(tip);
});

test(
  'back closes what lies over the screen first, and then leads back',
  { tag: '@wide' },
  async ({ page }) => {
    const job = await demoJob();
    await page.goto(`${address()}${job}`);
    const surface = await demoSurface('North wall');
    await page.goto(`${address()}${surface}`);
    const why = page.getByRole('button', { name: /^Wet film .* Why/ });
    const sheets = page.getByRole('dialog');
    await why.click();
    await sheets.getByRole('button', { name: 'Use a data sheet value' }).first().click();
    const open = await sheets.count();
    await page.goBack();
    await expect(sheets).toHaveCount(open - 1);
    while ((await sheets.count()) > 0) {
      const before = await sheets.count();
      await page.goBack();
      await expect(sheets).toHaveCount(before - 1);
    }
    expect(page.url()).toContain(surface);
    await expect(why).toBeVisible();

    // Closed in another way it leaves nothing behind in the history.
    await why.click();
    await page.getByRole('button', { name: 'Close', exact: true }).click();
    await expect(sheets).toHaveCount(0);
    await why.click();
    await page.keyboard.press('Escape');
    await expect(sheets).toHaveCount(0);
    await page.goBack();
    await expect(page).toHaveURL(new RegExp(`${job}$`));
  },
);

test('where the device takes the colours, what is chosen is told by its frame', async ({ page }) => {
  await page.emulateMedia({ forcedColors: 'active', reducedMotion: 'reduce' });
  await page.goto(`${address()}/settings`);
  const widthOf = (name: string) =>
    page
      .getByRole('radio', { name, exact: true })
      .evaluate(
        (one) =>
          Number.parseFloat(getComputedStyle(one).outlineWidth) *
          Number(getComputedStyle(one).outlineStyle !== 'none'),
      );
  await expect.poll(() => widthOf('Metric')).toBe(3);
  expect(await widthOf('US')).toBe(0);
  await page.getByRole('radio', { name: 'US', exact: true }).click();
  await expect.poll(() => widthOf('US')).toBe(3);
  expect(await widthOf('Metric')).toBe(0);
});
