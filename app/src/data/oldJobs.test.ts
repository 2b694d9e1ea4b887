import 'fake-indexeddb/auto';
import type { Entry, OldJob } from '@fine-spray/contract';
import { jobsOf, oldJobFrom } from '@fine-spray/contract/log';
import type { QueryClient } from '@tanstack/react-query';
import { IDBFactory } from 'fake-indexeddb';
import { playStorage } from '@/testing/deviceStorage';
import { LogServer, entry } from '@/testing/logServer';
import { Following } from './changes';
import { Device } from './device';
import { forgetChanges } from './newer';
import { entriesElsewhere, oldJobs, openJobs } from './oldJobs';
import { Outbox } from './outbox';
import { becameOld, putAway } from './putAway';
import { keys, makeQueryClient } from './resources';
import { forgetWhose } from './whose';

const DAY = 24 * 3600_000;
const NOW = Date.parse('2026-11-29T08:00:00Z');

/** An entry of a job, stored so many days ago. */
const of = (jobId: string | null, id: string, days: number, more: Partial<Entry> = {}): Entry => {
  const createdAt = new Date(NOW - days * DAY).toISOString();
  return entry(id, { jobId, at: createdAt, createdAt, updatedAt: createdAt, ...more });
};
const fan = {
  ...({ kind: 'fan measured', schema: 1 } as const),
  payload: { tipId: '01930000-0000-7000-8000-000000000018', width: 0.24, distance: 0.3048, gun: null },
};

let server: LogServer;
let device: Device;
let outbox: Outbox;
let client: QueryClient;
const original = globalThis.fetch;
beforeEach(() => {
  globalThis.indexedDB = new IDBFactory();
  playStorage();
  forgetWhose();
  forgetChanges();
  server = new LogServer();
  server.listen();
});
afterEach(() => {
  outbox.close();
  globalThis.fetch = original;
  oldJobs.set(new Map());
});

/** A page that was just opened on the device, with what that has. */
async function open(): Promise<Following> {
  oldJobs.set(new Map());
  device = new Device();
  outbox = new Outbox(device);
  client = makeQueryClient();
  const page = new Following(client, device, outbox);
  if (await page.beganWhole())
    client.setQueryData(keys.list('entries'), [
      ...(await device.entries()),
      ...[...oldJobs.current().values()].flatMap(({ kept }) => kept),
    ]);
  return page;
}
const shown = () =>
  (client.getQueryData<readonly Entry[]>(keys.list('entries')) ?? []).map(({ id }) => id).sort();
const old = () => [...oldJobs.current().keys()].sort();
async function isKept(): Promise<void> {
  const now = `${server.era} ${server.changes.length}`;
  for (let tries = 0; tries < 200 && (await new Device().cursor()) !== now; tries += 1)
    await new Promise((resolve) => setTimeout(resolve, 5));
  expect(await new Device().cursor()).toBe(now);
}

/** Makes jobs of the server old, as it does. */
function age(...ids: string[]): void {
  server.old = jobsOf(server.entries)
    .filter(({ jobId }) => ids.includes(jobId))
    .map((job) =>
      oldJobFrom(
        job,
        server.entries.filter(({ jobId }) => jobId === job.jobId),
      ),
    );
}

/** A server with an old job, one that is not, and something of no job. */
function twoJobs(): void {
  server.write(
    of('old', 'o1', 90, { surfaceId: 'wall' }),
    of('old', 'o2', 90, fan),
    of('old', 'o3', 89),
    ...[of(null, 'n1', 80), of('new', 'w1', 3), of('new', 'w2', 2), of('new', 'w3', 1)],
  );
  age('old');
}
const askedFor = (path: string) => server.asked.filter((url) => url.startsWith(path));

describe('a job nobody works on any more', () => {
  it('stays on the server: what counts in others comes, and the rest when somebody looks at it', async () => {
    twoJobs();
    await (await open()).catchUp();
    expect([shown(), old()]).toEqual([['n1', 'o2', 'w1', 'w2', 'w3'], ['old']]);
    expect(askedFor('/api/entries?job=old')).toEqual([]);
    await isKept();
    expect((await new Device().entryIds()).toSorted()).toEqual(['n1', 'w1', 'w2', 'w3']);
    // Another day: the device has all that comes by itself.
    server.asked = [];
    server.write(of('new', 'w4', 0));
    await (await open()).catchUp();
    expect([shown(), old()]).toEqual([['n1', 'o2', 'w1', 'w2', 'w3', 'w4'], ['old']]);
    expect(askedFor('/api/entries')).toEqual([]);
    expect(askedFor('/api/log')).toEqual([]);
    const list = client.getQueryData<readonly Entry[]>(keys.list('entries')) ?? [];
    expect(entriesElsewhere(list, oldJobs.current())).toBe(2);
    // Two look at it at once: it is brought once, and opens with the page from then on.
    await Promise.all([openJobs(client, ['old'], device), openJobs(client, ['old', 'new'], device)]);
    expect(askedFor('/api/entries?job=old').length).toBe(2);
    expect([shown(), old()]).toEqual([['n1', 'o1', 'o2', 'o3', 'w1', 'w2', 'w3', 'w4'], []]);
    await (await open()).catchUp();
    expect([shown().length, old()]).toEqual([8, []]);
  });

  it.each([
    ['it is written for', of('old', 'x', 0)],
    ['one of its surfaces is, in another job', of('new', 'x', 0, { surfaceId: 'wall' })],
    ['one of its entries is put right from another', of('new', 'x', 0, { replaces: 'o1' })],
  ])('is whole again as soon as %s', async (_what, written) => {
    twoJobs();
    const page = await open();
    await page.catchUp();
    server.write(written);
    await page.catchUp();
    expect([shown(), old()]).toEqual([['n1', 'o1', 'o2', 'o3', 'w1', 'w2', 'w3', 'x'], []]);
  });

  it('is asked for again where it could not be had, by this page or the next', async () => {
    twoJobs();
    const page = await open();
    await page.catchUp();
    await isKept();
    server.write(of('old', 'x', 0));
    // What changed comes, and then the server goes.
    const answer = server.answer.bind(server);
    server.answer = (url, body) => {
      if (url.includes('job=old')) throw new TypeError('no network');
      return answer(url, body);
    };
    await expect(page.catchUp()).rejects.toThrow();
    expect([shown().includes('x'), old()]).toEqual([true, ['old']]);
    await isKept();
    const next = await open();
    await expect(next.keptWasRead(await device.entries())).rejects.toThrow();
    server.answer = answer;
    await next.catchUp();
    expect([shown(), old()]).toEqual([['n1', 'o1', 'o2', 'o3', 'w1', 'w2', 'w3', 'x'], []]);
  });

  it('of a digest that another version made is read anew', async () => {
    twoJobs();
    await (await open()).catchUp();
    await isKept();
    const [job] = await new Device().oldJobs();
    if (!job) throw new Error('no job');
    await new Device().keepOldJobs([{ ...job, digest: { ...job.digest, version: 0 } }]);
    const page = await open();
    expect(await page.beganWhole()).toBe(false);
    await page.catchUp();
    expect([shown(), old()]).toEqual([['n1', 'o2', 'w1', 'w2', 'w3'], ['old']]);
  });

  it('is whole where the first page had all of it, though the log is longer', async () => {
    server.write(of('new', 'w1', 80), of('old', 'o1', 90), of('old', 'o2', 90));
    age('old');
    await (await open()).catchUp();
    expect([shown(), old()]).toEqual([['o1', 'o2', 'w1'], []]);
    await isKept();
    expect((await new Device().entryIds()).toSorted()).toEqual(['o1', 'o2', 'w1']);
  });

  it('is not sent again after a restore, but for what came after it was old', async () => {
    twoJobs();
    await new Device().keepEntries([...server.entries, of('old', 'lost', 1), of('new', 'gone', 1)]);
    server.sent = [];
    await (await open()).catchUp();
    for (let tries = 0; tries < 200 && server.sent.length < 2; tries += 1)
      await new Promise((resolve) => setTimeout(resolve, 5));
    expect(server.sent.toSorted()).toEqual(['gone', 'lost']);
  });
});

describe('a device', () => {
  const jobs = Array.from({ length: 12 }, (_one, index) => `job ${String(index).padStart(2, '0')}`);
  const log = jobs.flatMap((job, index) => [
    of(job, `${job} a`, 20 * (12 - index)),
    of(job, `${job} fan`, 20 * (12 - index), fan),
  ]);

  it('puts old jobs away: they stay on it, and are there without a server for whoever looks', async () => {
    server.write(...log);
    await (await open()).catchUp();
    expect([shown().length, old()]).toEqual([24, []]);
    await isKept();
    expect(becameOld(log, new Map(), NOW).map(({ jobId }) => jobId)).toEqual(jobs.slice(0, 4).toReversed());
    expect(await putAway(new Device(), { now: NOW, busy: [jobs[1] ?? ''] })).toBe(3);
    expect(await putAway(new Device(), { now: NOW, busy: [jobs[1] ?? ''] })).toBe(0);
    server.away = true;
    await open();
    expect(old()).toEqual([jobs[0], jobs[2], jobs[3]]);
    expect((await device.entryIds()).length).toBe(18);
    const known = oldJobs.current().get(jobs[0] ?? '');
    expect(known).toEqual(
      JSON.parse(
        JSON.stringify(
          oldJobFrom({ jobId: jobs[0] ?? '', entries: 2, last: log[0]?.createdAt ?? '' }, log.slice(0, 2)),
        ),
      ) as OldJob,
    );
    server.asked = [];
    await openJobs(client, [jobs[0] ?? ''], device);
    expect(shown().filter((id) => id.startsWith(jobs[0] ?? ''))).toEqual(['job 00 a', 'job 00 fan']);
    expect([server.asked, (await device.entryIds()).length]).toEqual([[], 20]);
  });

  it('that has not all of the log puts nothing away, nor what is bound up with another job', async () => {
    outbox = new Outbox(new Device());
    await new Device().keepEntries(log);
    expect(await putAway(new Device(), { now: NOW, busy: [] })).toBe(0);
    await new Device().keepCursor('a 24');
    await new Device().keepEntries([of(jobs[11] ?? '', 'x', 0, { replaces: `${jobs[2] ?? ''} a` })]);
    expect(await putAway(new Device(), { now: NOW, busy: [] })).toBe(3);
    expect((await new Device().oldJobs()).map(({ jobId }) => jobId)).toEqual([jobs[0], jobs[1], jobs[3]]);
  });
});
