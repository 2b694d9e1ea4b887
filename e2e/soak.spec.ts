import { randomUUID } from 'node:crypto';
import { expect, test, type Browser, type BrowserContext, type Page } from '@playwright/test';
import path from 'node:path';
import pg from 'pg';
import { KINDS, backUp, restoreInto } from '../scripts/lib/backups.mjs';
import { startCluster, type Cluster } from '../scripts/lib/cluster.mjs';
import { kept, keeps } from './device';
import { freePort, temporaryHome } from './fine-spray';
import { Instance } from './instance';
import { storedLog, type StoredEntry } from './storedLog';

/** Runs with a seed each: one in `npm test`, a hundred in `npm run soak`. */
const RUNS = Number(process.env['SOAK_RUNS'] ?? 1);
const FIRST_SEED = Number(process.env['SOAK_SEED'] ?? 1);
/** Entries of a run, a third of them on each of three devices; `npm run soak` writes twice as many in each of its runs. */
const ENTRIES = process.env['SOAK_RUNS'] === undefined ? 105 : 210;
/** When the backup is made that a run goes back to, and when it does, as shares of its entries. */
const BACKUP_AT = 0.3;
const RESTORE_AT = 0.6;
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

/** Somebody who writes. */
interface Somebody {
  readonly author: string;
  readonly personId: string;
}

/** The tooth of a comb that an entry says was the last wet one. */
const toothOf = ({ payload }: StoredEntry): number =>
  Math.round(((payload['lastWet'] as readonly number[] | undefined)?.[0] ?? 0) * 1e6);

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

  static async open(
    browser: Browser,
    { author, personId }: Somebody,
    url: string,
    job: string,
  ): Promise<Handset> {
    const context = await browser.newContext({
      viewport: { width: 390, height: 844 },
      serviceWorkers: 'allow',
    });
    await context.addInitScript((id) => localStorage.setItem('fine-spray.writer', id), personId);
    const handset = new Handset(context, author, url);
    await handset.newPage();
    // Until the shell and the rows are kept, a page without a server has nothing to open from.
    await handset.page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    await handset.page.reload();
    await handset.ready();
    const stored = await storedLog(new URL(url).origin);
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

/** Makes somebody who writes. */
async function person(origin: string, initials: string): Promise<Somebody> {
  const id = randomUUID();
  const made = await fetch(`${origin}/api/people/${id}`, {
    method: 'PUT',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ name: initials, initials, role: 'painter', active: true, version: 0 }),
  });
  expect(made.status).toBe(200);
  return { author: initials, personId: id };
}

async function storedBy(instance: Instance, author: string): Promise<readonly StoredEntry[]> {
  return (await storedLog(instance.address)).filter((one) => one.author === author);
}

async function emptied(databaseUrl: string): Promise<void> {
  const client = new pg.Client({ connectionString: databaseUrl });
  await client.connect();
  await client.query("set fine_spray.company = '*'");
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

/** A server of the cluster, and whether what it stands on is there. */
const revive = async (servers: readonly Instance[]): Promise<void> => {
  for (const one of servers) if (!one.runs) await one.start();
};

/** Goes back to a backup while nobody reaches a server, and starts them again. */
async function restored(cluster: Cluster, servers: readonly Instance[], file: string): Promise<void> {
  for (const one of servers) if (one.runs) await one.stop();
  await restoreInto(cluster, file);
  await revive(servers);
}

async function oneRun(
  browser: Browser,
  cluster: Cluster,
  servers: readonly Instance[],
  seed: number,
  folder: string,
): Promise<void> {
  const random = seeded(seed);
  const chance = (share: number) => random() < share;
  const [first, second] = servers;
  if (!first || !second) throw new Error('two servers');
  const { job, surfaces } = await kilnHouse(first);
  const people = [await person(first.address, `one ${seed}`), await person(first.address, `two ${seed}`)];
  // The first has two devices, one at each server.
  const handsets: Handset[] = [];
  for (const [index, server] of [first, second, second].entries()) {
    const url = `${server.address}/log/write/comb?surface=${surfaces[index]?.id ?? ''}`;
    handsets.push(await Handset.open(browser, people[index === 2 ? 1 : 0] as Somebody, url, job));
  }
  let [events, file] = [0, ''];
  for (let index = 0; index < ENTRIES; index += 1) {
    const handset = handsets[index % handsets.length] as Handset;
    if (index === Math.round(ENTRIES * BACKUP_AT))
      file = await backUp({ url: cluster.databaseAsAdmin, programs: cluster.programs }, folder, KINDS.hand);
    if (index === Math.round(ENTRIES * RESTORE_AT)) await restored(cluster, servers, file);
    for (const server of servers) {
      if (server.runs && chance(TROUBLE.kill)) {
        await server.kill();
        events += 1;
      } else if (!server.runs && chance(TROUBLE.revive)) await server.start();
    }
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
  await revive(servers);
  for (const handset of handsets) {
    await handset.setOnline(true);
    await handset.reload();
  }
  const teeth = (all: readonly StoredEntry[]) => all.map(toothOf).sort();
  for (const { author } of people) {
    const written = handsets.filter((one) => one.author === author).flatMap((one) => one.acknowledged);
    // Each acknowledged entry, whichever server took it, before the backup or after; each once.
    await expect
      .poll(async () => teeth(await storedBy(first, author)), { timeout: 120_000 })
      .toEqual([...written].sort());
  }
  for (const handset of handsets) {
    await expect.poll(() => handset.waiting(), { timeout: 90_000 }).toBe(0);
    // And all is well: where it is not, what the page says of it.
    await expect
      .poll(() => handset.page.getByTestId('strip').allInnerTexts(), { timeout: 30_000 })
      .toEqual([]);
    // What the others wrote has come to this device too.
    const all = await storedLog(second.address);
    await expect.poll(async () => (await kept(handset.page)).entries).toBe(all.length);
  }
  // Ids are made in the order of writing: of a device that wrote alone they tell whether what it meant is what is there.
  const alone = [...(await storedBy(second, `two ${seed}`))].sort((a, b) => (a.id < b.id ? -1 : 1));
  expect(alone.map(toothOf)).toEqual(handsets[2]?.acknowledged);
  for (const handset of handsets) await handset.context.close();
}

test(`in each of ${RUNS} runs of ${ENTRIES} entries by two people on three devices, with two servers killed, the network cut, pages reloaded and closed, and a backup restored in the middle, each entry is there exactly once`, async ({
  browser,
}) => {
  // A run took 100 to 170 s here: the limit only ends what hangs.
  test.setTimeout(RUNS * 600_000);
  const { home, remove } = temporaryHome();
  const cluster = await startCluster(path.join(home, 'postgres'));
  const servers = [new Instance(await freePort(), cluster.url), new Instance(await freePort(), cluster.url)];
  try {
    await revive(servers);
    for (let run = 0; run < RUNS; run += 1) {
      const seed = FIRST_SEED + run;
      await test.step(`seed ${seed}`, () =>
        oneRun(browser, cluster, servers, seed, path.join(home, 'backups')));
      // The next run begins with the demo again: a log that grows by two hundred each run would slow the runs, no more.
      await emptied(cluster.databaseAsAdmin);
      if (RUNS > 5) process.stdout.write(`soak: seed ${seed} held\n`);
    }
  } finally {
    for (const one of servers) await one.kill();
    await cluster.stop();
    remove();
  }
});
