import { readFileSync } from 'node:fs';
import { expect, test, type Page } from './test';
import { address, beginRoom, demoJob, forget, openQuestion, ownJob, stored } from './pages';

/** The area of a surface that follows from the room on the screen, m². */
async function areaOf(page: Page, name: string): Promise<number> {
  const card = page.getByRole('button', { name: new RegExp(`^${name} .*How it was`) });
  const text = (await card.textContent())?.slice(name.length) ?? '';
  return Number(/([\d.,]+)\s?m²/.exec(text)?.[1]?.replace(',', ''));
}
const area = (page: Page, name: string) => expect.poll(() => areaOf(page, name));

/** Types a length: by the pad on a phone, by the keyboard when wide. */
async function typeLength(page: Page, label: string, text: string): Promise<void> {
  await page.getByLabel(`${label}, m`).click();
  const pad = page.getByRole('group', { name: `Number pad for ${label}` });
  await expect(pad).toBeVisible();
  if (await pad.getByRole('button', { name: '7', exact: true }).isVisible()) {
    for (const key of text) await pad.getByRole('button', { name: key, exact: true }).click();
  } else {
    await page.getByLabel(`${label}, m`).fill(text);
  }
}

async function count(page: Page, item: string, times: number): Promise<void> {
  await page.getByRole('button', { name: 'Count something' }).click();
  for (let one = 0; one < times; one += 1) {
    await page
      .getByRole('dialog')
      .getByRole('button', { name: new RegExp(`^${item} \\d+ counted`) })
      .click();
  }
  await page.keyboard.press('Escape');
}

test(
  'a room is measured by hand: its surfaces follow, are stored with it and can be undone',
  { tag: '@wide' },
  async ({ page }) => {
    await beginRoom(page, 'Store');
    await typeLength(page, 'Length', '5');
    await typeLength(page, 'Width', '4');
    await typeLength(page, 'Height', '2.5');
    await page.getByRole('button', { name: 'Done', exact: true }).click();
    await area(page, 'Walls').toBe(45);
    await area(page, 'Ceiling').toBe(20);
    await count(page, 'Door', 1);
    await count(page, 'Window', 2);
    // 45 less a door of 0.9 × 2.1 and two windows of 1.2 × 1.2
    await area(page, 'Walls').toBe(40.2);
    await stored(page);

    // Its state is said of all of it at once, and taken back.
    await page.getByRole('radio', { name: 'Poor' }).click();
    await expect(page.getByText(/^\d+ surfaces: poor\.$/)).toBeVisible();
    await expect(page.getByRole('radio', { name: 'Poor' })).toBeChecked();
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(page.getByRole('radio', { name: 'Not said' })).toBeChecked();

    await page.getByRole('button', { name: /^Walls .*How it was/ }).click();
    const sheet = page.getByRole('dialog');
    await expect(sheet.getByText('1.20 m × 1.20 m', { exact: true })).toHaveCount(2);
    await sheet.getByRole('button', { name: 'Its set-up and coating' }).click();
    await expect(page.getByTestId('setup-card')).toBeVisible();
    await openQuestion(page, 'what');
    await expect(page.getByRole('button', { name: 'Measured in Store' })).toBeVisible();
    await page.getByRole('button', { name: 'Enter the area instead' }).click();
    await page.getByLabel('Area to paint, m²').fill('30');
    await page.getByRole('textbox', { name: 'Why' }).fill('Half of it is tiled');
    await stored(page);
    await page.getByRole('button', { name: 'Measured in Store' }).click();
    await area(page, 'Walls').toBe(30);

    await page.reload();
    await area(page, 'Ceiling').toBe(20);
    await page.getByLabel('Length, m').fill('6');
    await area(page, 'Ceiling').toBe(24);
    await page.getByRole('button', { name: 'Step back' }).click();
    await area(page, 'Ceiling').toBe(20);
    await stored(page);

    // Each wall by itself, one of them under a name of its own, and all of them together again.
    const apart = page.getByRole('checkbox', { name: 'Each wall by itself' });
    await apart.click();
    await area(page, 'Wall 2').toBe(10);
    await expect(page.getByRole('button', { name: /^Wall \d .*How it was/ })).toHaveCount(4);
    await stored(page);
    await page.getByRole('button', { name: /^Wall 3 .*How it was/ }).click();
    await sheet.getByRole('button', { name: 'Its set-up and coating' }).click();
    await openQuestion(page, 'what');
    await page.getByLabel('Name').fill('Chimney wall');
    await stored(page);
    await page.getByRole('button', { name: 'Measured in Store' }).click();
    await expect(page.getByTestId('walls-drawn')).toContainText('Chimney wall');
    await apart.click();
    await expect(page.getByRole('button', { name: /^Walls .*How it was/ })).toBeVisible();
    await stored(page);

    await page.getByRole('button', { name: 'Copy this room' }).click();
    await expect(page.getByRole('heading', { level: 1, name: 'Store, copy' })).toBeVisible();
    await page.getByRole('button', { name: 'Delete it' }).click();
    await expect(page.getByText('Store, copy and its surfaces are deleted.')).toBeVisible();
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(page.getByRole('link', { name: /^Store, copy [\d.]+/ })).toBeVisible();
  },
);

test(
  'a room is drawn with the finger, then given its lengths wall by wall',
  { tag: '@wide' },
  async ({ page }) => {
    await beginRoom(page, 'Corner');
    await page.getByRole('button', { name: 'Draw the plan' }).click();
    const pad = page.getByTestId('draw-pad');
    // Each tap waits until the pad stands still: a sheet slides in.
    const tap = async (x: number, y: number) => {
      const box = await pad.boundingBox();
      if (!box) throw new Error('no pad');
      await pad.click({ position: { x: (x / 10) * box.width, y: (y / 10) * box.height } });
    };
    // An L of 6 by 5, with 3 by 3 out of it; the third corner is a little off and becomes straight.
    for (const [x, y] of [
      [1, 1],
      [7, 1],
      [7.02, 3],
      [4, 3],
      [4, 6],
      [1, 6],
    ] as const)
      await tap(x, y);
    await page.getByRole('button', { name: 'Close the plan' }).click();
    await area(page, 'Ceiling').toBe(6 * 2 + 3 * 3);
    await page.getByLabel('Wall 1, m').fill('7');
    await area(page, 'Ceiling').toBeGreaterThan(22);
    await area(page, 'Walls').toBeGreaterThan(22 * 2.4);
    await stored(page);

    await page.getByRole('button', { name: 'Draw the plan' }).click();
    for (const [x, y] of [
      [1, 1],
      [7, 7],
      [7, 1],
      [1, 7],
    ] as const)
      await tap(x, y);
    await page.getByRole('button', { name: 'Close the plan' }).click();
    await expect(page.getByRole('dialog').getByRole('alert')).toContainText('crosses itself');
    await page.keyboard.press('Escape');
    await area(page, 'Ceiling').toBeGreaterThan(22);
  },
);

test('the laser puts its reading into the length that has the focus', async ({ page }) => {
  await beginRoom(page, 'Long room');
  await page.getByLabel('Length, m').click();
  await page.getByRole('button', { name: 'Aim farther' }).click();
  await page.getByRole('button', { name: 'Laser' }).click();
  const read = async () => Number(await page.getByLabel('Length, m').inputValue());
  await expect.poll(read).toBeGreaterThan(4.28);
  expect(await read()).toBeLessThan(4.32);
  const first = await read();
  await page.getByRole('button', { name: 'Laser' }).click();
  await expect.poll(read).not.toBe(first);
  await page.getByLabel('Width, m').click();
  await page.getByRole('button', { name: 'Laser' }).click();
  await expect.poll(async () => Number(await page.getByLabel('Width, m').inputValue())).toBeGreaterThan(4.28);
});

test("Tern Boathouse's hall: a vault, a gallery of windows, its paint, hours and cost", async ({ page }) => {
  await beginRoom(page, 'Boat hall');
  await page.getByLabel('Length, m').fill('9.6');
  await page.getByLabel('Width, m').fill('6.4');
  await page.getByLabel('Height, m').fill('3.2');
  await page.getByRole('radio', { name: 'Vaulted' }).click();
  await page.getByLabel('Height at the ridge, m').fill('1');
  await expect(
    page.getByRole('alert').filter({ hasText: 'at least as high as the walls' }).first(),
  ).toBeVisible();
  await page.getByLabel('Height at the ridge, m').fill('5.4');
  // Two walls of 9.6 × 3.2 and two gables of 6.4 × (3.2 + 5.4) ÷ 2; two slopes of √(3.2² + 2.2²)
  await area(page, 'Walls').toBe(116.5);
  await area(page, 'Ceiling').toBe(74.6);
  await count(page, 'Window', 4);
  await area(page, 'Walls').toBe(110.7);
  await stored(page);
  await page.getByRole('button', { name: 'Back', exact: true }).click();
  await page.getByRole('button', { name: 'What to buy' }).click();
  await expect(page.getByTestId('coating-to-buy').first()).toContainText(/\d+\s×\s/);
  await expect(page.getByTestId('hours-total')).toContainText(/\d/);
  await expect(page.getByTestId('cost-total')).toContainText('€');
  const cost = async () =>
    Number((await page.getByTestId('cost-total').textContent())?.replace(/[^\d.]/g, ''));
  const usual = await cost();
  await page.getByRole('radio', { name: 'Least money' }).click();
  await expect.poll(cost).toBeLessThanOrEqual(usual);
  await page.getByRole('button', { name: /^Masking and covering/ }).click();
  await expect(page.getByRole('dialog').getByText('Masking line').first()).toBeVisible();
});

test('a coating system goes on a whole group at once, and off again', { tag: '@wide' }, async ({ page }) => {
  await page.goto(`${address()}${await demoJob('Kiln House, ground floor')}/systems`);
  const group = page.getByRole('button', { name: /^Wall, inside: smooth board/ });
  await expect(group).toContainText('2 × Interior wall matt');
  await group.click();
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /New board: prime and two coats/ })
    .click();
  await expect(group).toContainText('Board primer-sealer, then 2 × Interior wall matt');
  await expect(group).toContainText('of waiting between coats');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(group).not.toContainText('Board primer-sealer');

  await group.click();
  await page.getByRole('button', { name: 'Compare them' }).click();
  const sheet = page.getByRole('dialog');
  const primed = sheet.getByRole('group', { name: 'New board: prime and two coats' });
  await sheet.getByRole('checkbox', { name: 'New board: prime and two coats' }).check();
  await expect(primed).toContainText(/Spraying\s*[\d.]+\s?h/);
  await expect(primed).toContainText('115 μm');
  await expect(sheet.getByRole('group')).toHaveCount(3);
});

const CSV =
  'Room,Surface,Width (m),Height (m)\nBoat store,North wall,6.2,2.4\nBoat store,South wall,6.2,2.4\n';

test(
  'a take-off comes in from a file: shown first, all of it or nothing',
  { tag: '@wide' },
  async ({ page }) => {
    await page.goto(`${address()}${await demoJob('Orchard Row 3')}/files`);
    const choose = async (name: string, text: string) => {
      const [chooser] = await Promise.all([
        page.waitForEvent('filechooser'),
        page.getByRole('button', { name: 'Choose a file' }).click(),
      ]);
      await chooser.setFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(text) });
    };
    await choose('bad.csv', CSV.replace('6.2,2.4\nBoat', '-1,2.4\nBoat'));
    await expect(page.getByTestId('file-issues')).toContainText('Row 2, Width (m)');
    await choose('good.csv', CSV);
    await expect(page.getByTestId('file-preview')).toContainText('2 surfaces, 2 new');
    await page.getByRole('button', { name: 'Take in 2' }).click();
    await expect(page.getByText('2 surfaces are taken in.')).toBeVisible();

    const [written] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'Take-off, CSV' }).click(),
    ]);
    expect(written.suggestedFilename()).toBe('orchard-row-3.csv');
    const text = readFileSync(await written.path(), 'utf8');
    expect(text).toContain('Boat store,North wall');
    // What was written comes in again as what is there already.
    await choose('again.csv', text);
    await expect(page.getByTestId('file-preview')).toContainText(/11 surfaces, 0 new, 11 changed/);
    await page.getByRole('button', { name: 'Leave it' }).click();

    // As a spreadsheet program writes it where the comma is the decimal mark.
    await page.getByRole('radio', { name: '1,5; semicolons' }).click();
    const [comma] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'Take-off, CSV' }).click(),
    ]);
    const semicolons = readFileSync(await comma.path(), 'utf8');
    expect(semicolons).toContain(';6,2;2,4;');
    await choose('comma.csv', semicolons);
    await expect(page.getByTestId('file-preview')).toContainText(/11 surfaces, 0 new, 11 changed/);
    await page.getByRole('button', { name: 'Leave it' }).click();
    await page.getByRole('radio', { name: '1.5, commas' }).click();
    const [book] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'Take-off, XLSX' }).click(),
    ]);
    expect(book.suggestedFilename()).toBe('orchard-row-3.xlsx');
    expect(
      readFileSync(await book.path())
        .subarray(0, 2)
        .toString(),
    ).toBe('PK');

    // One that changes what is there is undone too.
    const kept = async () =>
      JSON.stringify(
        (
          (await (await fetch(`${address()}/api${await demoJob('Orchard Row 3')}/surfaces`)).json()) as {
            items: { id: string; room: string; coats: number }[];
          }
        ).items.map(({ id, room, coats }) => [id, room, coats]),
      );
    const before = await kept();
    await choose('renamed.csv', text.replaceAll('Boat store', 'Sail loft'));
    await page.getByRole('button', { name: 'Take in 11' }).click();
    await expect(page.getByText('11 surfaces are taken in.')).toBeVisible();
    expect(await kept()).toContain('Sail loft');
    await page.getByRole('button', { name: 'Undo', exact: true }).click();
    await expect.poll(kept).toBe(before);
    // Back to how the demo was, for the tests that follow.
    const job = await demoJob('Orchard Row 3');
    const { items } = (await (await fetch(`${address()}/api${job}/surfaces`)).json()) as {
      items: { id: string; room: string }[];
    };
    for (const { id, room } of items) {
      if (room === 'Boat store') await forget(`/api/surfaces/${id}`);
    }
  },
);

test('a building model comes in with its rooms, the outside only where somebody wants it', async ({
  page,
}) => {
  const job = await ownJob('A house by its model', 'Orchard Row 3');
  const wall = (id: string, ...corners: readonly string[]) =>
    `<Surface id="${id}" surfaceType="ExteriorWall"><AdjacentSpaceId spaceIdRef="s"/><PlanarGeometry><PolyLoop>${corners
      .map(
        (corner) =>
          `<CartesianPoint>${corner.replace(/\S+/g, '<Coordinate>$&</Coordinate>')}</CartesianPoint>`,
      )
      .join('')}</PolyLoop></PlanarGeometry></Surface>`;
  const model = `<?xml version="1.0"?><gbXML lengthUnit="Meters"><Campus><Building><Space id="s"><Name>Sail loft</Name></Space></Building>${[
    wall('south', '0 0 0', '6 0 0', '6 0 2.5', '0 0 2.5'),
    wall('east', '6 0 0', '6 4 0', '6 4 2.5', '6 0 2.5'),
    '<Surface id="slab" surfaceType="SlabOnGrade"/>',
  ].join('')}</Campus></gbXML>`;
  await page.goto(`${address()}${job}/files`);
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: 'Choose a file' }).click(),
  ]);
  await chooser.setFiles({ name: 'house.xml', mimeType: 'text/xml', buffer: Buffer.from(model) });
  const preview = page.getByTestId('file-preview');
  await expect(preview).toContainText('25.0 m²');
  await expect(preview).toContainText('Left out, no wall and no ceiling: slab (SlabOnGrade).');
  await page.getByRole('checkbox', { name: 'Outside faces too' }).click();
  await expect(preview).toContainText('50.0 m²');
  await page.getByRole('button', { name: 'Take in 3' }).click();
  await expect(page.getByText('3 surfaces are taken in.')).toBeVisible();
  const { items } = (await (await fetch(`${address()}/api${job}/surfaces`)).json()) as {
    items: { room: string; name: string; side: string }[];
  };
  expect(items.map(({ room, name, side }) => [room, name, side])).toEqual(
    expect.arrayContaining([
      ['Sail loft', 'Walls', 'inside'],
      ['Outside', 'Walls, east side', 'outside'],
      ['Outside', 'Walls, south side', 'outside'],
    ]),
  );
});

test('a whole job goes out as a file and comes in as a job of its own', async ({ page }) => {
  await page.goto(`${address()}${await demoJob('Orchard Row 3')}/files`);
  const [written] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Whole job, JSON' }).click(),
  ]);
  const file = readFileSync(await written.path());
  await page.goto(`${address()}/open`);
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: 'Choose a file' }).click(),
  ]);
  await chooser.setFiles({ name: 'orchard.job.json', mimeType: 'application/json', buffer: file });
  await expect(page.getByTestId('file-preview')).toContainText('4 rooms and elevations, 9 surfaces');
  await page.getByRole('button', { name: 'Take it in' }).click();
  await expect(page).toHaveURL(/\/jobs\/[0-9a-f-]{36}$/);
  expect(new URL(page.url()).pathname).not.toBe(await demoJob('Orchard Row 3'));
  await expect(page.getByRole('heading', { level: 1, name: 'Orchard Row 3' })).toBeVisible();
  await expect(page.getByRole('link', { name: /^Living room/ }).first()).toBeVisible();
  await forget(`/api${new URL(page.url()).pathname}`);
});

test('a job file that is opened with the installed application is shown first', async ({ page }) => {
  const file = readFileSync(new URL('../demo/orchard-row-3.job.json', import.meta.url), 'utf8');
  // As a device hands it over (WICG File Handling), which no browser does on its own.
  await page.addInitScript((text) => {
    const opened = { getFile: () => Promise.resolve(new File([text], 'orchard.job.json')) };
    Object.defineProperty(window, 'launchQueue', {
      value: { setConsumer: (take: (launched: object) => void) => take({ files: [opened] }) },
    });
  }, file);
  await page.goto(`${address()}/open`);
  await expect(page.getByTestId('file-preview')).toContainText('4 rooms and elevations, 9 surfaces');
  // Once the first picture stands.
  await expect(page.locator('link[rel="manifest"]')).toBeAttached();
  const manifest = (await (await fetch(`${address()}/manifest.webmanifest`)).json()) as {
    icons: { src: string; sizes: string; type: string }[];
    file_handlers: { action: string }[];
    screenshots: { src: string; sizes: string; type: string }[];
  };
  expect(manifest.file_handlers[0]?.action).toBe('/open');
  const icons = manifest.icons.filter((icon) => icon.type === 'image/png');
  expect(manifest.screenshots.length).toBeGreaterThan(1);
  for (const { src, sizes, type } of [...icons, ...manifest.screenshots]) {
    const picture = await fetch(`${address()}${src}`);
    expect([src, picture.headers.get('content-type')]).toEqual([src, type]);
    // Width and height stand at 16 and 20 of a PNG (ISO/IEC 15948, 11.2.2).
    const bytes = Buffer.from(await picture.arrayBuffer());
    expect([src, `${bytes.readUInt32BE(16)}x${bytes.readUInt32BE(20)}`]).toEqual([src, sizes]);
  }
});

test('plan and walls go out as drawings that a browser shows by themselves', async ({ page, context }) => {
  await beginRoom(page, 'Store');
  const drawing = async (label: string) => {
    const coming = page.waitForEvent('download');
    await page.getByRole('button', { name: label }).click();
    const file = await coming;
    const alone = await context.newPage();
    await alone.goto(`data:image/svg+xml,${encodeURIComponent(readFileSync(await file.path(), 'utf8'))}`);
    const shown = await alone.evaluate(() => ({
      root: document.documentElement.nodeName,
      errors: document.querySelectorAll('parsererror').length,
      titles: [...document.querySelectorAll('title')].map(({ textContent }) => textContent),
      said: [...document.querySelectorAll('desc')].map(({ textContent }) => textContent ?? ''),
      fonts: [...document.querySelectorAll('text')].map((text) => text.getAttribute('font-family') ?? ''),
      sizes: [...document.querySelectorAll('path')].map((path) => path.getBoundingClientRect().width),
    }));
    await alone.close();
    return { ...shown, name: file.suggestedFilename() };
  };
  const plan = await drawing('Plan as SVG');
  expect([plan.name, plan.root, plan.errors]).toEqual(['store.svg', 'svg', 0]);
  expect(Math.max(...plan.sizes)).toBeGreaterThan(50);
  expect(plan.titles[0]).toMatch(/^Plan to scale: 4 walls, floor [\d.]+ m²$/);
  // What is written on it is said, and set in a font that every program has where ours is not.
  expect(plan.said[0]).toMatch(/^Drawn to scale\. Written on it: .*\d.* m/);
  expect(plan.fonts.length).toBeGreaterThan(0);
  for (const font of plan.fonts) expect(font).toMatch(/, (sans-serif|monospace)$/);
  const walls = await drawing('Walls as SVG');
  expect([walls.name, walls.errors]).toEqual(['store-walls.svg', 0]);
  expect(walls.titles).toEqual([1, 2, 3, 4].map((wall) => `Wall ${wall} to scale`));
});

test('a size that the company counts with is kept for the next room', async ({ page }) => {
  const company = async () =>
    (await (await fetch(`${address()}/api/company`)).json()) as {
      name: string;
      version: number;
      book: object;
    };
  const before = await company();
  await beginRoom(page, 'Gallery');
  await count(page, 'Window', 1);
  await page.getByRole('button', { name: /^Sizes: / }).click();
  await page.getByLabel('Window: width, m').fill('1.5');
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  await page.getByRole('button', { name: 'Keep as our usual size' }).click();
  await expect(page.getByText('Windows are counted with these sizes from now on.')).toBeVisible();
  await page.getByRole('button', { name: 'Windows: one less' }).click();
  await count(page, 'Window', 1);
  await page.getByRole('button', { name: /^Sizes: 1.5/ }).click();
  await expect(page.getByLabel('Window: width, m')).toHaveValue('1.5');
  await stored(page);
  const { name, version } = await company();
  await fetch(`${address()}/api/company`, {
    method: 'PUT',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ name, version, book: before.book }),
  });
});

test('the rates of the company are kept, and one that cannot be is refused', async ({ page }) => {
  await page.goto(`${address()}/book`);
  const doors = page.getByLabel('Doors off, hardware off, racked and back, in an hour');
  await doors.fill('0');
  await expect(page.getByText(/^Doors off, .* must be between/)).toBeVisible();
  await expect(page.getByTestId('save-state')).toContainText('Not stored');
  await doors.fill('9');
  await stored(page);
  await page.reload();
  await expect(doors).toHaveValue('9');
  await doors.fill('2.4');
  await stored(page);
  const tax = page.getByLabel('Tax, on the price, %');
  await tax.fill('300');
  await expect(page.getByText(/Tax, on the price must be between 0 % and 100 %/)).toBeVisible();
  await tax.fill('20');
  await stored(page);
  // What is switched off takes no hours, and the job says so.
  await page.getByRole('checkbox', { name: 'Breaks' }).click();
  await stored(page);
  await page.goto(`${address()}${await demoJob()}/buy`);
  await expect(page.getByTestId('not-counted')).toContainText('Not counted: breaks, scaffold');
  await page.goto(`${address()}/book`);
  await page.getByRole('checkbox', { name: 'Breaks' }).click();
  await stored(page);
});
