import { readFileSync } from 'node:fs';
import path from 'node:path';
import { lessons, readRecord, tipRecords, type SiteRecord } from '@fine-spray/core/record';
import { seeded } from '@fine-spray/core/random';
import { LogFold, boundJobs, coreLog, jobsOf, oldJobFrom } from '.';
import { ENTRY_KINDS, ownedTips, kitFile, logFile, oldAmong, oldJob, type Entry, type OldJob } from '..';

const DEMO = path.resolve(__dirname, '../../../demo');
const read = (name: string): unknown => JSON.parse(readFileSync(path.join(DEMO, name), 'utf8'));
const templates = logFile.parse(read('millrace.log.json')).entries;
const kit = kitFile.parse(read('millrace.kit.json'));
const COATINGS = Object.fromEntries(kit.coatings.map((one) => [one.id, one]));
const TIPS = ownedTips(kit.tips);

/** Everything that is derived from a record, as plain values. */
function said(record: SiteRecord): unknown {
  const kinds = [...ENTRY_KINDS, 'withdrawn'] as const;
  return {
    current: record.current.map(({ id }) => id),
    kinds: kinds.map((kind) => record.of(kind as 'sprayed').map(({ id }) => id)),
    coats: record.coats,
    bySurface: record.coats.map((coat) => [record.coatsOf(coat.surface), record.coatOf(coat) === coat]),
    lessons: lessons(record, COATINGS).map(({ learned, ...rest }) => ({
      ...rest,
      ...learned,
      entries: learned.entries(),
      each: learned.each().map(({ value, entries: of }) => [value, of]),
    })),
    tips: tipRecords(record, TIPS, COATINGS),
  };
}

const id = (number: number) => `0190b000-0000-7000-8000-${number.toString(16).padStart(12, '0')}`;

/** A log made of the demo's entries at random: few jobs and surfaces, surfaces that move, corrections of anything. */
function logOf(count: number, seed: number): Entry[] {
  const random = seeded(seed);
  const pick = <One>(all: readonly One[]): One => all[Math.floor(random() * all.length)] as One;
  const jobs = [null, id(1), id(2), id(3)];
  const made: Entry[] = [];
  for (let index = 0; index < count; index += 1) {
    const template = pick(templates);
    const at = new Date(Date.UTC(2026, 9, 1) + Math.floor(random() * 40) * 3_600_000).toISOString();
    const replaced = random() < 0.12 && made.length > 0 ? pick(made).id : null;
    made.push({
      ...template,
      ...{ id: id(1000 + index), at, jobId: pick(jobs), replaces: replaced },
      surfaceId: template.surfaceId === null ? null : id(100 + Math.floor(random() * 9)),
      ...{ version: 1, createdAt: at, updatedAt: at, clockSkew: random() < 0.1 ? 7200 : 0, personId: null },
    });
  }
  return made;
}

const whole = (entries: readonly Entry[]) => said(readRecord(coreLog(entries)));

describe('a log that is folded job by job', () => {
  it.each([1, 2, 3, 4])('says what it says when it is read in one, however it came (seed %d)', (seed) => {
    const all = logOf(160, seed);
    const random = seeded(seed + 100);
    const shuffled = [...all].sort(() => random() - 0.5);
    const fold = new LogFold();
    let list: Entry[] = [];
    for (let from = 0; from < shuffled.length; from += 1 + Math.floor(random() * 30)) {
      const to = Math.min(shuffled.length, from + 30);
      // Some wait on the device first: as others, until the server has them.
      const fresh = shuffled.slice(0, to).filter((one) => !list.some(({ id: had }) => had === one.id));
      const waiting = fresh.map((one) => ({ ...one, clockSkew: null }));
      expect(said(fold.record([...list, ...waiting]))).toEqual(whole([...list, ...waiting]));
      list = [...list, ...fresh];
      expect(said(fold.record(list))).toEqual(whole(list));
    }
    // One that was not sent yet is taken back.
    const less = list.filter((_one, index) => index % 17 !== 3);
    expect(said(fold.record(less))).toEqual(whole(less));
  });

  it('says the same when it was read ahead in steps, whatever list is read between them', () => {
    const entries = logOf(160, 6);
    const half = entries.slice(0, 80);
    const fold = new LogFold();
    let steps = 0;
    for (const _step of fold.inSteps(entries)) {
      steps += 1;
      if (steps === 2) expect(said(fold.record(half))).toEqual(whole(half));
    }
    expect(steps).toBeGreaterThan(2);
    expect(said(fold.record(entries))).toEqual(whole(entries));
    expect(said(fold.record(half))).toEqual(whole(half));
  });

  it('reads again only the job of what is new', () => {
    const entries = logOf(120, 9);
    const fold = new LogFold();
    const before = fold.record(entries).parts ?? [];
    const [last] = logOf(1, 10);
    if (!last) throw new Error('no entry');
    const after =
      fold.record([...entries, { ...last, id: id(9999), jobId: id(2), surfaceId: null, replaces: null }])
        .parts ?? [];
    expect(before.length).toBeGreaterThan(2);
    expect(after.filter((part) => !before.includes(part)).length).toBe(1);
    // The same list again is the same record.
    expect(fold.record(entries)).not.toBe(fold.record([...entries, last]));
    const now = fold.record(entries);
    expect(fold.record([...entries])).toBe(now);
  });
});

/** What counts in other jobs: lessons without the entries behind them, and tips. */
function saidToOthers(record: SiteRecord): unknown {
  return {
    lessons: lessons(record, COATINGS).map(
      ({ learned: { entries: _entries, each: _each, ...learned }, ...rest }) => ({
        ...rest,
        ...learned,
      }),
    ),
    tips: tipRecords(record, TIPS, COATINGS),
  };
}

/** A log whose jobs have nothing to do with each other. */
function apartLogOf(count: number, seed: number): Entry[] {
  const jobOf = new Map<string, string | null>();
  const all = logOf(count, seed).map((one, index) => {
    // No two at the same moment: a digest adds up litres in the order of time alone.
    const at = new Date(Date.parse(one.at) + index).toISOString();
    const jobId = one.replaces === null ? one.jobId : (jobOf.get(one.replaces) ?? null);
    jobOf.set(one.id, jobId);
    // Surfaces of a job of its own: none of them is another's.
    const surfaceId =
      one.surfaceId && (jobId === null ? null : `${jobId.slice(-1)}${one.surfaceId.slice(1)}`);
    return { ...one, at, jobId, surfaceId };
  });
  expect(boundJobs(all).size).toBe(0);
  return all;
}

describe('old jobs, by what they leave', () => {
  it.each([1, 2, 3, 4, 5, 6])('say to all others what their log said (seed %d)', (seed) => {
    const all = apartLogOf(400, seed);
    const expected = saidToOthers(readRecord(coreLog(all)));
    const jobs = jobsOf(all).filter((_job, index) => index % 2 === seed % 2);
    const old = new Map<string, OldJob>(
      jobs.map((job) => {
        const made = oldJobFrom(
          job,
          all.filter(({ jobId }) => jobId === job.jobId),
        );
        // As it comes from the server.
        return [job.jobId, oldJob.parse(JSON.parse(JSON.stringify(made))) as unknown as OldJob];
      }),
    );
    expect(old.size).toBeGreaterThan(0);
    const kept = [...old.values()].flatMap((one) => one.kept);
    const list = [...all.filter(({ jobId }) => jobId === null || !old.has(jobId)), ...kept];
    expect(list.length).toBeLessThan(all.length);
    const fold = new LogFold();
    expect(saidToOthers(fold.record(list, old))).toEqual(expected);
    // Whatever else of them is in the list is in the digest already.
    const some = all.filter((one, index) => index % 5 === 0 && !list.some(({ id }) => id === one.id));
    expect(saidToOthers(fold.record([...list, ...some], old))).toEqual(expected);
    // One that is asked for is read whole again.
    const [asked] = old.keys();
    const rest = new Map([...old].filter(([jobId]) => jobId !== asked));
    const more = all.filter((one) => one.jobId === asked && !kept.includes(one));
    const asOnce = [
      ...list.filter(({ jobId }) => jobId !== asked),
      ...all.filter((one) => one.jobId === asked),
    ];
    expect(more.length).toBeGreaterThan(0);
    expect(saidToOthers(fold.record(asOnce, rest))).toEqual(expected);
    expect(fold.record(asOnce, rest).coats.length).toBeGreaterThan(fold.record(list, old).coats.length);
  });

  it('are those quiet for two months and not among the last eight', () => {
    const DAYS = 24 * 3600_000;
    const now = Date.UTC(2026, 9, 1);
    const job = (number: number, days: number) => ({
      jobId: id(number),
      entries: 5,
      last: new Date(now - days * DAYS).toISOString(),
    });
    const all = Array.from({ length: 12 }, (_one, index) => job(index, 10 * index));
    expect(oldAmong(all, now).map(({ jobId }) => jobId)).toEqual([8, 9, 10, 11].map(id));
    // Of a small firm every job is at hand, however long ago.
    expect(oldAmong(all.slice(4), now)).toEqual([]);
    // Of a busy one those of two months are.
    const busy = Array.from({ length: 30 }, (_one, index) => job(index, 3 * index));
    expect(oldAmong(busy, now).map(({ jobId }) => jobId)).toEqual(
      [21, 22, 23, 24, 25, 26, 27, 28, 29].map(id),
    );
  });

  it('are not those that are bound up with another', () => {
    const [one, two, three, four] = logOf(4, 1).map((entry, index) => ({
      ...entry,
      ...{ jobId: id(index + 1), surfaceId: id(100 + index), replaces: null as string | null },
    }));
    if (!one || !two || !three || !four) throw new Error('no entries');
    expect([...boundJobs([one, two, three, four])]).toEqual([]);
    expect([...boundJobs([one, { ...two, replaces: one.id }, three, four])].sort()).toEqual([id(1), id(2)]);
    expect([...boundJobs([one, two, three, { ...four, surfaceId: three.surfaceId }])]).toEqual([
      id(4),
      id(3),
    ]);
    expect([...boundJobs([one, { ...two, jobId: null, replaces: one.id }])]).toEqual([id(1)]);
  });
});
