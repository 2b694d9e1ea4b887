import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { expect, test, type Page } from '@playwright/test';
import { address, demoJob, demoPlace, demoSurface } from './pages';

const axeSource = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

interface Violation {
  readonly id: string;
  readonly nodes: readonly { readonly html: string; readonly failureSummary?: string }[];
}

async function violations(page: Page): Promise<string[]> {
  await page.evaluate(axeSource);
  const found = await page.evaluate(async () => {
    const { axe } = globalThis as unknown as { axe: { run(): Promise<{ violations: Violation[] }> } };
    return (await axe.run()).violations;
  });
  return found.flatMap(({ id, nodes }) =>
    nodes.map(({ html, failureSummary }) => `${id}: ${html.slice(0, 160)} ${failureSummary ?? ''}`),
  );
}

const idOf = (url: string) => url.split('/').pop() ?? '';

const SCREENS: Record<string, () => Promise<string>> = {
  jobs: () => Promise.resolve('/'),
  job: () => demoJob(),
  'buy list': async () => `${await demoJob()}/buy`,
  room: () => demoPlace('Galley'),
  'coating systems': async () => `${await demoJob()}/systems`,
  files: async () => `${await demoJob()}/files`,
  'a job from a file': () => Promise.resolve('/open'),
  'rates and prices': () => Promise.resolve('/book'),
  surface: () => demoSurface('North wall'),
  'surface outside': () => demoSurface('Lake gable'),
  'start up': async () => `${await demoSurface('North wall')}/start-up`,
  'check paint': async () => `${await demoSurface('North wall')}/paint`,
  'dial in': async () => `${await demoSurface('North wall')}/dial-in`,
  'the line': async () => `${await demoSurface('North wall')}/line`,
  'map of tips': async () => `${await demoSurface('North wall')}/tips`,
  'card to show': async () => `${await demoSurface('North wall')}/card`,
  'take these': async () => `${await demoJob()}/take`,
  log: () => Promise.resolve('/log'),
  'a coat finished': async () => `/log/write/coat-finished?surface=${idOf(await demoSurface('North wall'))}`,
  'a comb': async () => `/log/write/comb?surface=${idOf(await demoSurface('North wall'))}`,
  'a near miss': () => Promise.resolve('/log/write/incident'),
  clocks: async () => `/log/clocks?job=${idOf(await demoJob())}`,
  'plan against actual': async () => `/log/actual?job=${idOf(await demoJob())}`,
  'wear of the tips': () => Promise.resolve('/log/tips'),
  'our history': () => Promise.resolve('/log/learned'),
  journal: () => Promise.resolve('/log/journal'),
  'what waits': () => Promise.resolve('/log/waiting'),
  'a new gun': () => Promise.resolve('/kit/gear/new'),
  'quick set-up': () => Promise.resolve('/set-up'),
  kit: () => Promise.resolve('/kit'),
  settings: () => Promise.resolve('/settings'),
  emergency: () => Promise.resolve('/emergency'),
  'unknown address': () => Promise.resolve('/nowhere/at/all'),
};

for (const theme of ['light', 'dark'] as const) {
  for (const [name, path] of Object.entries(SCREENS)) {
    test(`${name}, ${theme}: no accessibility violations`, async ({ page }) => {
      await page.emulateMedia({ colorScheme: theme });
      await page.goto(`${address()}${await path()}`);
      await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
      await expect(page.getByRole('status', { name: 'Loading' })).toHaveCount(0);
      await page.evaluate(() => document.fonts.ready);
      expect(await violations(page)).toEqual([]);
    });
  }

  test(`the sheets, ${theme}: no accessibility violations`, async ({ page }) => {
    await page.emulateMedia({ colorScheme: theme });
    await page.goto(`${address()}${await demoSurface('North wall')}`);
    await page.getByRole('button', { name: /^Wet film .* Why/ }).click();
    await page.getByRole('dialog').getByRole('button', { name: 'Use a data sheet value' }).first().click();
    expect(await violations(page)).toEqual([]);
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: /^Coating: / }).click();
    expect(await violations(page)).toEqual([]);
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: 'See the film on the wall' }).click();
    await expect(page.getByTestId('film-picture')).toBeVisible();
    expect(await violations(page)).toEqual([]);
    await page.getByRole('button', { name: 'Close', exact: true }).click();
    await page.getByRole('button', { name: 'Compare set-ups' }).click();
    await expect(page.getByRole('dialog').getByRole('group')).toHaveCount(2);
    expect(await violations(page)).toEqual([]);
  });

  test(`measuring, ${theme}: no accessibility violations`, async ({ page }) => {
    await page.emulateMedia({ colorScheme: theme });
    await page.goto(`${address()}${await demoPlace('Galley')}`);
    await page.getByLabel('Length, m').click();
    await expect(page.getByRole('group', { name: 'Number pad for Length' })).toBeVisible();
    expect(await violations(page)).toEqual([]);
    await page.getByRole('button', { name: 'Done', exact: true }).click();
    await page.getByRole('button', { name: 'Count something' }).click();
    expect(await violations(page)).toEqual([]);
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: 'Draw the plan' }).click();
    expect(await violations(page)).toEqual([]);
  });

  test(`a coating, ${theme}: no accessibility violations`, async ({ page }) => {
    await page.emulateMedia({ colorScheme: theme });
    await page.goto(`${address()}/kit`);
    await page.getByRole('link', { name: /Interior wall satin/ }).click();
    await expect(page.getByLabel('Volume solids, %')).toBeVisible();
    expect(await violations(page)).toEqual([]);
  });
}
