import { setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';
import type { Entry, EntryKind, OldJob, PayloadOf } from '@fine-spray/contract';
import { isReadable, kitFile, jobFile, oldAmong, schemaOf } from '@fine-spray/contract';
import { LogFold, boundJobs, jobsOf, oldJobFrom, type OldJobs } from '@fine-spray/contract/log';
import { plannedCoats, type Kit } from '@fine-spray/contract/planning';
import { USUAL_COMB, readTip } from '@fine-spray/core';
import {
  comparePlan,
  filmAchieved,
  lessons,
  nextCoats,
  nowAndNext,
  recoatClocks,
  tipRecords,
} from '@fine-spray/core/record';
import { addTo } from '@fine-spray/core/grouping';
import { seeded } from '@fine-spray/core/random';
import kitJson from '../demo/millrace.kit.json';
import jobJson from '../demo/tern-boathouse.job.json';

const STORED = {
  version: 1,
  createdAt: '2026-01-01T00:00:00Z',
  updatedAt: '2026-01-01T00:00:00Z',
  clockSkew: null,
};
const id = (number: number) => `01930000-0000-7000-8000-${number.toString(16).padStart(12, '0')}`;

const kit = kitFile.parse(kitJson) as unknown as Kit;
const { job, surfaces } = jobFile.parse(jobJson);
const rows = surfaces.map((one) => ({ ...one, ...STORED }));
const stored = { ...job, ...STORED, surfaceCount: rows.length };

const COATINGS = Object.fromEntries(kit.coatings.map((one) => [one.id, one]));
const TIPS = kit.tips.flatMap(({ id: tip, code, family, litresBefore }) => {
  const read = readTip(code, family);
  return read.ok ? [{ tip, code: read.value, before: litresBefore }] : [];
});
const PLANNED = plannedCoats(rows, stored, kit);
const SURFACES = new Set(rows.map((row) => row.id));

/**
 * A log of so many entries: jobs of fifty surfaces in their coats, each begun, combed, sprayed and finished, with what comes
 * between. Made up, the same each time.
 */
export function logOf(count: number): Entry[] {
  const random = seeded(3);
  const entries: Entry[] = [];
  const start = Date.parse('2024-01-08T07:00:00Z');
  // Of its kind's own form: one that grew is missed by the types, not by a bench that stops.
  const add = <Kind extends EntryKind>(
    kind: Kind,
    jobNumber: number,
    surfaceId: string | null,
    payload: PayloadOf<Kind>,
  ) => {
    const number = entries.length;
    const at = new Date(start + number * 240_000).toISOString();
    entries.push({
      ...STORED,
      id: id(0x10000 + number),
      kind,
      schema: schemaOf(kind),
      ...{ at, createdAt: at, updatedAt: at },
      author: number % 3 === 0 ? 'WR' : 'TO',
      jobId: jobNumber === 0 ? job.id : id(0x8000 + jobNumber),
      surfaceId,
      replaces: number % 97 === 96 ? (entries[number - 1]?.id ?? null) : null,
      payload,
    });
  };
  const tips = kit.tips;
  for (let coatNumber = 0; entries.length < count; coatNumber += 1) {
    const jobNumber = Math.floor(coatNumber / 100);
    const surface = rows[coatNumber % rows.length];
    if (!surface) break;
    const surfaceId = jobNumber === 0 ? surface.id : id(0x100000 + coatNumber);
    const coatingId = surface.coatingId;
    const coat = 1 + (Math.floor(coatNumber / rows.length) % 2);
    const tip = tips[coatNumber % tips.length];
    if (!tip) break;
    const choice = { family: tip.family, code: tip.code };
    const where = { coatingId, coat };
    // As a station is read: half degrees and whole percents.
    const air = 283.15 + Math.round(24 * random()) / 2;
    const humidity = Math.round(100 * (0.4 + 0.4 * random())) / 100;
    const weather = { source: 'station', air, surface: air, humidity, wind: null, rain: null } as const;
    add('coat started', jobNumber, surfaceId, { ...where, weather });
    add('comb', jobNumber, surfaceId, {
      ...where,
      teeth: [...USUAL_COMB],
      lastWet: [0, 1, 2].map(() => USUAL_COMB[3 + Math.floor(3 * random())] ?? 1e-4),
      thinner: 0,
      element: surface.element,
      tip: choice,
      target: 1.1e-4,
      speed: 0.57,
      cardSpeed: 0.6,
    });
    add('sprayed', jobNumber, surfaceId, {
      ...where,
      tipId: tip.id,
      volume: 0.003 * (0.8 + 0.5 * random()),
      abrasion: 2,
      counted: true,
    });
    add('coat finished', jobNumber, surfaceId, {
      ...where,
      element: surface.element,
      side: surface.side,
      kind: surface.kind,
      wind: surface.wind,
      trueArea: 18 + 8 * random(),
      absorbed: 0,
      whole: 22,
      over: 0.92,
      weather,
    });
    if (coatNumber % 5 === 0)
      add('note', jobNumber, surfaceId, { text: `Coat ${coatNumber}: nothing out of the ordinary.` });
    if (coatNumber % 7 === 0)
      add('set-up confirmed', jobNumber, surfaceId, {
        coatingId,
        tip: choice,
        tipId: tip.id,
        sprayerId: job.sprayerId,
        hoseIds: [],
        thinning: 0.02,
        temperature: 291,
        gun: 12e6 * (0.9 + 0.2 * random()),
        pump: 15e6,
        expected: 12e6,
        certainty: 0.9,
        sure: true,
        cards: 4,
        width: null,
        setBy: 'gauge',
        knob: null,
      });
    if (coatNumber % 11 === 0)
      add('fan measured', jobNumber, null, { tipId: tip.id, width: 0.24, distance: 0.3048, gun: null });
  }
  return entries.slice(0, count);
}

const JOBS = { isJob: () => true, jobOfSurface: () => job.id };

/** What all screens of a log show: the record, clocks and plan against actual of a job, every tip, every lesson, litres, films. */
function everything(entries: readonly Entry[], old: OldJobs, now: number, fold: LogFold): number {
  const record = fold.record(entries, old);
  const clocks = recoatClocks(record, COATINGS, now, 'metric', SURFACES);
  const lists = nowAndNext(nextCoats(PLANNED, record), clocks);
  const compared = comparePlan(PLANNED, record, TIPS, job.id, JOBS);
  const worn = tipRecords(record, TIPS, COATINGS);
  const learned = lessons(record, COATINGS);
  const litres = rows.flatMap(({ id: surface }) => record.coatsOf(surface).map(({ volume }) => volume));
  const films = rows.flatMap(({ id: surface }) => filmAchieved(record, surface, COATINGS) ?? []);
  return (
    clocks.length +
    lists.now.length +
    compared.length +
    worn.length +
    learned.length +
    litres.length +
    films.length
  );
}

/** Empties the young part of memory: what the arrival of a log left there is not part of what is timed. */
function tidied(): void {
  setFlagsFromString('--expose-gc');
  const collect = runInNewContext('gc') as (how: { type: 'minor' }) => void;
  // What survives two of them is moved out of the way.
  collect({ type: 'minor' });
  collect({ type: 'minor' });
}

/** What of a log a page has: old jobs by what they leave, the others whole, and the one somebody looks at. */
function paged(
  entries: readonly Entry[],
  now: number,
): { readonly list: readonly Entry[]; readonly old: OldJobs } {
  const byJob = new Map<string, Entry[]>();
  for (const one of entries) addTo(byJob, one.jobId ?? '', one);
  const bound = boundJobs(entries);
  const old = new Map(
    oldAmong(jobsOf(entries), now)
      .filter(({ jobId }) => !bound.has(jobId) && jobId !== job.id)
      .map((one) => [one.jobId, oldJobFrom(one, byJob.get(one.jobId) ?? [])]),
  );
  const kept = [...old.values()].flatMap((one) => one.kept);
  return { list: [...entries.filter(({ jobId }) => jobId === null || !old.has(jobId)), ...kept], old };
}

/**
 * Seconds for a log that came as JSON, the fastest of so many rounds: `looked` to look at what every entry says, `first` to
 * derive everything from it, `again` when one more has been written, in the job that was written for last.
 * @param how `whole`: all of it is in the page; `as a page has it`: old jobs by what they leave
 */
export function derive(count: number, rounds: number, how: 'whole' | 'as a page has it' = 'whole') {
  const all = logOf(count);
  const [last] = all.slice(-1);
  if (!last) throw new Error('no entry');
  const now = Date.parse(last.at) + 3600_000;
  const sent = JSON.stringify(
    how === 'whole' ? { list: all, old: [] } : { ...paged(all, now), old: [...paged(all, now).old] },
  );
  let [looked, first, again] = [Infinity, Infinity, Infinity];
  let found = 0;
  for (let round = 0; round < rounds; round += 1) {
    const came = JSON.parse(sent) as { list: Entry[]; old: [string, OldJob][] };
    const [entries, old] = [came.list, new Map(came.old)];
    const timed = (log: readonly Entry[]) => {
      tidied();
      const from = performance.now();
      found = everything(log, old, now, fold);
      return (performance.now() - from) / 1000;
    };
    const fold = new LogFold();
    // As a page does ahead of their use, in turns while nothing else is to be done.
    const from = performance.now();
    const unreadable = entries.filter((one) => !isReadable(one)).length;
    looked = Math.min(looked, (performance.now() - from) / 1000);
    if (unreadable > 0) throw new Error(`${unreadable} entries of the bench cannot be read`);
    first = Math.min(first, timed(entries));
    again = Math.min(again, timed([...entries, { ...last, id: id(1) }]));
  }
  return { entries: count, looked, first, again, found };
}
