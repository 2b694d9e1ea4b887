import { randomUUID } from 'node:crypto';
import {
  OLD_JOBS_AT_ONCE,
  entry as entrySchema,
  oldAmong,
  oldJobsPage,
  type Entry,
  type OldJob,
} from '@fine-spray/contract';
import { boundJobs, coreLog, jobsOf, oldJobFrom } from '@fine-spray/contract/log';
import { planHistory } from '@fine-spray/contract/planning';
import { readRecord } from '@fine-spray/core/record';
import { seeded } from '@fine-spray/core/random';
import { inCompany } from '../db/writing';
import { startTestServer, type TestServer } from '../testing/server';
import { recordOfAll } from './oldJobs';

const JOBS = 30;
const DAY = 24 * 3600_000;

let server: TestServer;
let companyId: string;
/** The jobs of the log, that of the longest ago first. */
const jobs = Array.from({ length: JOBS }, () => randomUUID());

beforeAll(async () => {
  server = await startTestServer();
  companyId = (await server.db('company').first<{ id: string }>('id')).id;
  await fill();
});
afterAll(() => server.stop());

async function everything(): Promise<Entry[]> {
  const all: Entry[] = [];
  for (let next: unknown = ''; typeof next === 'string';) {
    const { body } = await server.call('GET', `/api/entries${next === '' ? '' : `?before=${next}`}`);
    all.push(...(body.items ?? []).map((row) => entrySchema.parse(row)));
    next = body['next'];
  }
  return all;
}

/** Years of jobs made of the demo's entries, ten days apart; two of them are bound up with each other. */
async function fill(): Promise<void> {
  const demo = (await everything()).filter(
    ({ replaces, jobId, kind }) => replaces === null && jobId !== null && kind !== 'withdrawn',
  );
  const random = seeded(4);
  const made = jobs.flatMap((jobId, job) => {
    const surfaces = Array.from({ length: 4 }, () => randomUUID());
    return Array.from({ length: 12 }, (_one, index) => {
      const { kind, schema, author, payload, surfaceId } = demo[Math.floor(random() * demo.length)] as Entry;
      const at = new Date(Date.now() - (JOBS - job) * 10 * DAY + index * 3600_000).toISOString();
      const surface = surfaces[Math.floor(random() * surfaces.length)] ?? null;
      return {
        ...{ kind, schema, author, payload, at, jobId },
        ...{ id: randomUUID(), surfaceId: surfaceId === null ? null : surface, replaces: null },
      };
    });
  });
  const [first, second] = [made[12 * 3], made[12 * 7]];
  if (!first || !second) throw new Error('no entries');
  const bound = { ...second, id: randomUUID(), kind: 'withdrawn', schema: 1, payload: { why: '' } };
  const note = { ...first, ...{ id: randomUUID(), jobId: null, surfaceId: null, kind: 'note', schema: 1 } };
  const all = [
    ...made,
    { ...bound, surfaceId: null, replaces: first.id },
    { ...note, payload: { text: 'Of no job.' } },
  ];
  for (let from = 0; from < all.length; from += 200)
    await server.call('POST', '/api/entries', { entries: all.slice(from, from + 200) });
  // Stored when they were written.
  await server.db.raw('update entry set created_at = at::timestamptz where job_id = any(?)', [jobs]);
}

async function oldJobs(): Promise<OldJob[]> {
  const all: OldJob[] = [];
  for (let next: unknown = ''; typeof next === 'string';) {
    const { status, body } = await server.call(
      'GET',
      `/api/log/old-jobs${next === '' ? '' : `?after=${next}`}`,
    );
    expect(status).toBe(200);
    const page = oldJobsPage.parse(body);
    expect(page.items.length).toBeLessThanOrEqual(OLD_JOBS_AT_ONCE);
    all.push(...(page.items as unknown as OldJob[]));
    next = page.next;
  }
  return all;
}

/** The same by the entries themselves. */
function expected(entries: readonly Entry[]): OldJob[] {
  const bound = boundJobs(entries);
  return oldAmong(jobsOf(entries), Date.now())
    .filter(({ jobId }) => !bound.has(jobId))
    .map((job) =>
      oldJobFrom(
        job,
        entries.filter(({ jobId }) => jobId === job.jobId),
      ),
    )
    .sort((a, b) => (a.jobId < b.jobId ? -1 : 1));
}

/** Lists whose order says nothing, in order. */
const plain = (all: readonly OldJob[]) =>
  all.map((one) => ({
    ...one,
    surfaces: [...one.surfaces].sort(),
    kept: one.kept.map(({ id }) => id).sort(),
  }));

it('old jobs are told with what they leave, as their entries have it, and those bound up with another are not', async () => {
  const entries = await everything();
  const found = await oldJobs();
  expect(found.length).toBeGreaterThan(OLD_JOBS_AT_ONCE);
  expect(boundJobs(entries)).toEqual(new Set([jobs[3], jobs[7]]));
  expect(plain(found)).toEqual(plain(expected(entries)));
  // Worked out once: what is kept is told again.
  const [row] = await server.db('old_job').count<{ count: string }[]>('* as count');
  expect(Number(row?.count)).toBe(found.length);
  await server.db('old_job').update({ content: server.db.raw(`jsonb_set(content, '{surfaces}', '[]')`) });
  expect((await oldJobs()).every(({ surfaces }) => surfaces.length === 0)).toBe(true);
  // Another version of the program works it out in its own way.
  await server.db('old_job').update({ digestVersion: 0 });
  expect(plain(await oldJobs())).toEqual(plain(found));
});

it('a job that is written for again is old no more, and its entries are had by themselves', async () => {
  const before = await oldJobs();
  const jobId = jobs[5] ?? '';
  expect(before.some((one) => one.jobId === jobId)).toBe(true);
  const entry = {
    ...{ kind: 'note', schema: 1, at: new Date().toISOString(), author: 'WR', jobId, surfaceId: null },
    ...{ replaces: null, payload: { text: 'Back for the second gable.' }, version: 0 },
  };
  expect((await server.call('PUT', `/api/entries/${randomUUID()}`, entry)).status).toBe(200);
  expect((await oldJobs()).map((one) => one.jobId)).toEqual(
    before.map((one) => one.jobId).filter((one) => one !== jobId),
  );
  const own = await server.call('GET', `/api/entries?job=${jobId}`);
  expect(own.body.items?.length).toBe(13);
  expect(new Set(own.body.items?.map((one) => one['jobId']))).toEqual(new Set([jobId]));
  const none = await server.call('GET', '/api/entries?job=none');
  expect(none.body.items?.length).toBeGreaterThan(0);
  expect(none.body.items?.every((one) => one['jobId'] === null)).toBe(true);
  const jobsThere = (await server.call('GET', '/api/log/jobs')).body.items ?? [];
  const entries = await everything();
  const inOrder = (all: readonly object[]) =>
    [...all].sort((a, b) => JSON.stringify(a).localeCompare(JSON.stringify(b)));
  expect(inOrder(jobsThere)).toEqual(
    inOrder(
      jobsOf(entries).map(({ jobId: id, entries: count, last }) => ({ jobId: id, entries: count, last })),
    ),
  );
  expect((await server.call('GET', '/api/entries?job=somewhere')).status).toBe(422);
});

it('what is printed with the history of the crew stands on all of it, read or digested', async () => {
  const entries = await everything();
  const whole = planHistory(readRecord(coreLog(entries)));
  expect(Object.keys(whole.transfer).length).toBeGreaterThan(0);
  await server.db('old_job').delete();
  const read = () => inCompany(server.data.db, companyId, (trx) => recordOfAll(trx, companyId));
  const byEntries = planHistory(await read());
  expect((await oldJobs()).length).toBeGreaterThan(0);
  const byDigests = await read();
  expect(byDigests.coats.length).toBeLessThan(readRecord(coreLog(entries)).coats.length);
  expect(byEntries).toEqual(whole);
  expect(planHistory(byDigests)).toEqual(whole);
});
