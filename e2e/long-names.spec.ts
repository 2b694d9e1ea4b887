import { address, contentOf, demoJob, type Listed } from './pages';
import { expect, test } from './test';

/** Names as they are, and one that has no place to break at. */
const NAMES = {
  job: 'Conversion of the former Harbourmaster’s Boathouse and Chandlery, north quay, second building phase',
  room: 'Upperlandinganddressingroombehindthechimneybreast',
  surface: 'Window wall with the built-in cupboards left and right of the chimney, down to the dado',
};

/** A phone, and the same phone with everything twice as large. */
const WIDTHS = [390, 195];

async function put(resource: string, row: object): Promise<string> {
  const id = crypto.randomUUID();
  const answer = await fetch(`${address()}/api/${resource}/${id}`, {
    method: 'PUT',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ ...contentOf(row), version: 0 }),
  });
  if (!answer.ok) throw new Error(`${resource}: ${await answer.text()}`);
  return id;
}

test('long names break nowhere: nothing is cut off or pushed aside on a phone, nor at 200 %', async ({
  page,
}) => {
  const from = await demoJob('Orchard Row 3');
  const job = (await (await fetch(`${address()}/api${from}`)).json()) as object;
  const { items } = (await (await fetch(`${address()}/api${from}/surfaces`)).json()) as { items: Listed[] };
  const jobId = await put('jobs', { ...job, name: NAMES.job, status: 'in progress' });
  const surfaceId = await put('surfaces', {
    ...items[0],
    ...{ jobId, placeId: null, part: '', name: NAMES.surface, room: NAMES.room },
  });
  const site = `/jobs/${jobId}/surfaces/${surfaceId}`;
  const screens = [
    ...['', '/take', '/prepare', '/tips', '/days'].map((of) => `/jobs/${jobId}${of}`),
    ...[
      '',
      '/start-up',
      '/paint',
      '/dial-in',
      '/knob',
      '/beat',
      '/gun-down',
      '/wrong',
      '/line',
      '/shut-down',
    ].map((of) => `${site}${of}`),
    ...[
      `/log?surface=${surfaceId}`,
      `/log/write/sprayed?surface=${surfaceId}`,
      `/log/write/trial?surface=${surfaceId}`,
    ],
    ...['/log/journal', `/log/actual?job=${jobId}`, '/log/products', '/today', '/'],
  ];
  const wrong: string[] = [];
  for (const path of screens) {
    await page.goto(`${address()}${path}`);
    await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible();
    // What a screen works out first comes after its heading.
    await page.waitForLoadState('networkidle');
    if (path === site) await expect(page.getByTestId('tool-bar')).toBeVisible();
    for (const width of WIDTHS) {
      await page.setViewportSize({ width, height: 844 });
      await page.waitForTimeout(300);
      wrong.push(
        ...(await page.evaluate(
          ({ at, wide }) => {
            const beyond = document.documentElement.scrollWidth - wide;
            if (beyond > 1) return [`${at} at ${wide}: ${beyond} px too wide`];
            // What stands beyond the edge and cannot be scrolled to.
            return [
              ...document.querySelectorAll('[role=button],[role=radio],[role=checkbox],[role=link],button'),
            ]
              .filter((one) => {
                const { left, right, width: own } = one.getBoundingClientRect();
                const scrolls = one.closest('[data-testid=board]') !== null;
                return own > 0 && !scrolls && (right > wide + 1 || left < -1);
              })
              .map((one) => `${at} at ${wide}: ${one.getAttribute('aria-label') ?? one.textContent ?? ''}`);
          },
          { at: path.replace(/[0-9a-f-]{36}/g, '…'), wide: width },
        )),
      );
    }
    await page.setViewportSize({ width: 390, height: 844 });
  }
  expect([...new Set(wrong)]).toEqual([]);
});
