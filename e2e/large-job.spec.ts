import { randomUUID } from 'node:crypto';
import { expect, test } from './test';
import { address, demoJob, forget } from './pages';

const SURFACES = 1000;

async function json(method: string, path: string, body?: unknown): Promise<Record<string, unknown>> {
  const response = await fetch(`${address()}${path}`, {
    method,
    ...(body === undefined
      ? {}
      : { headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) }),
  });
  if (!response.ok) throw new Error(`${method} ${path}: ${response.status}`);
  return (await response.json()) as Record<string, unknown>;
}

/** Content of a row as a write wants it. */
function content(row: Record<string, unknown>): Record<string, unknown> {
  const { id: _id, createdAt: _made, updatedAt: _changed, surfaceCount: _count, ...rest } = row;
  return { ...rest, version: 0 };
}

test(
  'a job of 1,000 surfaces opens, scrolls to its end, and one more is refused with a sentence',
  { tag: '@wide' },
  async ({ page }) => {
    test.setTimeout(120_000);
    const demo = await demoJob();
    const jobId = randomUUID();
    await json('PUT', `/api/jobs/${jobId}`, {
      ...content(await json('GET', `/api${demo}`)),
      name: 'A whole street',
    });
    const [sample] = (await json('GET', `/api${demo}/surfaces`))['items'] as Record<string, unknown>[];
    const writes = Array.from({ length: SURFACES }, (_unused, position) => ({
      resource: 'surfaces',
      id: randomUUID(),
      content: {
        ...content(sample ?? {}),
        jobId,
        // On its own: a room has each of its walls once.
        ...{ placeId: null, part: '' },
        position,
        name: `Wall ${position + 1} with a name as long as people give when a house has many walls alike`,
      },
    }));
    await json('POST', '/api/batch', { writes });
    await page.goto(`${address()}/jobs/${jobId}`);
    await expect(page.getByText(/Wall 1 with a name/)).toBeVisible();
    expect(await page.getByRole('link', { name: /Wall \d+ with/ }).count()).toBeLessThan(200);
    await page.getByRole('button', { name: 'Add a single surface' }).click();
    await expect(page.getByText(/A job holds 1,000 surfaces at most/)).toBeVisible();
    await page.getByText(/Wall 1 with a name/).hover();
    for (let wheel = 0; wheel < 40; wheel += 1) await page.mouse.wheel(0, 4000);
    await expect(page.getByText(/Wall 1000 with a name/)).toBeVisible();
    await forget(`/api/jobs/${jobId}`);
  },
);
