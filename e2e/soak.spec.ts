import { randomUUID } from 'node:crypto';
import { expect, test, type Browser, type BrowserContext, type Page } from '@playwright/test';
import path from 'node:path';
import pg from 'pg';
import { startCluster } from '../scripts/lib/cluster.mjs';
import { kept, keeps } from './device';
import { freePort, temporaryHome } from './fine-spray';
import { Instance } from './instance';

/** Runs with a seed each: one in `npm test`, a hundred in `npm run soak`. */
const RUNS = Number(process.env['SOAK_RUNS'] ?? 1);
const FIRST_SEED = Number(process.env['SOAK_SEED'] ?? 1);
/** Entries of a run, half of them on each of two devices. */
const ENTRIES = 200;
/** What may happen before a tap, and how often. */
const TROUBLE = { kill: 0.02, revive: 0.15, offline: 0.03, online: 0.2, reload: 0.03, close: 0.02 } as const;
const TEETH = [50, 75, 100, 125, 150, 175, 200, 225];

/** mulberry32: the same run for the same seed. */
function seeded(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

interface Stored {
  readonly id: string;
  readonly author: string;
  readonly createdAt: string;
  readonly payload: { readonly lastWet: readonly number[] };
}

/** One device: its browser profile, its page, and what it was told is written down. */
class Handset {
  page!: Page;
  online = true;
  #inARow = 0;
  readonly acknowledged: number[] = [];

  constructor(
    readonly context: BrowserContext,
    readonly author: string,
    private readonly url: string,
  ) {}

  static async open(browser: Browser, author: string, url: string, job: string): Promise<Handset> {
    const context = await browser.newContext({
      viewport: { width: 390, height: 844 },
      serviceWorkers: 'allow',
    });
    const personId = await person(new URL(url).origin, author);
    await context.addInitScript((id) => localStorage.setItem('fine-spray.writer', id), personId);
    const handset = new Handset(context, author, url);
    await handset.newPage();
    // Until the shell and the rows are kept, a page without a server has nothing to open from.
    await handset.page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    await handset.page.reload();
    await handset.ready();
    const stored = await entries(new URL(url).origin);
    await keeps(handset.page, stored.length, [
      ['jobs'],
      ['surfaces', job],
      ['coatings'],
      ['sprayers'],
      ['hoses'],
      ['tips'],
    ]);
    return handset;
  }

  async newPage(): Promise<void> {
    this.page = await this.context.newPage();
    await this.page.goto(this.url);
    await this.ready();
  }

  private async ready(): Promise<void> {
    this.#inARow = 0;
    await this.page.getByRole('button', { name: /^Tooth 100/ }).waitFor();
  }

  async reload(): Promise<void> {
    await this.page.reload();
    await this.ready();
  }

  async closeAndOpen(): Promise<void> {
    await this.page.close();
    await this.newPage();
  }

  async setOnline(online: boolean): Promise<void> {
    this.online = online;
    await this.context.setOffline(!online);
  }

  /** Taps a tooth and waits until the page says that it is written down. */
  async tap(tooth: number): Promise<void> {
    this.#inARow += 1;
    await this.page.evaluate(
      async ({ name, said }) => {
        const buttons = [...document.querySelectorAll<HTMLElement>('[role=button]')];
        const button = buttons.find((one) => one.getAttribute('aria-label')?.startsWith(name));
        if (!button) throw new Error(`no ${name}`);
        button.click();
        const shown = () =>
          [...document.querySelectorAll('[role=status]')].some((one) => one.textContent?.includes(said));
        for (const from = performance.now(); !shown();) {
          if (performance.now() - from > 30_000) throw new Error(`never said: ${said}`);
          await new Promise((resolve) => setTimeout(resolve, 5));
        }
      },
      { name: `Tooth ${tooth} `, said: `written down, ${this.#inARow} in a row.` },
    );
    this.acknowledged.push(tooth);
  }

  /** How many entries this device keeps to be sent; the strip on its page may not have looked yet. */
  async waiting(): Promise<number> {
    return (await kept(this.page)).waiting;
  }
}

async function entries(origin: string): Promise<readonly Stored[]> {
  const answer = await fetch(`${origin}/api/entries`);
  return ((await answer.json()) as { items: Stored[] }).items;
}

/** Makes somebody who writes. */
async function person(origin: string, initials: string): Promise<string> {
  const id = randomUUID();
  const made = await fetch(`${origin}/api/people/${id}`, {
    method: 'PUT',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ name: initials, initials, role: 'painter', active: true, version: 0 }),
  });
  expect(made.status).toBe(200);
  return id;
}

async function storedBy(instance: Instance, author: string): Promise<readonly Stored[]> {
  return (await entries(instance.address)).filter((one) => one.author === author);
}

async function emptied(databaseUrl: string): Promise<void> {
  const client = new pg.Client({ connectionString: databaseUrl });
  await client.connect();
  await client.query("delete from entry where author like 'one %' or author like 'two %'");
  await client.end();
}

async function kilnHouse({ address }: Instance) {
  const items = async (path: string) => {
    const answer = await fetch(`${address}${path}`);
    return ((await answer.json()) as { items: { id: string; name: string }[] }).items;
  };
  const job = (await items('/api/jobs')).find(({ name }) => name === 'Kiln House, ground floor')?.id ?? '';
  return { job, surfaces: await items(`/api/jobs/${job}/surfaces`) };
}

async function oneRun(browser: Browser, instance: Instance, seed: number): Promise<void> {
  const random = seeded(seed);
  const chance = (share: number) => random() < share;
  const { job, surfaces } = await kilnHouse(instance);
  const handsets: Handset[] = [];
  for (const name of ['one', 'two']) {
    const surface = surfaces[handsets.length]?.id ?? '';
    const url = `${instance.address}/log/write/comb?surface=${surface}`;
    handsets.push(await Handset.open(browser, `${name} ${seed}`, url, job));
  }
  let events = 0;
  for (let index = 0; index < ENTRIES; index += 1) {
    const handset = handsets[index % 2] as Handset;
    if (instance.runs && chance(TROUBLE.kill)) {
      await instance.kill();
      events += 1;
    } else if (!instance.runs && chance(TROUBLE.revive)) await instance.start();
    if (handset.online ? chance(TROUBLE.offline) : chance(TROUBLE.online)) {
      await handset.setOnline(!handset.online);
      events += 1;
    }
    if (chance(TROUBLE.reload)) {
      await handset.reload();
      events += 1;
    } else if (chance(TROUBLE.close)) {
      await handset.closeAndOpen();
      events += 1;
    }
    await handset.tap(TEETH[Math.floor(random() * TEETH.length)] ?? 100);
  }
  expect(events, 'something went wrong on the way').toBeGreaterThan(0);
  if (!instance.runs) await instance.start();
  for (const handset of handsets) {
    await handset.setOnline(true);
    await handset.reload();
    await expect.poll(() => handset.waiting(), { timeout: 90_000 }).toBe(0);
    await expect(handset.page.getByTestId('strip')).toHaveCount(0);
    const stored = await storedBy(instance, handset.author);
    // Ids are made in the order of writing, and the server got them in that order.
    const inOrder = [...stored].sort((a, b) => (a.id < b.id ? -1 : 1));
    expect(inOrder.map(({ payload }) => Math.round((payload.lastWet[0] ?? 0) * 1e6))).toEqual(
      handset.acknowledged,
    );
    const times = inOrder.map(({ createdAt }) => createdAt);
    expect([...times].sort()).toEqual(times);
    expect(new Set(stored.map(({ id }) => id)).size).toBe(ENTRIES / 2);
    await handset.context.close();
  }
}

test(`in each of ${RUNS} runs of ${ENTRIES} entries on two devices, with the server killed, the network cut, pages reloaded and closed, the server has each exactly once`, async ({
  browser,
}) => {
  test.setTimeout(RUNS * 180_000);
  const { home, remove } = temporaryHome();
  const cluster = await startCluster(path.join(home, 'postgres'));
  const instance = new Instance(await freePort(), cluster.url);
  try {
    await instance.start();
    for (let run = 0; run < RUNS; run += 1) {
      await test.step(`seed ${FIRST_SEED + run}`, () => oneRun(browser, instance, FIRST_SEED + run));
      // The next run begins with the demo again: a log that grows by two hundred each run would slow the runs, no more.
      await emptied(cluster.url);
      if (RUNS > 5) process.stdout.write(`soak: seed ${FIRST_SEED + run} held\n`);
    }
  } finally {
    await instance.kill();
    await cluster.stop();
    remove();
  }
});
