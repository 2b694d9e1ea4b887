import { readFileSync } from 'node:fs';
import type { CDPSession, Locator, Page } from '@playwright/test';
import { address, demoSurface, items, ownJob, writeEntry } from './pages';
import { expect, test } from './test';

const WREN = '01930000-0000-7000-8000-0000000000c3';

/** The piece on the screen: where a place of it lies on the page, by shares of the picture from the left and from the top. */
async function pieceOf(page: Page): Promise<(x: number, y: number) => { x: number; y: number }> {
  const surface = page.getByTestId('spray-surface');
  await surface.scrollIntoViewIfNeeded();
  const box = await surface.locator('canvas').first().boundingBox();
  if (!box) throw new Error('no piece');
  return (x, y) => ({ x: box.x + x * box.width, y: box.y + y * box.height });
}

const strokes = (page: Page): Locator => page.getByTestId('spray-stroke');

async function sprayPiece(page: Page, piece = 'wall'): Promise<void> {
  await page.goto(`${address()}/practice/spray/${piece}`);
  await expect(strokes(page)).toContainText('planned');
}

/** A stroke of the mouse from side to side. */
async function stroke(page: Page, height: number): Promise<void> {
  const at = await pieceOf(page);
  const from = at(0.03, height);
  const to = at(0.97, height);
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  await page.mouse.move(to.x, to.y, { steps: 40 });
  await page.mouse.up();
}

async function filmSaid(page: Page): Promise<string> {
  await page.getByRole('button', { name: 'Look at the film' }).click();
  await expect(page.getByTestId('practice-points')).toBeVisible({ timeout: 30_000 });
  return page.getByTestId('practice-looks').innerText();
}

test(
  'a wall is sprayed with the mouse, judged by its film, replayed and saved',
  { tag: '@wide' },
  async ({ page }) => {
    await sprayPiece(page);
    await stroke(page, 0.25);
    await expect(strokes(page)).toContainText('Stroke 1 of about');
    await stroke(page, 0.35);
    await expect(strokes(page)).toContainText('Stroke 2 of about');
    await page.getByRole('button', { name: 'Take back' }).click();
    await expect(strokes(page)).toContainText('Stroke 1 of about');
    await stroke(page, 0.5);
    expect(await filmSaid(page)).toMatch(/Mean film \d+ μm of \d+ μm, varying by \d+ %\. \d+ % is thin/);
    await expect(page.getByTestId('practice-advice')).not.toBeEmpty();
    await page.getByRole('button', { name: /^Too thin/ }).click();
    await expect(page.getByText(/it grins through\. Planned passes/)).toBeVisible();
    // The file says what was sprayed: two strokes.
    const saved = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Save the strokes' }).click();
    const file = JSON.parse(readFileSync(await (await saved).path(), 'utf8')) as {
      format: string;
      piece: string;
      strokes: { open: number; close: number; points: number[][] }[];
    };
    expect(file).toMatchObject({ format: 'fine-spray-strokes', piece: 'wall' });
    expect(file.strokes.length).toBe(2);
    expect(file.strokes.every(({ open, close, points }) => close > open && points.length > 10)).toBe(true);
    const picture = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Save the picture' }).click();
    expect(readFileSync(await (await picture).path(), 'utf8')).toMatch(
      /^<\?xml[\s\S]*<svg[\s\S]*<title>The wall to scale/,
    );
    await page.getByRole('button', { name: 'Replay' }).click();
    await page.getByRole('radio', { name: 'Twice' }).click();
    await page.getByRole('button', { name: 'Play' }).click();
    const time = page.getByRole('slider', { name: 'Time' });
    await expect.poll(async () => Number(await time.inputValue())).toBeGreaterThan(0.2);
    await page.getByRole('button', { name: 'Back to the score' }).click();
    await page.getByRole('button', { name: 'Done' }).click();
    await expect(page.getByRole('link', { name: /^Wall One speed.* \d+$/ })).toBeVisible();
  },
);

test('what is pressed beside the piece and let go over it does nothing, and is pressed again as before', async ({
  page,
}) => {
  await sprayPiece(page);
  await stroke(page, 0.3);
  await expect(strokes(page)).toContainText('Stroke 1 of about');
  const at = await pieceOf(page);
  const startOver = page.getByRole('button', { name: 'Start over' });
  await startOver.hover();
  await page.mouse.down();
  for (const height of [0.8, 0.5]) await page.mouse.move(at(0.5, height).x, at(0.5, height).y, { steps: 5 });
  await page.mouse.up();
  await page.getByRole('button', { name: 'Take back' }).hover();
  await expect(strokes(page)).toContainText('Stroke 1 of about');
  await startOver.click();
  await expect(strokes(page)).toContainText('planned');
});

test('strokes are opened from a file, to the same points; a file that lies is refused with a sentence', async ({
  page,
}) => {
  await sprayPiece(page);
  await stroke(page, 0.3);
  await stroke(page, 0.45);
  const looks = await filmSaid(page);
  const points = await page.getByTestId('practice-points').innerText();
  const saved = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save the strokes' }).click();
  const text = readFileSync(await (await saved).path(), 'utf8');
  const open = async (content: string) => {
    const chooser = page.waitForEvent('filechooser');
    await page.getByRole('button', { name: 'Open strokes from a file' }).click();
    await (
      await chooser
    ).setFiles({
      name: 'strokes.json',
      mimeType: 'application/json',
      buffer: Buffer.from(content),
    });
  };
  await page.getByRole('button', { name: 'Spray it again' }).click();
  for (const [content, sentence] of [
    ['{', 'This is no file of strokes.'],
    [text.replace('"wall"', '"door"'), 'These strokes were sprayed on another piece. Open them there.'],
    [text.replace(/"close":\d+/, '"close":99999999'), 'The trigger is pulled while the gun is there'],
  ] as const) {
    await open(content);
    await expect(page.getByText(sentence)).toBeVisible();
    await page.waitForTimeout(400);
  }
  await open(text);
  await expect(page.getByTestId('practice-points')).toBeVisible({ timeout: 30_000 });
  expect(await page.getByTestId('practice-looks').innerText()).toBe(looks);
  expect((await page.getByTestId('practice-points').innerText()).split('\n').slice(0, 2)).toEqual(
    points.split('\n').slice(0, 2),
  );
});

/** Touches as a phone makes them. */
const touch = (session: CDPSession, type: string, points: readonly { x: number; y: number; id: number }[]) =>
  session.send('Input.dispatchTouchEvent', { type: type as 'touchStart', touchPoints: [...points] });

test(
  'a finger sprays; a second one pulls the trigger where that is chosen; a finger that is lost loses nothing',
  { tag: '@wide' },
  async ({ page }) => {
    await sprayPiece(page);
    const at = await pieceOf(page);
    const session = await page.context().newCDPSession(page);
    const finger = (x: number, y: number, id = 0) => ({ ...at(x, y), id });
    await touch(session, 'touchStart', [finger(0.05, 0.5)]);
    for (let part = 1; part <= 20; part += 1)
      await touch(session, 'touchMove', [finger(0.05 + part * 0.045, 0.5)]);
    await touch(session, 'touchEnd', []);
    await expect(strokes(page)).toContainText('Stroke 1 of about');
    // The phone takes the finger away in the middle of a stroke: what was sprayed until then stays.
    await touch(session, 'touchStart', [finger(0.05, 0.6)]);
    for (let part = 1; part <= 10; part += 1)
      await touch(session, 'touchMove', [finger(0.05 + part * 0.04, 0.6)]);
    await touch(session, 'touchCancel', []);
    await expect(strokes(page)).toContainText('Stroke 2 of about');
    await page.getByRole('radio', { name: 'By a second finger' }).click();
    const again = await pieceOf(page);
    const hand = (x: number, id: number) => ({ ...again(x, id === 0 ? 0.7 : 0.95), id });
    await touch(session, 'touchStart', [hand(0.05, 0)]);
    for (let part = 1; part <= 10; part += 1)
      await touch(session, 'touchMove', [hand(0.05 + part * 0.02, 0)]);
    await expect(strokes(page)).toContainText('Stroke 2 of about');
    await touch(session, 'touchStart', [hand(0.25, 0), hand(0.5, 1)]);
    for (let part = 1; part <= 10; part += 1)
      await touch(session, 'touchMove', [hand(0.25 + part * 0.05, 0), hand(0.5, 1)]);
    await touch(session, 'touchEnd', []);
    await expect(strokes(page)).toContainText('Stroke 3 of about');
  },
);

test('two hundred strokes within a second are all taken, and what comes after them too', async ({ page }) => {
  await sprayPiece(page);
  const at = await pieceOf(page);
  const session = await page.context().newCDPSession(page);
  const mouse = (type: string, x: number, y: number, time: number) =>
    session.send('Input.dispatchMouseEvent', {
      type: type as 'mouseMoved',
      ...at(x, y),
      button: 'left',
      buttons: type === 'mouseReleased' ? 0 : 1,
      clickCount: 1,
      // When the device says it was: every five milliseconds a stroke.
      timestamp: time,
    });
  const began = Date.now() / 1000;
  const sent = Array.from({ length: 200 }, (_none, index) => {
    const [y, time] = [0.1 + index * 0.004, began + index * 0.005];
    return [
      mouse('mousePressed', 0.2, y, time),
      mouse('mouseMoved', 0.5, y, time + 0.002),
      mouse('mouseReleased', 0.8, y, time + 0.004),
    ];
  });
  await Promise.all(sent.flat());
  await expect(strokes(page)).toContainText('Stroke 200 of about');
  await stroke(page, 0.95);
  await expect(strokes(page)).toContainText('Stroke 201 of about');
  expect(await filmSaid(page)).toMatch(/Mean film \d+ μm of \d+ μm/);
});

test(
  'a pen sprays while it is pressed, and only moves the gun while it is not',
  { tag: '@wide' },
  async ({ page }) => {
    await sprayPiece(page, 'fence');
    const at = await pieceOf(page);
    const session = await page.context().newCDPSession(page);
    const pen = (type: string, x: number, pressed: boolean) =>
      session.send('Input.dispatchMouseEvent', {
        type: type as 'mouseMoved',
        ...at(x, 0.5),
        pointerType: 'pen',
        button: pressed ? 'left' : 'none',
        buttons: pressed ? 1 : 0,
        clickCount: 1,
      });
    for (let part = 0; part < 5; part += 1) await pen('mouseMoved', 0.1 + part * 0.02, false);
    await expect(strokes(page)).toContainText('planned');
    await pen('mousePressed', 0.2, true);
    for (let part = 0; part < 20; part += 1) await pen('mouseMoved', 0.2 + part * 0.03, true);
    await pen('mouseReleased', 0.8, true);
    await expect(strokes(page)).toContainText('Stroke 1 of about');
  },
);

test(
  'with keys alone, and no motion: a stroke at the wanted speed, and drills from end to end',
  { tag: '@wide' },
  async ({ page }) => {
    await page.emulateMedia({ reducedMotion: 'reduce' });
    await sprayPiece(page, 'trim');
    await page.getByTestId('spray-surface').focus();
    await page.keyboard.down('ArrowRight');
    await page.waitForTimeout(300);
    await page.keyboard.down('Space');
    await page.waitForTimeout(1500);
    await page.keyboard.up('Space');
    await page.keyboard.up('ArrowRight');
    await expect(strokes(page)).toContainText(/Stroke 1 of about \d+: .* right\./);

    await page.goto(`${address()}/practice`);
    await page.getByRole('button', { name: 'Begin' }).focus();
    await page.keyboard.press('Enter');
    const drill = page.getByTestId('drill');
    await expect(drill).toBeVisible();
    const total = Number(/of (\d+)/.exec(await drill.getByText(/^1 of \d+/).innerText())?.[1]);
    expect(total).toBeGreaterThan(3);
    for (let question = 1; question <= total; question += 1) {
      await expect(drill.getByText(new RegExp(`^${question} of ${total} `))).toBeVisible();
      await drill.getByRole('radio').first().focus();
      await page.keyboard.press('Enter');
      await expect(page.getByTestId('drill-because').getByRole('alert')).toContainText(
        /^(Right\.|Not that\.)/,
      );
      await page.waitForTimeout(400);
      await page.getByRole('button', { name: question < total ? 'Next' : 'See how it went' }).focus();
      await page.keyboard.press('Enter');
    }
    await expect(page.getByTestId('drill-end')).toContainText(new RegExp(`^\\d+ of ${total}`));
  },
);

test('what somebody learns is theirs: kept without the server, sent when it is back, shown on their page', async ({
  page,
  context,
}) => {
  await page.goto(`${address()}/people/${WREN}`);
  await page.getByTestId('practice-progress').getByRole('button', { name: 'Practise' }).click();
  await expect(page.getByRole('button', { name: /Who practises.*Wren/ })).toBeVisible();
  const asked = async () => {
    const response = await context.request.get(`${address()}/api/practices/${WREN}`);
    const row = (await response.json()) as { days: { asked: number }[] };
    return row.days.reduce((sum, day) => sum + day.asked, 0);
  };
  const before = await asked();
  await page.getByRole('link', { name: /^Reading the comb/ }).click();
  await page.getByTestId('drill').getByRole('radio').first().click();
  await expect.poll(asked).toBe(before + 1);
  await page.waitForTimeout(400);
  await page.getByRole('button', { name: 'Next' }).click();
  await context.setOffline(true);
  await page.getByTestId('drill').getByRole('radio').first().click();
  await expect(page.getByTestId('drill-because')).toBeVisible();
  await page.waitForTimeout(400);
  await page.getByRole('button', { name: 'Next' }).click();
  await page.getByTestId('drill').getByRole('radio').nth(1).click();
  await expect(page.getByTestId('drill-because')).toBeVisible();
  await context.setOffline(false);
  await page.reload();
  await page.goto(`${address()}/practice`);
  await expect.poll(asked, { timeout: 20_000 }).toBe(before + 3);
});

test('a device that takes no more says so, and what was sprayed is still judged', async ({ page }) => {
  await sprayPiece(page);
  await stroke(page, 0.4);
  await page.evaluate(() => {
    Storage.prototype.setItem = () => {
      throw new DOMException('full', 'QuotaExceededError');
    };
  });
  await filmSaid(page);
  await expect(
    page.getByText('This device is full: the score is here until the page is closed.'),
  ).toBeVisible();
});

test('another lap is tried on a card before anything is sprayed, and a surface is practised with its own', async ({
  page,
}) => {
  const surface = await demoSurface('East gable');
  await page.goto(`${address()}${surface}/try`);
  const tried = page.getByTestId('try-film');
  await expect(tried.getByTestId('film-picture')).toBeVisible({ timeout: 20_000 });
  const before = await tried.innerText();
  await page.getByRole('slider', { name: 'Gun speed' }).fill('0.3');
  await expect.poll(() => tried.innerText(), { timeout: 20_000 }).not.toBe(before);
  await expect(page.getByText('over the sag limit').first()).toBeVisible({ timeout: 20_000 });
  await page.getByRole('button', { name: 'As on the card' }).click();
  await expect.poll(() => tried.innerText(), { timeout: 20_000 }).toBe(before);
  await page.goto(`${address()}${surface}/practise`);
  await expect(strokes(page)).toContainText('planned');
  await stroke(page, 0.6);
  await expect(strokes(page)).toContainText('Stroke 1 of about');
  // Nothing of it is in the log.
  const entries = await page.request.get(`${address()}/api/entries`);
  expect(JSON.stringify(await entries.json())).not.toContain('practise');
});

test(
  'every surface of a job is laid by a usual hand, the hardest comes first and is sprayed from there',
  { tag: '@wide' },
  async ({ page }) => {
    await page.goto(`${address()}/practice`);
    await page.getByRole('link', { name: /Tern Boathouse.*38 surfaces/ }).click();
    // It can be ended, and says how far it came.
    await page.getByRole('button', { name: 'Stop' }).click();
    await expect(page.getByText(/^Stopped: \d+ of 38 laid\.$/)).toBeVisible();
    await page.reload();
    const list = page.getByTestId('house').getByRole('link');
    await expect(page.getByRole('progressbar')).toBeVisible();
    await expect(page.getByRole('progressbar')).toHaveCount(0, { timeout: 60_000 });
    await expect(list).toHaveCount(38);
    const wrong = (await list.allInnerTexts()).map((text) => Number(/(\d+) % wrong/.exec(text)?.[1] ?? 0));
    expect(wrong).toEqual([...wrong].sort((a, b) => b - a));
    expect(wrong[0]).toBeGreaterThan(wrong.at(-1) ?? 100);
    await list.first().click();
    await expect(strokes(page)).toContainText('planned');
    await expect(page).toHaveURL(/\/surfaces\/.*\/practise$/);
  },
);

test('combs of three ceilings that came out thin choose what to practise, and say why', async ({ page }) => {
  const job = await ownJob('Combed thin');
  const rows = await items<{ id: string; element: string; coatingId: string }>(`/api${job}/surfaces`);
  const ceilings = rows.filter(({ element }) => element === 'ceiling');
  expect(ceilings.length).toBe(3);
  const teeth = [20, 40, 60, 80, 100, 120, 140].map((micron) => micron * 1e-6);
  for (const [index, { id, coatingId }] of ceilings.entries())
    await writeEntry(
      { jobId: job.split('/').pop() ?? '', surfaceId: id },
      'comb',
      2,
      Date.now() - (3 - index) * 60_000,
      {
        ...{ coatingId, coat: 1, teeth, lastWet: [40e-6, 40e-6, 40e-6], thinner: 0, element: 'ceiling' },
        ...{ tip: null, target: null, speed: null, cardSpeed: null },
      },
    );
  await page.goto(`${address()}/practice`);
  await expect(page.getByTestId('practice-due')).toContainText(
    /Ceiling: your film is thin, \d+ % of what was wanted over \d+ coats\. Practise a slower gun/,
  );
});
