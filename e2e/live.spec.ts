import { randomUUID } from 'node:crypto';
import { expect, test } from '@playwright/test';
import path from 'node:path';
import { startCluster } from '../scripts/lib/cluster.mjs';
import { freePort, temporaryHome } from './fine-spray';
import { Instance } from './instance';

/** Well before a page would ask by itself, ms: the stream has told it. How soon it is there is timed by the bench. */
const SOON = 20_000;

test('a colleague at another server writes and plans: it comes to an open page by itself', async ({
  page,
}) => {
  const { home, remove } = temporaryHome();
  const cluster = await startCluster(path.join(home, 'postgres'));
  const [here, there] = [
    new Instance(await freePort(), cluster.url),
    new Instance(await freePort(), cluster.url),
  ];
  const send = (address: string, what: string, body: object) =>
    fetch(`${there.address}/api/${address}`, {
      method: 'PUT',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(body),
    }).then(({ status }) => expect([what, status]).toEqual([what, 200]));
  try {
    await here.start();
    await there.start();
    await page.goto(`${here.address}/`);
    await expect(page.getByText('Tern Boathouse').first()).toBeVisible();
    // Two pages of one device: one has the stream, and tells the other.
    const journal = await page.context().newPage();
    await journal.goto(`${here.address}/log/journal`);
    await expect(journal.getByTestId('journal-row').first()).toBeVisible();
    // Until both follow.
    await page.waitForTimeout(1500);

    const job = { name: 'Lockkeeper’s cottage', place: 'Mill Lane', note: '', status: 'estimate' };
    const kit = async (of: string) =>
      ((await (await fetch(`${there.address}/api/${of}`)).json()) as { items: { id: string }[] }).items[0]
        ?.id ?? '';
    const fields = {
      ...{ ...job, paintAge: 'unknown', lift: 0 },
      ...{ sprayerId: await kit('sprayers'), hoseIds: [await kit('hoses')], version: 0 },
    };
    await send(`jobs/${randomUUID()}`, 'a job', fields);
    await expect(page.getByText('Lockkeeper’s cottage').first()).toBeVisible({ timeout: SOON });

    const note = { kind: 'note', at: new Date().toISOString(), author: 'WR', jobId: null, surfaceId: null };
    const text = 'Second coat on the gable begun';
    await send(`entries/${randomUUID()}`, 'a note', {
      ...note,
      replaces: null,
      payload: { text },
      version: 0,
    });
    await expect(journal.getByText(text)).toBeVisible({ timeout: SOON });

    // A card follows the sprayer's limit and the coating somebody else changes, and the units of another page of the device.
    interface Row {
      readonly id: string;
      readonly name: string;
      readonly version: number;
    }
    const rows = async <One extends Row>(of: string) =>
      ((await (await fetch(`${there.address}/api/${of}`)).json()) as { items: One[] }).items;
    const tern = (await rows('jobs')).find(({ name }) => name === 'Tern Boathouse') as Row & {
      sprayerId: string;
    };
    const wall = (await rows(`jobs/${tern.id}/surfaces`)).find(({ name }) => name === 'South wall') as Row & {
      coatingId: string;
    };
    const change = async (of: string, id: string, part: object) => {
      const row = (await rows(of)).find((one) => one.id === id);
      const { id: _id, createdAt: _made, updatedAt: _now, ...content } = row as Row & Record<string, unknown>;
      await send(`${of}/${id}`, of, { ...content, ...part });
    };
    await page.goto(`${here.address}/jobs/${tern.id}/surfaces/${wall.id}`);
    const card = page.getByTestId('setup-card');
    await expect(card).toContainText('bar');
    for (const [of, id, part] of [
      ['sprayers', tern.sprayerId, { maxPressure: 1.3e7 }],
      [
        'coatings',
        wall.coatingId,
        { overrides: { volumeSolids: { value: 0.5, basis: 'data-sheet', source: 'Data sheet' } } },
      ],
    ] as const) {
      const before = await card.innerText();
      await change(of, id, part);
      await expect.poll(async () => (await card.innerText()) === before, { timeout: SOON }).toBe(false);
    }
    await journal.keyboard.press('u');
    await expect(card).toContainText(/Gun, [^\d]*[\d,–]+ ?psi/);

    // The server this page is at goes, and comes back: what was written meanwhile comes by itself.
    await here.kill();
    await send(`entries/${randomUUID()}`, 'another', {
      ...{ ...note, replaces: null, version: 0 },
      payload: { text: 'Written while you were away' },
    });
    await here.start();
    await expect(journal.getByText('Written while you were away')).toBeVisible({ timeout: 20_000 });
  } finally {
    await here.kill();
    await there.kill();
    await cluster.stop();
    remove();
  }
});
