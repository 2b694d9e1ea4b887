import { expect, test, type Page } from './test';
import { bringAxe, broken } from './axe';
import { address, demoJob, demoOffer, demoPlace, demoSurface, openQuestion } from './pages';

const PHONE = { width: 390, height: 844 };
const WIDE = { width: 1280, height: 800 };

/** Shows a page as it is on another device and waits until it has drawn itself so. */
async function turnTo(page: Page, size: typeof PHONE, colorScheme: 'light' | 'dark'): Promise<void> {
  await page.setViewportSize(size);
  await page.emulateMedia({ colorScheme });
  await expect(page.locator('html')).toHaveAttribute('data-theme', colorScheme);
  await page.evaluate(() =>
    document.fonts.ready.then(
      () => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))),
    ),
  );
}

/**
 * What is wrong with what a page shows: all rules at each size, and whether the emergency card is one tap away; in the dark, where only colours differ, the rule about
 * contrast. The page ends as it began: on a phone, light.
 */
async function violations(page: Page, sizes = [WIDE, PHONE]): Promise<string[]> {
  await bringAxe(page);
  const found: string[] = [];
  for (const size of sizes) {
    await turnTo(page, size, 'dark');
    found.push(...(await broken(page, { runOnly: ['color-contrast'] })));
    await turnTo(page, size, 'light');
    found.push(...(await broken(page)));
    const injured = page.getByRole('link', { name: /Injured/ }).filter({ visible: true });
    if ((await injured.count()) === 0) found.push(`${size.width}: no way to the emergency card`);
  }
  return found;
}

const idOf = (url: string) => url.split('/').pop() ?? '';

/** Screens by where they belong: each group is walked through in one page, as somebody who goes from one to the next. */
const SCREENS: Record<string, Record<string, () => Promise<string>>> = {
  'of a job': {
    job: () => demoJob(),
    'buy list': async () => `${await demoJob()}/buy`,
    today: () => Promise.resolve('/today'),
    'surfaces as a table': async () => `${await demoJob('Kiln House, ground floor')}/table`,
    'spray or roll': async () => `${await demoJob('Kiln House, ground floor')}/methods`,
  },
  'of the plan of a job and its offers': {
    'plan of the days': async () => `${await demoJob('Kiln House, ground floor')}/days`,
    'where the machine stands': async () => `${await demoJob()}/stands`,
    prepare: async () => `${await demoJob('Orchard Row 3')}/prepare`,
    offers: async () => `${await demoJob('Orchard Row 3')}/offers`,
    'a draft of an offer': () => demoOffer('Kiln House, ground floor', 'draft'),
    'an accepted offer': () => demoOffer('Orchard Row 3', 'accepted'),
  },
  'of a room and its surfaces': {
    room: () => demoPlace('Galley'),
    'coating systems': async () => `${await demoJob()}/systems`,
    files: async () => `${await demoJob()}/files`,
    surface: () => demoSurface('North wall'),
    'surface outside': () => demoSurface('Lake gable'),
    'take these': async () => `${await demoJob()}/take`,
  },
  'on site': {
    'start up': async () => `${await demoSurface('North wall')}/start-up`,
    'shut down': async () => `${await demoSurface('North wall')}/shut-down`,
    'how to pass it': async () => `${await demoSurface('East gable')}/passes`,
    'something wrong': async () => `${await demoSurface('East gable')}/wrong`,
    'pressure at the knob': async () => `${await demoSurface('East gable')}/knob`,
    beat: async () => `${await demoSurface('East gable')}/beat`,
    'gun down': async () => `${await demoSurface('North wall')}/gun-down`,
    'check paint': async () => `${await demoSurface('North wall')}/paint`,
    'dial in': async () => `${await demoSurface('North wall')}/dial-in`,
    'the line': async () => `${await demoSurface('North wall')}/line`,
    'film calculator': async () => `${await demoSurface('North wall')}/film`,
    'tip map': async () => `${await demoSurface('North wall')}/tips`,
    'card to show': async () => `${await demoSurface('North wall')}/card`,
  },
  'of practice': {
    practice: () => Promise.resolve('/practice'),
    'a piece to spray': () => Promise.resolve('/practice/spray/wall'),
    'surfaces of a job to practise': async () => `/practice/house/${(await demoJob()).split('/').pop()}`,
    'a drill': () => Promise.resolve('/practice/drill?skill=patterns'),
    'a scene': () => Promise.resolve('/practice/drill?skill=site'),
    'try before spraying': async () => `${await demoSurface('North wall')}/try`,
    'practise it': async () => `${await demoSurface('North wall')}/practise`,
  },
  'of the log': {
    log: () => Promise.resolve('/log'),
    'a coat finished': async () =>
      `/log/write/coat-finished?surface=${idOf(await demoSurface('North wall'))}`,
    'work done': () => Promise.resolve('/log/write/worked'),
    'a comb': async () => `/log/write/comb?surface=${idOf(await demoSurface('North wall'))}`,
    'a near miss': () => Promise.resolve('/log/write/incident'),
    clocks: async () => `/log/clocks?job=${idOf(await demoJob())}`,
    'plan against actual': async () => `/log/actual?job=${idOf(await demoJob())}`,
    'wear of the tips': () => Promise.resolve('/log/tips'),
    'our history': () => Promise.resolve('/log/learned'),
    'products side by side': () => Promise.resolve('/log/products'),
    'a product judged': async () => `/log/write/trial?surface=${idOf(await demoSurface('North wall'))}`,
    journal: () => Promise.resolve('/log/journal'),
    'what waits': () => Promise.resolve('/log/waiting'),
  },
  'of the company and the rest': {
    jobs: () => Promise.resolve('/'),
    begin: () => Promise.resolve('/begin'),
    people: () => Promise.resolve('/people'),
    'a person': () => Promise.resolve('/people/01930000-0000-7000-8000-0000000000c3'),
    'sign in': () => Promise.resolve('/sign-in'),
    'a job from a file': () => Promise.resolve('/open'),
    'rates and prices': () => Promise.resolve('/book'),
    'a new gun': () => Promise.resolve('/kit/gear/new'),
    'quick set-up': () => Promise.resolve('/set-up'),
    kit: () => Promise.resolve('/kit'),
    settings: () => Promise.resolve('/settings'),
    emergency: () => Promise.resolve('/emergency'),
    'unknown address': () => Promise.resolve('/nowhere/at/all'),
  },
};

/** Goes to another address as a link of the application would: nothing is loaded anew. */
const goTo = (page: Page, path: string): Promise<void> =>
  page.evaluate((to) => {
    history.pushState(null, '', to);
    dispatchEvent(new PopStateEvent('popstate', { state: null }));
  }, path);

for (const [group, screens] of Object.entries(SCREENS)) {
  test(`screens ${group}: no accessibility violations at either size, in either theme`, async ({ page }) => {
    await page.goto(`${address()}/emergency`);
    let before = await page.getByRole('heading', { level: 1 }).innerText();
    for (const [name, path] of Object.entries(screens)) {
      await test.step(name, async () => {
        await goTo(page, await path());
        // Two screens one after the other have other titles: the one before is gone when another title stands.
        await expect(page.getByRole('heading', { level: 1 })).not.toHaveText(before);
        await expect(page.getByRole('status', { name: 'Loading' })).toHaveCount(0);
        before = await page.getByRole('heading', { level: 1 }).innerText();
        expect(await violations(page), name).toEqual([]);
      });
    }
  });
}

test('the sheets: no accessibility violations', async ({ page }) => {
  await page.goto(`${address()}${await demoSurface('North wall')}`);
  await page.getByRole('button', { name: /^Wet film .* Why/ }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Use a data sheet value' }).first().click();
  expect(await violations(page)).toEqual([]);
  await page.keyboard.press('Escape');
  await openQuestion(page, 'with');
  await page.getByRole('button', { name: /^Coating: / }).click();
  expect(await violations(page)).toEqual([]);
  await page.keyboard.press('Escape');
  for (const question of ['what', 'machine'] as const) {
    await openQuestion(page, question);
    expect(await violations(page)).toEqual([]);
  }
  await page.getByRole('button', { name: 'See the film on the wall' }).click();
  await expect(page.getByTestId('film-picture')).toBeVisible();
  expect(await violations(page)).toEqual([]);
  await page.getByRole('button', { name: 'Close', exact: true }).click();
  await page.getByRole('button', { name: 'Compare set-ups' }).click();
  await expect(page.getByRole('dialog').getByRole('group')).toHaveCount(2);
  expect(await violations(page)).toEqual([]);
});

test('measuring: no accessibility violations', async ({ page }) => {
  await page.goto(`${address()}${await demoPlace('Galley')}`);
  // What helps with a length is another thing at each size, and goes when the size changes.
  for (const size of [WIDE, PHONE]) {
    await page.setViewportSize(size);
    await page.getByLabel('Length, m').click();
    await expect(page.getByRole('group', { name: 'Number pad for Length' })).toBeVisible();
    expect(await violations(page, [size])).toEqual([]);
  }
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  await page.getByRole('button', { name: 'Count something' }).click();
  expect(await violations(page)).toEqual([]);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Draw the plan' }).click();
  expect(await violations(page)).toEqual([]);
});

test('a coating: no accessibility violations', async ({ page }) => {
  await page.goto(`${address()}/kit`);
  await page.getByRole('link', { name: /Interior wall satin/ }).click();
  await expect(page.getByLabel('Volume solids, %')).toBeVisible();
  expect(await violations(page)).toEqual([]);
});
