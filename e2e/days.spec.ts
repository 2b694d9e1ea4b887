import { readFileSync } from 'node:fs';
import { address, ceilingOf, choose, demoJob, forget, more, ownJob, writeEntry } from './pages';
import { expect, test } from './test';

test(
  'the days of a job are planned, follow people and shut rooms, and go out as a calendar',
  { tag: '@wide' },
  async ({ page }, { project }) => {
    const job = await ownJob(`Days ${project.name}`);
    await page.goto(`${address()}${job}`);
    await page.getByRole('button', { name: 'Plan the days' }).click();
    const answer = page.getByTestId('days-answer');
    await expect(answer).toContainText('No plan can be done');
    await expect(answer).toContainText(/in 4 cases of 5, by .* in 19 of 20/);
    await expect(page.getByTestId('day-task').first()).toContainText('protect');
    const day = page.getByTestId('day').first();
    const first = await day.getByRole('heading').innerText();
    await expect(page.getByText(/Hall: Wall, Interior wall matt.*coat 2/).first()).toBeVisible();

    await page.getByRole('button', { name: 'Rooms that are shut on some days' }).click();
    const weekday = first.split(' ')[0] ?? '';
    await page.getByRole('checkbox', { name: `Hall, ${weekday}` }).click();
    await page.getByRole('dialog').getByRole('button', { name: 'Done', exact: true }).click();
    await expect(day.getByRole('heading')).toHaveText(first);
    await expect(day.getByText(/^Hall:/)).toHaveCount(0);
    await expect(day.getByText(/^Front room:/).first()).toBeVisible();

    // Stored: another page has it.
    await expect(page.getByText('Stored on the server').first()).toBeVisible();
    await page.reload();
    await expect(page.getByRole('button', { name: 'Shut on some days: Hall' })).toBeVisible();
    await expect(answer).toBeVisible();
    await expect(day.getByText(/^Hall:/)).toHaveCount(0);

    const coming = page.waitForEvent('download');
    await page.getByRole('button', { name: 'As a calendar', exact: true }).click();
    const text = readFileSync(await (await coming).path(), 'utf8');
    expect(text).toContain('BEGIN:VCALENDAR');
    expect(text.match(/BEGIN:VEVENT/g)?.length).toBeGreaterThan(15);

    const others = page.getByTestId('other-ways');
    await expect(others.getByRole('button')).toHaveCount(4);
    await expect(others).toContainText(/Paint that dries in half the time/);
    await expect(others).toContainText(/One person more/);
    await others.getByRole('button', { name: /^Another sprayer/ }).click();
    await expect(page.getByRole('group', { name: 'Sprayers', exact: true })).toContainText('2');
    await expect(answer).toBeVisible();
    await page.getByRole('button', { name: 'Step back' }).click();
    await expect(page.getByRole('group', { name: 'Sprayers', exact: true })).toContainText('1');
    await forget(`/api${job}`);
  },
);

test(
  'a task is held where it is put, one that cannot be is refused with the reason, and the rest goes round it',
  { tag: '@wide' },
  async ({ page }, { project }) => {
    const job = await ownJob(`Held ${project.name}`);
    await page.goto(`${address()}${job}/days`);
    const answer = page.getByTestId('days-answer');
    await expect(answer).toBeVisible();
    await page.getByRole('button', { name: 'Work by this plan' }).click();
    await expect(page.getByRole('button', { name: 'Work by this plan' })).toHaveCount(0);
    await expect(page.getByTestId('changes')).toHaveCount(0);
    // A room is masked on the day after it could be.
    const task = page.getByTestId('day-task').filter({ hasText: 'Front room: mask and cover' });
    await task.click();
    const sheet = page.getByRole('dialog');
    await sheet.getByRole('button', { name: 'A day later' }).click();
    const day = await sheet.getByTestId('pin-day').innerText();
    await sheet.getByRole('button', { name: 'Hold it there' }).click();
    await sheet.getByRole('button', { name: 'Close' }).click();
    const there = page.getByTestId('day').filter({ has: page.getByRole('heading', { name: day }) });
    await expect(
      there.getByTestId('day-task').filter({ hasText: 'Front room: mask and cover' }),
    ).toContainText('held');
    const changes = page.getByTestId('changes');
    await expect(changes).toContainText('elsewhere now');
    await changes.getByRole('button', { name: 'Take it so' }).click();
    await expect(changes).toHaveCount(0);
    if (project.name === 'wide') {
      // The board says the same, and a task is moved on it with a key.
      const block = page
        .getByTestId('block')
        .and(page.getByRole('button', { name: /^Front room: mask and cover/ }))
        .first();
      await expect(block).toHaveAttribute('aria-label', /, held$/);
      await block.focus();
      const before = await block.getAttribute('aria-label');
      await page.keyboard.press('ArrowRight');
      await expect(block).not.toHaveAttribute('aria-label', before ?? '');
      await page.getByRole('radio', { name: 'By rooms' }).click();
      await expect(page.getByTestId('board')).toContainText('Front room');
    }
    // Sprayed before it is masked: refused.
    await page.getByTestId('day-task').filter({ hasText: 'Front room: Ceiling' }).first().click();
    for (let times = 0; times < 12; times += 1)
      await sheet.getByRole('button', { name: 'A day earlier' }).click();
    await sheet.getByRole('button', { name: 'Hold it there' }).click();
    await sheet.getByRole('button', { name: 'Close' }).click();
    await expect(
      page.getByText(/cannot begin .* is done and dry .* at the earliest|when there is no work/),
    ).toBeVisible();
    await page.getByRole('button', { name: 'Step back' }).click();
    await expect(answer).toBeVisible();
    await forget(`/api${job}`);
  },
);

test(
  'a day is worked by Today: a tap begins a task, a tap ends it, and the log is written',
  { tag: '@wide' },
  async ({ page }, { project }) => {
    const name = `Today ${project.name}`;
    const job = await ownJob(name);
    await page.goto(`${address()}${job}/days`);
    await page.getByRole('button', { name: 'Work by this plan' }).click();
    await expect(page.getByText('Stored on the server').first()).toBeVisible();
    await page.goto(`${address()}/today`);
    await choose(page, 'Job', name);
    const now = page.getByTestId('now');
    await expect(page.getByText(name, { exact: true }).first()).toBeVisible();
    await expect(now).toBeVisible();
    let taps = 0;
    const tap = async (button: string) => {
      // One button begins and ends: a second tap at once is taken for a thumb that bounced, and nobody works that fast.
      await page.waitForTimeout(400);
      await page.getByRole('button', { name: button, exact: true }).click();
      taps += 1;
    };
    const id = job.split('/').pop() ?? '';
    const steps = async () => {
      const answer = await fetch(`${address()}/api/entries?job=${id}`);
      const { items } = (await answer.json()) as {
        items: readonly { kind: string; payload: { did?: string }; surfaceId: string | null }[];
      };
      return items;
    };
    // Until a coat of the first room is on: protect, prepare, mask, spray.
    let worked = 0;
    let sprayed = false;
    while (!sprayed && worked < 14) {
      const title = await now.getByRole('heading', { level: 2 }).first().innerText();
      sprayed = (await page.getByTestId('tip-now').count()) > 0;
      await tap('Start');
      await expect(page.getByRole('button', { name: 'Done', exact: true })).toBeEnabled();
      await expect(now).toContainText(title);
      await tap('Done');
      await expect(page.getByRole('button', { name: 'Start', exact: true })).toBeEnabled();
      worked += 1;
    }
    expect(sprayed).toBe(true);
    // Two taps for each task, and none for the log.
    expect(taps).toBe(2 * worked);
    await expect
      .poll(async () => (await steps()).filter(({ payload }) => payload.did === 'done').length)
      .toBe(worked);
    const kinds = (await steps()).map(({ kind }) => kind);
    expect(kinds).toContain('coat started');
    expect(kinds).toContain('coat finished');
    // Taken back: the task is there again.
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(page.getByRole('button', { name: 'Done', exact: true })).toBeVisible();
    await page.goto(`${address()}/log/journal`);
    // Late in the day it stands below all that was written since the morning.
    await page.getByLabel('Find').fill('protect');
    await expect(page.getByText(/Front room: protect: done|protect.*done/).first()).toBeVisible();
    await forget(`/api${job}`);
  },
);

test(
  'what is to prepare is listed room by room with amounts and cautions, and stays ticked',
  { tag: '@wide' },
  async ({ page }) => {
    await page.goto(`${address()}${await demoJob('Orchard Row 3')}`);
    await more(page, 'Prepare');
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
    // A tap holds though the page is gone in the same moment, before anything was stored.
    await floor.evaluate((box: HTMLElement) => {
      box.click();
      location.reload();
    });
    await expect(answer).toContainText(/ 0 of \d+ lines done/);
    await expect(floor).not.toBeChecked();
  },
);

test('sprayed, rolled or rolled from the pump: hours and paint of each, and from when on', async ({
  page,
}) => {
  await page.goto(`${address()}${await demoJob('Kiln House, ground floor')}`);
  await more(page, 'Spray or roll');
  const answer = page.getByTestId('methods-answer');
  await expect(answer).toContainText(/: [\d.]+ h, against [\d.]+ h with /);
  await expect(answer).toContainText(
    /Spraying is quicker than roller and tray from|Roller and tray is quicker up to/,
  );
  await expect(page.getByTestId('methods-room')).toHaveCount(3);
  await answer.getByRole('button').first().click();
  await expect(page.getByRole('dialog')).toContainText('Hours by method');
});

test('a coat that was combed too thin is said where the work is planned, and one more is planned with a tap', async ({
  page,
}) => {
  const job = await ownJob('A thin coat');
  const { row, finished, of: where } = await ceilingOf(job);
  const hour = 3_600_000;
  const begun = Date.now() - 30 * hour;
  for (let coat = 1; coat <= row.coats; coat += 1) {
    const of = { coatingId: row.coatingId, coat };
    const at = begun + coat * 8 * hour;
    await writeEntry(where, 'comb', 2, at, {
      ...of,
      teeth: [25e-6, 50e-6, 75e-6, 100e-6, 125e-6, 150e-6, 175e-6, 200e-6],
      lastWet: [50e-6, 50e-6, 50e-6],
      ...{ thinner: 0, element: 'ceiling', tip: null, target: 130e-6, speed: null, cardSpeed: null },
    });
    await writeEntry(where, 'coat finished', 1, at + hour / 4, { ...finished, coat });
  }
  await page.goto(`${address()}${job}/days`);
  const findings = page.getByTestId('findings');
  await expect(findings).toContainText(`${row.room}, ${row.name}: too thin`);
  await findings.getByRole('button', { name: 'Add a coat' }).click();
  await expect(findings).toHaveCount(0);
  await expect(page.getByText(`${row.name} has one coat more, and the plan with it.`)).toBeVisible();
  const stored = async () =>
    ((await (await fetch(`${address()}/api/surfaces/${row.id}`)).json()) as { coats: number }).coats;
  await expect.poll(stored).toBe(row.coats + 1);
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect(findings).toBeVisible();
  await findings.getByRole('button', { name: 'Leave it so' }).click();
  await expect(findings).toHaveCount(0);
  await page.reload();
  await expect(page.getByTestId('board').or(page.getByTestId('day')).first()).toBeVisible();
  await expect(findings).toHaveCount(0);
  await forget(`/api${job}`);
});

test('the plan of a finished job stands beside what happened', async ({ page }) => {
  await page.goto(`${address()}${await demoJob('Orchard Row 3')}/days`);
  const kept = page.getByTestId('plan-kept');
  await expect(kept).toContainText(/^The plan against what happenedLast coat (on time|.*(later|sooner))/);
  await expect(kept).toContainText(/\d+ coats by the log/);
  await expect(page.getByText('This job is finished')).toBeVisible();
  await expect(page.getByRole('group', { name: 'How it is planned' })).toHaveCount(0);
});
