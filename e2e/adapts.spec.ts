import type { Page } from '@playwright/test';
import { address, demoJob, demoSurface } from './pages';
import { expect, test } from './test';

/** Main views, and the ones with the most in little room. */
async function views(): Promise<readonly string[]> {
  const [job, wall] = [await demoJob(), await demoSurface('North wall')];
  return [
    ...['/', '/today', job, wall, `${wall}/dial-in`, `${job}/buy`, `${job}/days`, `${job}/offers`],
    ...['/log', '/log/journal', '/log/clocks', '/kit', '/settings', '/emergency', '/tips'],
  ];
}

async function open(page: Page, path: string): Promise<void> {
  await page.goto(`${address()}${path}`);
  await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible();
  await page.waitForLoadState('networkidle');
}

const named = (path: string) => path.replace(/[0-9a-f-]{36}/g, '…');

/** Texts that are cut off in their height, or stand over the edge of the window, without a way to scroll to them. */
const cutOff = (page: Page) =>
  page.evaluate(() => {
    const wide = document.documentElement.clientWidth;
    const found: string[] = [];
    if (document.documentElement.scrollWidth > wide + 1) found.push('the page is too wide');
    for (const text of document.querySelectorAll<HTMLElement>('[dir=auto]')) {
      const { width, height, right, left } = text.getBoundingClientRect();
      if (width <= 1 || height <= 1 || text.closest('svg') !== null) continue;
      const style = getComputedStyle(text);
      // What is short on purpose ends in dots and is whole elsewhere.
      const short = style.textOverflow === 'ellipsis' || style.webkitLineClamp !== 'none';
      const cut = !short && style.overflowY === 'hidden' && text.scrollHeight > text.clientHeight + 2;
      let scrolls = false;
      for (let at: HTMLElement | null = text; at; at = at.parentElement)
        if (at.scrollWidth > at.clientWidth && ['auto', 'scroll'].includes(getComputedStyle(at).overflowX))
          scrolls = true;
      if (cut || (!scrolls && (right > wide + 1 || left < -1)))
        found.push(text.textContent?.slice(0, 40) ?? '');
    }
    for (const row of document.querySelectorAll<HTMLElement>('[role=link],[role=button]'))
      if (row.style.height !== '' && row.scrollHeight > row.clientHeight + 2)
        found.push(`row: ${row.textContent?.slice(0, 40) ?? ''}`);
    return found;
  });

test('wider spacing of text cuts nothing off (WCAG 2.2, 1.4.12)', async ({ page }) => {
  const wrong: string[] = [];
  for (const path of await views()) {
    await open(page, path);
    await page.addStyleTag({
      content:
        '* { line-height: 1.5 !important; letter-spacing: 0.12em !important; word-spacing: 0.16em !important; }',
    });
    await page.waitForTimeout(300);
    wrong.push(...(await cutOff(page)).map((text) => `${named(path)}: ${text}`));
  }
  expect(wrong).toEqual([]);
});

test('at 400 % everything is reached by scrolling one way, and the head leaves the page its room', async ({
  page,
}) => {
  // 1280 by 1024 at 400 %.
  await page.setViewportSize({ width: 320, height: 256 });
  const wrong: string[] = [];
  for (const path of await views()) {
    await open(page, path);
    wrong.push(...(await cutOff(page)).map((text) => `${named(path)}: ${text}`));
    const scrolls = page.locator('.lies-open, [data-testid=board]').first();
    await expect
      .poll(async () => (await scrolls.boundingBox())?.height ?? 0, { message: `room of ${named(path)}` })
      .toBeGreaterThanOrEqual(128);
  }
  expect(wrong).toEqual([]);
});

test('where more contrast is asked for, lines and small words are as strong as the rest @wide', async ({
  page,
}) => {
  const colours = () =>
    page.evaluate(() => {
      const style = getComputedStyle(document.documentElement);
      const luminance = (name: string) => {
        const [red = 0, green = 0, blue = 0] = style
          .getPropertyValue(name)
          .trim()
          .split(' ')
          .map((part) => Number(part) / 255)
          .map((part) => (part <= 0.04045 ? part / 12.92 : ((part + 0.055) / 1.055) ** 2.4));
        return 0.2126 * red + 0.7152 * green + 0.0722 * blue;
      };
      const contrast = (one: string, other: string) => {
        const [dark = 0, light = 0] = [luminance(one), luminance(other)].sort((a, b) => a - b);
        return (light + 0.05) / (dark + 0.05);
      };
      return {
        small: contrast('--ink2', '--sheet'),
        line: contrast('--rule', '--sheet'),
        said: Math.min(
          ...['--caution', '--danger', '--identity', '--wet', '--dry'].map((one) => contrast(one, '--sheet')),
        ),
      };
    });
  for (const colorScheme of ['light', 'dark'] as const) {
    await page.emulateMedia({ colorScheme, contrast: 'no-preference' });
    await open(page, '/settings');
    const usual = await colours();
    await page.emulateMedia({ colorScheme, contrast: 'more' });
    const more = await colours();
    // Text at 7 to 1 (WCAG 2.2, 1.4.6), lines at 3 to 1 (1.4.11) and well above.
    expect(more.small).toBeGreaterThan(12);
    expect(more.said).toBeGreaterThan(7);
    expect(more.line).toBeGreaterThan(5);
    expect(more.line).toBeGreaterThan(usual.line);
    expect(more.small).toBeGreaterThan(usual.small);
  }
});
