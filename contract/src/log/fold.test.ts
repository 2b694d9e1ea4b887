import { readFileSync } from 'node:fs';
import path from 'node:path';
import { lessons, readRecord, tipRecords, type SiteRecord } from '@fine-spray/core/record';
import { seeded } from '@fine-spray/core/random';
import { LogFold, coreLog } from '.';
import { ENTRY_KINDS, coreTip, kitFile, logFile, type Entry } from '..';

const DEMO = path.resolve(__dirname, '../../../demo');
const read = (name: string): unknown => JSON.parse(readFileSync(path.join(DEMO, name), 'utf8'));
const templates = logFile.parse(read('millrace.log.json')).entries;
const kit = kitFile.parse(read('millrace.kit.json'));
const COATINGS = Object.fromEntries(kit.coatings.map((one) => [one.id, one]));
const TIPS = kit.tips.flatMap(({ id, code, family, litresBefore }) => {
  const tip = coreTip({ code, family });
  return tip ? [{ tip: id, code: tip, before: litresBefore }] : [];
});

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
