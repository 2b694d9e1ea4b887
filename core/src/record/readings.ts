import { addTo, byTime, ordered, type Timed } from '../grouping';
import { kindOfWorkKey, type KindOfWork } from '../quantities/work';
import { USUAL_OVER } from '../takeoff';
import type { TipFamily } from '../tip';
import {
  DIGEST_VERSION,
  type CoatingAndFamily,
  type DigestedReadings,
  type JobDigest,
  type PieceOfWork,
} from './digest';
import type { CombLogged, LogEntry, ViscosityLogged } from './entries';
import { throughOf, type SiteRecord } from './sheet';

/** A reading with the entries it comes from. */
export interface Reading {
  readonly value: number;
  /** When it was first heard of: readings are taken in the order of time. */
  readonly heard: Timed;
  readonly of: readonly Pick<LogEntry, 'id'>[];
}

/** Readings of one job, in the order of time, and their values: the same list as long as they are the same. */
export interface JobReadings {
  readonly job: string;
  readonly readings: readonly Reading[];
  readonly values: readonly number[];
  /** When the first of them was heard of. */
  readonly first: Timed;
}

/** What is known about one thing: job by job, in the order they were first heard of. */
interface Group<About> {
  readonly about: About;
  readonly jobs: readonly JobReadings[];
}

const NEVER: Timed = { id: '', at: 0 };

const jobReadings = (job: string, readings: readonly Reading[]): JobReadings => ({
  job,
  readings,
  values: readings.map(({ value }) => value),
  first: readings[0]?.heard ?? NEVER,
});

/** In the order they were first heard of, as they are when a log is read in one. */
const inOrder = (jobs: Iterable<JobReadings>): readonly JobReadings[] =>
  ordered([...jobs], (a, b) => byTime(a.first, b.first));
const byFirst = <About>([, one]: [string, Group<About>], [, other]: [string, Group<About>]): number =>
  byTime(one.jobs[0]?.first ?? NEVER, other.jobs[0]?.first ?? NEVER);

/** Readings of one kind in a record, by what they are about: each record is read once however often it is asked. */
export interface Readings<About> {
  /** Readings about one thing, job by job. */
  readonly of: (record: SiteRecord, about: About) => readonly JobReadings[];
  /** What there are readings about. */
  readonly abouts: (record: SiteRecord) => readonly About[];
}

type Add<About> = (about: About, job: string | undefined, reading: Reading) => void;

/**
 * @param keyOf what tells one thing from another
 * @param read the readings of a record, in the order of time
 * @param digested where those of a digest stand
 */
function readingsBy<About>(
  keyOf: (about: About) => string,
  read: (record: SiteRecord, add: Add<About>) => void,
  digested: (digest: JobDigest) => readonly DigestedReadings<About>[] = () => [],
): Readings<About> {
  const known = new WeakMap<SiteRecord, ReadonlyMap<string, Group<About>>>();
  const readOne = (record: SiteRecord): Map<string, Group<About>> => {
    const found = new Map<string, { readonly about: About; readonly jobs: Map<string, Reading[]> }>();
    const add: Add<About> = (about, job = '', reading) => {
      const key = keyOf(about);
      const group = found.get(key) ?? { about, jobs: new Map<string, Reading[]>() };
      found.set(key, group);
      addTo(group.jobs, job, reading);
    };
    read(record, add);
    const { job, digest } = record.digested ?? {};
    for (const { about, ids, at, values } of digest ? digested(digest) : []) {
      values.forEach((value, index) => {
        const heard = { id: ids[index] ?? '', at: at[index] ?? 0 };
        add(about, job, { value, heard, of: [heard] });
      });
    }
    return new Map(
      [...found]
        .map(([key, { about, jobs }]): [string, Group<About>] => [
          key,
          { about, jobs: inOrder([...jobs].map(([name, all]) => jobReadings(name, all))) },
        ])
        .sort(byFirst),
    );
  };
  /** Those of the parts together: a part that has not changed is not read again, nor is a job that is in one alone. */
  const join = (parts: readonly SiteRecord[]): Map<string, Group<About>> => {
    const found = new Map<string, { readonly about: About; readonly jobs: Map<string, JobReadings> }>();
    for (const part of parts)
      for (const [key, { about, jobs }] of groups(part)) {
        let group = found.get(key);
        if (!group) found.set(key, (group = { about, jobs: new Map() }));
        for (const one of jobs) {
          const other = group.jobs.get(one.job);
          group.jobs.set(one.job, other ? together(one, other) : one);
        }
      }
    return new Map(
      [...found]
        .map(([key, { about, jobs }]): [string, Group<About>] => [
          key,
          { about, jobs: inOrder(jobs.values()) },
        ])
        .sort(byFirst),
    );
  };
  const grouped = (record: SiteRecord): ReadonlyMap<string, Group<About>> => {
    const made = record.parts ? join(record.parts) : readOne(record);
    known.set(record, made);
    return made;
  };
  const groups = (record: SiteRecord): ReadonlyMap<string, Group<About>> =>
    known.get(record) ?? grouped(record);
  return {
    of: (record, about) => groups(record).get(keyOf(about))?.jobs ?? [],
    abouts: (record) => [...groups(record).values()].map(({ about }) => about),
  };
}

/** Readings of one job that stand in two parts of a log. */
const together = (one: JobReadings, other: JobReadings): JobReadings =>
  jobReadings(
    one.job,
    ordered([...one.readings, ...other.readings], (a, b) => byTime(a.heard, b.heard)),
  );

/** What work is learned by. Inside no wind blows: all of it is one kind. */
export const workKey = ({ element, side, wind }: PieceOfWork) =>
  `${element} ${side === 'inside' ? side : wind}`;

/**
 * What came to stay over the paint that was sprayed, coat by coat: film and what soaked in. As it would be on the usual piece of its
 * kind: what the fan had beside a smaller or larger one, its plan of passes knew.
 */
export const transfers = readingsBy<PieceOfWork>(
  workKey,
  (record, add) => {
    for (const { finished, finishes, wet, volume, sprayed, combs, job, heard } of record.coats) {
      if (!finished || wet === undefined) continue;
      if (volume <= 0) continue;
      const { trueArea, absorbed = 0, element, over = USUAL_OVER[element] } = finished;
      const value = ((trueArea * wet + absorbed) / volume) * (USUAL_OVER[element] / over);
      add(finished, job, { value, heard, of: [...finishes, ...sprayed, ...combs] });
    }
  },
  ({ transfer }) => transfer,
);

const setupKey = ({ coating, family }: CoatingAndFamily) => `${family} ${coating}`;

/** Even-fan pressure over the heuristic's, from the set-ups confirmed by cards that agreed. */
export const pressures = readingsBy<CoatingAndFamily>(setupKey, (record, add) => {
  for (const entry of record.of('set-up confirmed')) {
    const { job, pressure, expected, sure } = entry;
    // Cards that did not agree say nothing.
    if (sure && expected > 0) add(entry, job, { value: pressure / expected, heard: entry, of: [entry] });
  }
});

/** Combs of a coat at which the gun was timed, by the family of the tip. */
function timedCombs(combs: readonly CombLogged[]): ReadonlyMap<TipFamily, readonly CombLogged[]> {
  const found = new Map<TipFamily, CombLogged[]>();
  for (const comb of combs) {
    const { family, target, speed, cardSpeed, readings } = comb;
    if (!family || !target || !speed || !cardSpeed || readings.length === 0) continue;
    addTo(found, family, comb);
  }
  return found;
}

/** Gun speed that would have given the film, over the card's: film goes with one over the speed. Mean of the readings. */
function speedOverCard(combs: readonly CombLogged[]): number {
  let [sum, count] = [0, 0];
  for (const { readings, target = 0, speed = 0, cardSpeed = 0 } of combs) {
    for (const { low, high } of readings) sum += ((speed / cardSpeed) * (low + high)) / 2 / target;
    count += readings.length;
  }
  return sum / count;
}

/** Gun speed that gave the film over the one of the card, coat by coat. */
export const speeds = readingsBy<CoatingAndFamily>(
  setupKey,
  (record, add) => {
    for (const { coating, combs, job, heard } of record.coats) {
      for (const [family, own] of timedCombs(combs)) {
        add({ coating, family }, job, { value: speedOverCard(own), heard, of: own });
      }
    }
  },
  ({ speed }) => speed,
);

/** Paint with its thinner over paint as sold, from the checks of it: what was in the container in the end. */
export const thinnings = readingsBy<Pick<CoatingAndFamily, 'coating'>>(
  ({ coating }) => coating,
  (record, add) => {
    for (const entry of record.of('viscosity')) {
      add(entry, entry.job, { value: 1 + entry.thinner, heard: entry, of: [entry] });
    }
  },
);

/** Seconds of a cup at which a coating was sprayed. */
export const cups = readingsBy<Pick<ViscosityLogged, 'coating' | 'cup'>>(
  ({ coating, cup }) => `${cup} ${coating}`,
  (record, add) => {
    for (const entry of record.of('viscosity')) {
      const { seconds } = entry;
      if (seconds !== undefined) add(entry, entry.job, { value: seconds, heard: entry, of: [entry] });
    }
  },
);

/** Time each that some work took, all people together, s for a metre, a square metre or a piece. */
export const workTimes = readingsBy<KindOfWork>(kindOfWorkKey, (record, add) => {
  for (const entry of record.of('worked')) {
    const { rate, state, job, amount, time } = entry;
    if (amount > 0 && time > 0)
      add({ rate, state }, job, { value: time / amount, heard: entry, of: [entry] });
  }
});

/** The readings of a record as columns, all of it in the order of time. */
function columnsOf<About>(
  readings: Readings<About>,
  record: SiteRecord,
  plain: (about: About) => About,
): DigestedReadings<About>[] {
  return readings.abouts(record).map((about) => {
    const all = ordered(
      readings.of(record, about).flatMap((job) => job.readings),
      (a, b) => byTime(a.heard, b.heard),
    );
    return {
      about: plain(about),
      ids: all.map(({ heard }) => heard.id),
      at: all.map(({ heard }) => heard.at),
      values: all.map(({ value }) => value),
    };
  });
}

/** What the coats of a job leave for all that comes after it. The record is of one job, its surfaces in no other. */
export function digestOf(record: SiteRecord): JobDigest {
  const through = throughOf(record);
  const [tips, coatings] = [new Map<string, number>(), new Map<string, number>()];
  const placeIn = (all: Map<string, number>, one: string): number => {
    const place = all.get(one) ?? all.size;
    all.set(one, place);
    return place;
  };
  const tip = through.map((one) => placeIn(tips, one.tip));
  const coating = through.map((one) => placeIn(coatings, one.coating));
  return {
    version: DIGEST_VERSION,
    transfer: columnsOf(transfers, record, ({ element, side, wind }) => ({ element, side, wind })),
    speed: columnsOf(speeds, record, ({ coating: of, family }) => ({ coating: of, family })),
    through: {
      tips: [...tips.keys()],
      coatings: [...coatings.keys()],
      tip,
      coating,
      at: through.map(({ at }) => at),
      volume: through.map(({ volume }) => volume),
      abrasion: through.map(({ abrasion }) => abrasion ?? null),
    },
  };
}
