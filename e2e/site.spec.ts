import { expect, test, type Page } from './test';
import { freePort, startFineSpray, temporaryHome } from './fine-spray';
import { address, demoJob, demoSurface, openQuestion } from './pages';

const press = (page: Page, name: string | RegExp) => page.getByRole('button', { name }).first().click();
const tool = async (page: Page, name: string, surface = 'South wall') => {
  await page.goto(`${address()}${await demoSurface(surface)}/${name}`);
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
};
/** A tap within a third of a second is the same one: the next card is looked at first. */
async function saw(page: Page, pattern: string): Promise<void> {
  await press(page, new RegExp(`^${pattern}`));
  await page.waitForTimeout(400);
}
const gun = async (page: Page) =>
  Number((await page.getByTestId('dial-in-gun').innerText()).match(/\d+/)?.[0]);

/** Answers as a fan would that is even from a gun pressure on, until the dial-in ends. */
async function dialUntil(page: Page, even: number): Promise<number> {
  let cards = 0;
  while (await page.getByTestId('dial-in-spray').isVisible()) {
    const seen = (await gun(page)) >= even ? 'Even' : 'Tails';
    await saw(page, seen);
    cards += 1;
    if (cards > 12) throw new Error('the dial-in does not end');
  }
  return cards;
}

test(
  'a fan is dialled in card by card, a wrong answer is taken back, and the end is kept as measured',
  { tag: '@wide' },
  async ({ page }) => {
    await tool(page, 'dial-in');
    await press(page, 'Safe and ready: begin');
    // What is to be set is in sight, and a thumb that bounces answers one card.
    await expect(page.getByTestId('dial-in-pump')).toBeInViewport();
    const first = await gun(page);
    await page.getByRole('button', { name: /^Tails/ }).dblclick();
    await expect(page.getByText('Card 2.', { exact: false })).toBeVisible();
    await page.waitForTimeout(400);
    await press(page, /That was wrong/);
    await expect(page.getByText('Card 1.', { exact: false })).toBeVisible();
    await saw(page, 'Tails');
    expect(await gun(page)).toBeGreaterThan(first);
    await press(page, /That was wrong/);
    expect(await gun(page)).toBe(first);
    await dialUntil(page, first + 22);
    await expect(page.getByTestId('dial-in-found')).toContainText('Lowest even fan');
    await expect(page.getByTestId('dial-in-found')).toContainText('measured on this job');
    const pressures = async () =>
      (await page.getByTestId('dial-in-found').innerText()).match(/\d+/g)?.slice(0, 4);
    const found = await pressures();
    await press(page, 'Keep this set-up');
    await expect(page.getByTestId('dial-in-kept')).toBeVisible();
    // What is learned from it moves the next dial-in, not the cards of this one; nor does another unit system.
    expect(await pressures()).toEqual(found);
    await page.keyboard.press('u');
    await page.keyboard.press('u');
    expect(await pressures()).toEqual(found);
    await page.goto(`${address()}${await demoSurface('South wall')}`);
    await expect(page.getByTestId('dialled-in')).toContainText('Measured:');
    await tool(page, 'card');
    await expect(page.getByText('Pressures are those of your dial-in')).toBeVisible();
    // Another wall with the same coating, tip and sprayer remembers it.
    await tool(page, 'dial-in', 'North wall');
    await expect(page.getByTestId('dial-in-start')).toContainText(
      'Last time with this coating, tip and sprayer',
    );
  },
);

test('the width of the fan and a picture of the card are offered as answers, never taken by themselves', async ({
  page,
}) => {
  await tool(page, 'dial-in', 'East gable');
  await press(page, 'Safe and ready: begin');
  const before = await gun(page);
  await press(page, 'Measure the fan');
  const field = page.getByLabel(/Fan on the card/);
  await field.fill('9000');
  await expect(page.getByRole('alert')).toContainText('Fan on the card, edge to edge must be between');
  await field.fill('215');
  await expect(page.getByText('it wants more pressure', { exact: false })).toBeVisible();
  expect(await gun(page)).toBe(before);
  await press(page, 'Take it as: tails');
  const second = await gun(page);
  expect(second).toBeGreaterThan(before);

  await press(page, 'Photo of the card');
  await press(page, 'Too dark to read');
  await expect(page.getByRole('alert')).toContainText('too dark to read');
  await press(page, 'Tails, held askew');
  await expect(page.getByTestId('photo-reading')).toContainText('Looks tails');
  await page.keyboard.press('Escape');
  expect(await gun(page)).toBe(second);
  await press(page, 'Photo of the card');
  await press(page, 'Tails, held askew');
  await press(page, /^Take it as the answer: tails/);
  expect(await gun(page)).toBeGreaterThan(second);
});

test('a fault that pressure does not cure leads to a move, and to the next when it cannot be made here', async ({
  page,
}) => {
  await tool(page, 'dial-in', 'West gable');
  await press(page, 'Safe and ready: begin');
  await saw(page, 'One-sided');
  await expect(page.getByTestId('dial-in-move')).toContainText('Blow the tip out');
  await press(page, 'Cannot do that here');
  await expect(page.getByTestId('dial-in-move')).toContainText('filter');
  await page.waitForTimeout(400);
  await press(page, 'Done, spray again');
  await expect(page.getByTestId('dial-in-spray')).toContainText('Once more');
});

test('the gauge is live, shows the fault it plays, and its loss stops nothing', async ({ page }) => {
  await tool(page, 'dial-in', 'South wall');
  if (await page.getByText('Dial in again').isVisible()) await press(page, 'Dial in again');
  await press(page, 'Safe and ready: begin');
  await press(page, 'Hang the gauge on');
  await press(page, 'Hold the trigger');
  await expect(page.getByTestId('gauge-state')).toHaveText('As expected.');
  await press(page, /^Fault the stand-in plays/);
  await page.getByRole('radio', { name: 'Gun filter blocked' }).click();
  await expect(page.getByTestId('gauge-state')).toContainText('less than expected');
  await page.route('**/stand-ins/gauge**', (route) => route.abort());
  await press(page, 'Let the trigger go');
  await expect(page.getByTestId('gauge-state')).toContainText('Gauge lost');
  const before = await gun(page);
  await saw(page, 'Tails');
  expect(await gun(page)).toBeGreaterThan(before);
});

test('steps whose order hurts are locked, say why, and survive a reload; the end is written down', async ({
  page,
}) => {
  await tool(page, 'start-up', 'Vaulted ceiling, north slope');
  // What stands in a machine of which nothing is written down is asked, not assumed.
  const asked = page.getByTestId('ask-holds');
  const now = page.getByTestId('procedure-now');
  await expect(asked.or(now)).toBeVisible();
  if (await asked.isVisible()) await press(page, 'Storage fluid');
  await expect(now).toContainText('step 1 of');
  const last = page.getByRole('checkbox').last();
  await last.click();
  await expect(page.getByRole('alert')).toContainText('First: Lock the trigger, pump off');
  await expect(last).toHaveAttribute('aria-checked', 'false');
  // Not by any order of taps: every box once, from the last to the first, ticks only what hurts nobody.
  const boxes = page.getByRole('checkbox');
  const count = await boxes.count();
  for (let index = count - 1; index > 0; index -= 1) await boxes.nth(index).click();
  expect(
    await page.getByRole('checkbox', { name: /in last, arrow forward/ }).getAttribute('aria-checked'),
  ).toBe('false');
  await press(page, /^Done$/);
  await page.reload();
  await expect(page.getByRole('checkbox').first()).toHaveAttribute('aria-checked', 'true');
  // The button stays under the thumb whatever a step says; what is left goes by the list.
  const button = page.getByRole('button', { name: 'Done', exact: true });
  const at = async () => {
    await now.scrollIntoViewIfNeeded();
    return (await button.boundingBox())?.y;
  };
  const before = await at();
  for (let index = 1; await now.isVisible(); index += 1) {
    expect([index, await at()]).toEqual([index, before]);
    const box = boxes.nth(index);
    if ((await box.getAttribute('aria-checked')) === 'false') await box.click();
  }
  await expect(page.getByTestId('procedure-done')).toBeVisible();
  await press(page, 'Write it down');
  // Begun again only when somebody asks.
  await expect(page.getByTestId('procedure-written')).toContainText('stands in');
  await expect(now).toHaveCount(0);
  await press(page, 'Go through the list again');
  await expect(now).toContainText('step 1 of');
  await tool(page, 'shut-down', 'Vaulted ceiling, north slope');
  await page
    .getByTestId('fault-finder')
    .getByRole('button', { name: /Gun drips/ })
    .click();
  await expect(page.getByTestId('fault-finder')).toContainText('First thing to try');
  await press(page, 'Still there: next');
  await expect(page.getByTestId('fault-finder')).toContainText('Second thing to try');
});

test('a list that lay over night is begun again, and what nobody knows is taken with care', async ({
  page,
}) => {
  await tool(page, 'shut-down');
  const now = page.getByTestId('procedure-now');
  // Two taps in a row are one: nobody does a step in half a second.
  await expect(now).toContainText('step 1 of');
  await page.getByRole('button', { name: 'Done', exact: true }).dblclick();
  await expect(now).toContainText('step 2 of');
  await page.waitForTimeout(600);
  await expect(now).toContainText('step 2 of');
  await press(page, /^Done$/);
  await expect(now).toContainText('step 3 of');
  await page.reload();
  await expect(now).toContainText('step 3 of');
  await page.evaluate(() => {
    for (const key of Object.keys(localStorage).filter((one) => one.includes('.kept.shut-down'))) {
      const kept = JSON.parse(localStorage.getItem(key) ?? '{}') as { at: number };
      localStorage.setItem(key, JSON.stringify({ ...kept, at: kept.at - 24 * 3600_000 }));
    }
  });
  await page.reload();
  await expect(page.getByTestId('procedure-stale')).toContainText('start at the top');
  await expect(now).toContainText('step 1 of');
  await press(page, /^Done$/);
  await expect(now).toContainText('step 2 of');

  await tool(page, 'start-up');
  await expect(page.getByTestId('ask-holds').or(now)).toBeVisible();
  if (await now.isVisible()) await press(page, /^In the machine now/);
  await page.getByText('Nobody knows', { exact: true }).click();
  await expect(page.getByText(/takes it to burn and to mix with the go-between only/)).toBeVisible();
  await expect(page.getByRole('checkbox', { name: /Ground the sprayer/ })).toBeVisible();
});

test('what nobody has said of a house is asked once, where it matters, and taken with care', async ({
  page,
}) => {
  await page.goto(`${address()}${await demoSurface('Ceiling', 'Kiln House, ground floor')}`);
  const asked = page.getByTestId('ask-once');
  await expect(asked).toContainText('How old is the paint on this house?');
  await expect(page.getByText(/^Nobody knows the age of this paint: test it for lead/)).toBeVisible();
  await asked.getByRole('button', { name: 'Nobody knows' }).click();
  await expect(asked).toHaveCount(0);
  await page.reload();
  await expect(page.getByTestId('setup-card')).toBeVisible();
  await expect(page.getByText(/^Nobody knows the age of this paint: test it for lead/)).toBeVisible();
  await expect(asked).toHaveCount(0);
});

test(
  'without signal: the gun is put down, a machine shut down, and every emergency card at hand',
  { tag: '@wide' },
  async ({ page, context }) => {
    await tool(page, 'gun-down', 'North wall');
    await expect(page.getByTestId('way pause')).toContainText('Lay the gun down');
    await context.setOffline(true);
    await expect(page.getByTestId('way pause')).toContainText('Nothing came, or you are not sure?');
    await expect(page.getByTestId('way clog').first()).toContainText('by its handle, from behind');
    await page.getByRole('button', { name: 'Back', exact: true }).click();
    await press(page, /^Shut down$/);
    const now = page.getByTestId('procedure-now');
    const done = page.getByTestId('procedure-done');
    await expect(now).toContainText('step 1 of');
    await page.getByRole('checkbox', { name: /Lay the gun down/ }).click();
    await expect(page.getByRole('alert')).toContainText('First:');
    // Every step in its order, with no server: the machine ends known.
    const boxes = page.getByRole('checkbox');
    for (let index = 0; !(await done.isVisible()); index += 1) await boxes.nth(index).click();
    await expect(done).toContainText('Clean water stands in');
    await page.getByRole('link', { name: /Injured/ }).click();
    const screen = page.viewportSize();
    for (const card of ['Under the skin', 'In the eye']) {
      await page.getByRole('radio', { name: card }).click();
      await expect(page.getByTestId('emergency-now')).toBeVisible();
      // All of the card without scrolling, on a phone of 844 and a wide screen of 800 points.
      const end = await page.getByTestId('emergency-end').boundingBox();
      const bar = screen && screen.width < 800 ? 64 : 0;
      expect([card, end && end.y <= (screen?.height ?? 0) - bar, end?.y]).toEqual([card, true, end?.y]);
    }
    await expect(page.getByTestId('material')).toContainText('Read it off the container');
    await press(page, 'Fumes or bad air');
    await expect(page.getByText('Do not follow someone in.', { exact: false })).toBeVisible();
    await expect(page.getByRole('link', { name: 'Call 112' })).toHaveAttribute('href', 'tel:112');
    await context.setOffline(false);
  },
);

test(
  'cold paint is told to be warmed, a cup outside its range to be changed; the check is kept and drawn',
  { tag: '@wide' },
  async ({ page }) => {
    await tool(page, 'paint', 'North wall');
    const answer = page.getByTestId('paint-answer');
    await expect(answer).toContainText('s wanted');
    await page.getByLabel(/^Temperature of the paint/).fill('-20');
    await expect(page.getByText(/Temperature of the paint must be between/)).toBeVisible();
    await page.getByLabel(/^Temperature of the paint/).fill('9');
    await press(page, 'Five seconds more');
    for (let index = 0; index < 5; index += 1) await press(page, 'Five seconds more');
    await press(page, 'Add this time');
    await expect(answer).toContainText(/Warm it/);
    await page.getByLabel(/^Temperature of the paint/).fill('23');
    await expect(answer).toContainText(/Thin/);
    await expect(page.getByTestId('paint-amount')).toContainText('mL');
    await press(page, 'Take the last off');
    for (let index = 0; index < 10; index += 1) await press(page, 'Five seconds more');
    await press(page, 'Add this time');
    await expect(answer.getByRole('alert')).toContainText('converts from');
    await press(page, 'Take the last off');
    for (let index = 0; index < 12; index += 1) await press(page, 'Five seconds less');
    await press(page, 'Add this time');
    await page.getByLabel(/^Thinner added now/).fill('5000');
    await expect(page.getByText(/past the data sheet/)).toBeVisible();
    await page.getByLabel(/^Thinner added now/).fill('0');
    await page.getByLabel('Batch').fill('H-9001');
    await page.reload();
    await expect(page.getByLabel('Batch')).toHaveValue('H-9001');
    // A record of the paint is never without who.
    await press(page, 'Keep this check');
    await expect(page.getByRole('alert').filter({ hasText: 'Say who checked it' })).toBeVisible();
    await page.getByRole('radio', { name: 'Tobi' }).click();
    await press(page, 'Keep this check');
    await expect(page.getByTestId('viscosity-chart')).toBeVisible();
    await expect(page.getByLabel('Batch')).toHaveCount(0);
  },
);

test(
  'the line moves with hoses, height and pressure, and says how far it goes',
  { tag: '@wide' },
  async ({ page }) => {
    await tool(page, 'line', 'North wall');
    const pump = page.getByTestId('line-pump');
    const before = (await pump.textContent()) ?? '';
    await press(page, 'Add a hose');
    await expect(pump).not.toHaveText(before);
    await expect(page.getByTestId('line-words')).toContainText('you need');
    await expect(page.getByTestId('line-limits')).toContainText('Largest');
    const drawing = page.getByTestId('line-profile');
    await drawing.scrollIntoViewIfNeeded();
    const third = page.getByLabel(/^Then hose 3/);
    const [length, end] = [await third.inputValue(), await drawing.locator('circle').nth(3).boundingBox()];
    if (!end) throw new Error('no end of the third hose');
    const [x, y] = [end.x + end.width / 2, end.y + end.height / 2];
    await page.mouse.move(x, y);
    await page.mouse.down();
    await page.mouse.move(x - 50, y, { steps: 5 });
    await page.mouse.up();
    expect(Number(await third.inputValue())).toBeLessThan(Number(length) - 1);
    const moved = await drawing.locator('circle').nth(3).boundingBox();
    expect(Math.abs((moved?.x ?? 0) - (end.x - 50))).toBeLessThan(4);
    await page.getByLabel(/^Hose at the pump/).fill('90000');
    await expect(page.getByText(/Hose at the pump must be between/)).toBeVisible();
  },
);

test('a film typed moves the other, the gun and the coats, says what runs, and leaves the card alone', async ({
  page,
}) => {
  await tool(page, 'film', 'North wall');
  const film = page.getByTestId('calculator-film');
  const gun = page.getByTestId('calculator-gun');
  const before = (await gun.textContent()) ?? '';
  await page.getByLabel(/^Dry film wanted/).fill('60');
  await expect(film).toContainText('165');
  await expect(gun).not.toHaveText(before);
  await page.getByLabel(/^Wet film wanted/).fill('900');
  await expect(page.getByText('Caution: This film runs')).toBeVisible();
  await page.getByLabel(/^Wet film wanted/).fill('wet');
  await expect(page.getByText(/Wet film wanted is not a number/)).toBeVisible();
  await film.getByRole('button', { name: 'Why' }).first().click();
  await expect(page.getByRole('dialog')).toContainText('DFT');
  await page.getByRole('button', { name: 'Close', exact: true }).click();
  await press(page, 'Back to the card’s numbers');
  await expect(gun).toHaveText(before);
  await page.getByRole('button', { name: 'Back', exact: true }).click();
  // The tip that was dialled in on this wall.
  await expect(page.getByTestId('tip-code')).toHaveText('517');
  await expect(page.getByTestId('dialled-in')).toContainText('The card below has it');
});

test('a tip is picked from the map and becomes the card', { tag: '@wide' }, async ({ page }) => {
  await tool(page, 'tips', 'Steel posts');
  await page
    .getByTestId('tip-map')
    .getByRole('button', { name: /, (good|fair)$/ })
    .first()
    .click();
  // One stop of the tab key, and arrows inside.
  await expect(page.getByTestId('tip-map').locator('[tabindex="0"]')).toHaveCount(1);
  const here = () => page.evaluate(() => document.activeElement?.getAttribute('aria-label'));
  const before = await here();
  await page.keyboard.press('ArrowDown');
  await expect.poll(here).not.toBe(before);
  await page.keyboard.press('ArrowUp');
  await expect.poll(here).toBe(before);
  const code = await page.getByTestId('tip-chosen').getByRole('button', { name: /^Make/ }).innerText();
  await press(page, /^Make \d+ the card/);
  await expect(page.getByText('On the card now.')).toBeVisible();
  await press(page, 'Undo');
  await expect(page.getByText('On the card now.')).toHaveCount(0);
  expect(code).toMatch(/^Make \d{3,4} the card$/);
});

test('the card goes out as a drawing, and the list of what to take says what the kit lacks', async ({
  page,
}) => {
  await tool(page, 'card', 'North wall');
  const [svg] = await Promise.all([page.waitForEvent('download'), press(page, 'As SVG')]);
  expect(svg.suggestedFilename()).toMatch(/\.svg$/);
  const [png] = await Promise.all([page.waitForEvent('download'), press(page, 'As PNG')]);
  expect(png.suggestedFilename()).toMatch(/\.png$/);
  await page.goto(`${address()}${await demoJob()}/take`);
  const answer = page.getByTestId('take-answer');
  await expect(answer).toContainText(/^\d+ to load/);
  const before = Number(/^\d+/.exec((await answer.textContent()) ?? '')?.[0]);
  const tip = page.getByRole('checkbox', { name: /^Tip / }).first();
  const name = (await tip.getAttribute('aria-label')) ?? '';
  await tip.click();
  await page.reload();
  await expect(page.getByRole('checkbox', { name }).first()).toHaveAttribute('aria-checked', 'true');
  await expect(answer).toContainText(`${before - 1} to load`);
  // In the evening what was loaded is looked for, and nothing else.
  await page.getByRole('radio', { name: 'Back in the evening' }).click();
  await expect(answer).toContainText('1 not back yet');
  await page.getByRole('checkbox', { name }).click();
  await expect(answer).toContainText('All of it is back');
  // Another day has a list of its own.
  await page.getByRole('radio', { name: 'Load' }).click();
  await page.getByRole('button', { name: /^Day: / }).click();
  await page.getByRole('radio', { name: 'Rooms I choose' }).click();
  await expect(page.getByRole('checkbox', { name: /^Tip / }).first()).toHaveAttribute(
    'aria-checked',
    'false',
  );
});

test(
  'a coating of one’s own: typed from its sheet, what the sheet does not say marked, its advice beside the card',
  { tag: '@wide' },
  async ({ page }) => {
    await page.goto(`${address()}/kit`);
    await page.getByRole('button', { name: 'Add a coating' }).click();
    await page.getByLabel('Name').fill('Harbour matt');
    await page.getByRole('button', { name: /^Kind of coating: / }).click();
    await page.getByRole('radio', { name: /^Interior wall matt/ }).click();
    await expect(page.getByText(/^Working default, 32–40 %$/)).toBeVisible();
    await page.getByRole('radio', { name: 'KU' }).click();
    await page.getByLabel('Krebs units').fill('20');
    await expect(page.getByRole('alert').filter({ hasText: /between 53 and 141/ })).toBeVisible();
    await page.getByLabel('Krebs units').fill('98');
    await expect(page.getByText(/^Data sheet: 98 KU, \d/)).toBeVisible();
    await page.getByLabel('Orifice from').fill('23');
    await page.getByLabel('Orifice to').fill('21');
    await expect(page.getByText('Orifice: the second number is the larger one.')).toBeVisible();
    await expect(page.getByRole('button', { name: 'Store', exact: true })).toBeDisabled();
    await page.getByLabel('Orifice to').fill('25');
    await page.getByLabel('What to wear').fill('A mask with filter A2 in small rooms');
    await page.getByRole('button', { name: 'Store', exact: true }).click();
    await expect(page.getByText('Data sheet: viscosity, orifice, what to wear')).toBeVisible();

    await page.goto(`${address()}/set-up`);
    await openQuestion(page, 'with');
    await page.getByRole('button', { name: /^Coating: / }).click();
    await page.getByRole('radio', { name: 'Harbour matt' }).click();
    const beside = page.getByTestId('beside-sheet');
    await expect(beside).toContainText('23 to 25 thou');

    await expect(page.getByTestId('sheet-wear')).toContainText('filter A2');
    await page.goto(`${address()}/kit`);
    await page.getByRole('link', { name: /Harbour matt/ }).click();
    await page.getByRole('button', { name: 'Delete this coating' }).click();
    await expect(page.getByText('Harbour matt is deleted.')).toBeVisible();
  },
);

test('kit is added, refused where it cannot be, changed and taken back', async ({ page }) => {
  await page.goto(`${address()}/kit`);
  await press(page, 'Add a hose');
  await page.getByLabel('Name').fill('Long one');
  await page.getByLabel(/^Length/).fill('4000');
  await expect(page.getByRole('alert')).toContainText('Length must be between');
  await expect(page.getByRole('button', { name: 'Store' })).toHaveAttribute('aria-disabled', 'true');
  await page.getByLabel(/^Length/).fill('25');
  await press(page, 'Store');
  await expect(page.getByRole('link', { name: /Long one/ })).toBeVisible();
  await press(page, 'Undo');
  await expect(page.getByRole('link', { name: /Long one/ })).toHaveCount(0);
});

test('a dial-in goes on through a dead server and a reload; what is kept waits here and is sent once', async ({
  page,
}) => {
  const { home, remove } = temporaryHome();
  const port = await freePort();
  const first = await startFineSpray(home, port);
  try {
    await page.goto(`${first.address}/set-up/dial-in`);
    await press(page, 'Safe and ready: begin');
    await saw(page, 'Tails');
    const before = await gun(page);
    await first.stop();
    await saw(page, 'Tails');
    expect(await gun(page)).toBeGreaterThan(before);
    await dialUntil(page, (await gun(page)) + 4);
    await press(page, 'Keep this set-up');
    await expect(page.getByText('Kept on this device, 1 waiting to send.')).toBeVisible();
    const second = await startFineSpray(home, port);
    await page.goto(`${second.address}/set-up/dial-in`);
    await expect(page.getByTestId('dial-in-kept')).toBeVisible();
    const kept = async () => {
      const rows = (await (await fetch(`${second.address}/api/entries`)).json()) as {
        items: { kind: string; jobId: unknown }[];
      };
      return rows.items.filter(({ kind, jobId }) => kind === 'set-up confirmed' && jobId === null).length;
    };
    await expect.poll(kept).toBe(1);
    await expect(page.getByText('waiting to send')).toHaveCount(0);
    expect(await kept()).toBe(1);
    await second.stop();
  } finally {
    remove();
  }
});

test('everything that is tapped on site is 56 px high, for a glove', async ({ page }) => {
  const tools = [
    'start-up',
    'paint',
    'dial-in',
    'knob',
    'passes',
    'beat',
    'try',
    'practise',
    'gun-down',
    'wrong',
  ];
  for (const name of [...tools, 'line', 'film', 'tips', 'card', 'shut-down']) {
    await tool(page, name, 'North wall');
    const small = await page.getByRole('main').evaluate((main) =>
      [...main.querySelectorAll('[role=button],[role=radio],[role=checkbox],[role=link],button')]
        .map((one) => ({
          name: one.getAttribute('aria-label') ?? one.textContent,
          height: one.getBoundingClientRect().height,
        }))
        .filter(({ height }) => height > 0 && height < 55.5),
    );
    expect([name, small]).toEqual([name, []]);
  }
});

test('a beat moves the gun at the speed of the card, or at the one the comb asks for', async ({ page }) => {
  await tool(page, 'beat', 'West gable');
  const time = page.getByTestId('beat-time');
  await expect(time).toHaveText(/^\d+\.\d s$/);
  const seconds = async () => Number.parseFloat(await time.innerText());
  await page.getByLabel('Stroke, from end to end, m').fill('2.4');
  await expect(page.getByTestId('beat')).toContainText('2.40 m in 2 beats');
  const byCard = await seconds();
  await page.getByLabel('Stroke, from end to end, m').fill('4.8');
  await expect(page.getByTestId('beat')).toContainText('4.80 m in 4 beats');
  expect(Math.abs((await seconds()) - 2 * byCard)).toBeLessThanOrEqual(0.15);
  await press(page, 'Start the beat');
  await press(page, 'Stop');
  await expect(page.getByRole('button', { name: 'Start the beat' })).toBeVisible();
  await page.getByLabel('Stroke, from end to end, m').fill('20');
  await expect(page.getByRole('alert')).toContainText('12');

  // Much too thick: the beat by the comb is faster.
  const wall = (await demoSurface('West gable')).split('/').pop() ?? '';
  await page.goto(`${address()}/log/write/comb?surface=${wall}`);
  for (let one = 0; one < 3; one += 1) {
    await page.getByRole('button', { name: /^Tooth 250 μm/ }).click();
    await expect(page.getByText(`written down, ${one + 1} in a row`)).toBeVisible();
  }
  await tool(page, 'beat', 'West gable');
  await page.getByLabel('Stroke, from end to end, m').fill('2.4');
  await page.getByRole('radio', { name: 'By the comb' }).click();
  await expect(page.getByTestId('beat-comb')).toContainText('instead of');
  await expect.poll(seconds).toBeLessThan(byCard);
});

test('one door for whatever is wrong: what cured it is written down, and comes first the next time', async ({
  page,
}) => {
  await tool(page, 'line', 'West gable');
  await press(page, 'Something wrong?');
  await page.getByText('Pump draws no paint', { exact: true }).click();
  const finder = page.getByTestId('fault-finder');
  await expect(finder).toContainText('First thing to try');
  await press(page, 'Still there: next');
  await expect(finder).toContainText('Free the inlet ball');
  await press(page, 'That was it');
  await expect(page.getByText('Pump draws no paint: what cured it is written down.')).toBeVisible();
  await page.getByText('Pump draws no paint', { exact: true }).click();
  await expect(finder).toContainText('It cured this once before with');
  await expect(finder).toContainText('Free the inlet ball');

  await page.getByRole('radio', { name: 'Finish' }).click();
  await page.getByRole('button', { name: /^Runs, sags, curtains/ }).click();
  await expect(page.getByTestId('finish-fault')).toContainText('Wet: roll it out at once.');
  await press(page, 'That mended it');
  await expect(page.getByText('Runs, sags, curtains: what cured it is written down.')).toBeVisible();
  await page.getByRole('button', { name: /^Runs, sags, curtains/ }).click();
  await expect(page.getByTestId('finish-fault')).toContainText('Written down once with');
  await page.getByRole('radio', { name: 'Fan' }).click();
  await press(page, 'Spray a card');
  await expect(page.getByRole('heading', { level: 1, name: 'Dial in' })).toBeVisible();
});

test('a knob is read with a gauge: three readings make its curve, a mark that falls is asked twice, and a display says the gun', async ({
  page,
}) => {
  await tool(page, 'knob', 'East gable');
  const place = page.getByTestId('knob-place');
  await expect(place).toHaveText('three quarters');
  const read = async (mark: string, bar: string) => {
    await page.getByRole('button', { name: /^The knob stands at: / }).click();
    await page.getByRole('radio', { name: mark, exact: true }).click();
    await page.getByLabel('The gauge reads, bar').fill(bar);
    await press(page, 'Write it down');
    // A tap so soon after is the same one.
    await page.waitForTimeout(400);
  };
  // Lower than half gave before, at a higher mark.
  await read('full', '90');
  const doubt = page.getByTestId('knob-read').getByRole('alert');
  await expect(doubt).toContainText('pressure cannot fall there');
  await expect(page.getByLabel('The gauge reads, bar')).toHaveValue('90');
  await page.getByLabel('The gauge reads, bar').fill('200');
  await press(page, 'Write it down');
  await expect(page.getByTestId('knob-readings')).toContainText('full: 200 bar, gauge');
  await read('full', '900');
  await expect(doubt).toContainText('between');
  // The pump that shows its pressure: what that makes at the gun.
  await page.getByRole('radio', { name: 'A display' }).click();
  await page.getByLabel('The display shows, trigger held, bar').fill('160');
  await expect(page.getByTestId('knob-gun')).toContainText(/\d+ ?bar/);
  await expect(
    page.getByText('Worked out for the hoses of this job, not measured.', { exact: false }),
  ).toBeVisible();
  // As it was for those who come after.
  await press(page, 'Undo');
  await expect(place).toBeVisible();
});
