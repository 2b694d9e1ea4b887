import { coatingValues, type Coating } from '../coating';
import { workingDefault, type Input } from '../explain';
import { addTo, byTime, ordered, type Timed } from '../grouping';
import type { SetupHistory } from '../setup';
import { transferEfficiency, type Element, type Side, type Wind } from '../takeoff';
import type { TipFamily } from '../tip';
import type { CombLogged, LogEntry, ViscosityLogged } from './entries';
import { learnedInput, learnedValue, lowerMedian, type LearnedValue, type Spread } from './learn';
import type { SiteRecord } from './sheet';

/** Relative spreads of readings within a job, and of jobs; working judgement (method.md, "Value learned from the log"). */
const SPREADS = {
  transfer: { reading: 0.12, job: 0.08 },
  pressure: { reading: 0.06, job: 0.05 },
  speed: { reading: 0.12, job: 0.08 },
  thinning: { reading: 0.02, job: 0.02 },
  cup: { reading: 0.06, job: 0.06 },
} as const satisfies Record<string, Spread>;

/** A coating that takes no thinner by its sheet is still thinned by a hair on site. */
const LEAST_THINNING = 0.02;

export type LearnedKind = keyof typeof SPREADS;

/** What was learned, and from which entries. */
export interface Learned extends LearnedValue {
  readonly entries: () => readonly string[];
}

/** A reading with the job and the entries it comes from. */
interface Reading {
  readonly job: string | undefined;
  readonly value: number;
  /** When it was first heard of: readings are taken in the order of time. */
  readonly heard: Timed;
  readonly of: readonly Pick<LogEntry, 'id'>[];
}

function learn(kind: LearnedKind, prior: Input, found: readonly Reading[]): Learned {
  const jobs = new Map<string, number[]>();
  for (const { job = '', value } of found) addTo(jobs, job, value);
  const entries = () => found.flatMap((one) => one.of.map(({ id }) => id));
  return { ...learnedValue(prior, [...jobs.values()], SPREADS[kind]), entries };
}

/** Readings about one thing. */
interface Readings<About> {
  readonly about: About;
  readonly all: Reading[];
}

/** Readings of one kind in a record, by what they are about: each record is read once however often it is asked. */
function readingsBy<About>(
  keyOf: (about: About) => string,
  read: (record: SiteRecord, add: (about: About, reading: Reading) => void) => void,
) {
  const known = new WeakMap<SiteRecord, ReadonlyMap<string, Readings<About>>>();
  const readOne = (record: SiteRecord) => {
    const made = new Map<string, Readings<About>>();
    read(record, (about, reading) => {
      const key = keyOf(about);
      const group = made.get(key);
      if (group) group.all.push(reading);
      else made.set(key, { about, all: [reading] });
    });
    return made;
  };
  /** Those of the parts together: a part that has not changed is not read again. */
  const join = (parts: readonly SiteRecord[]) => {
    const lists = new Map<string, { readonly about: About; readonly lists: (readonly Reading[])[] }>();
    for (const part of parts)
      for (const [key, { about, all }] of groups(part)) {
        const group = lists.get(key);
        if (group) group.lists.push(all);
        else lists.set(key, { about, lists: [all] });
      }
    const inTime = [...lists].map(([key, { about, lists: some }]): [string, Readings<About>] => [
      key,
      { about, all: [...ordered(some.flat(), (a, b) => byTime(a.heard, b.heard))] },
    ]);
    // In the order they were first heard of, as they are when the log is read in one.
    const first = ([, { all }]: [string, Readings<About>]) => all[0]?.heard ?? { id: '', at: 0 };
    return new Map(inTime.sort((a, b) => byTime(first(a), first(b))));
  };
  const grouped = (record: SiteRecord): ReadonlyMap<string, Readings<About>> => {
    const made = record.parts ? join(record.parts) : readOne(record);
    known.set(record, made);
    return made;
  };
  const groups = (record: SiteRecord): ReadonlyMap<string, Readings<About>> =>
    known.get(record) ?? grouped(record);
  return {
    of: (record: SiteRecord, about: About): readonly Reading[] => groups(record).get(keyOf(about))?.all ?? [],
    abouts: (record: SiteRecord): readonly About[] => [...groups(record).values()].map(({ about }) => about),
  };
}

export interface PieceOfWork {
  readonly element: Element;
  readonly side: Side;
  readonly wind: Wind;
}

/** What work is learned by. Inside no wind blows: all of it is one kind. */
export const workKey = ({ element, side, wind }: PieceOfWork) =>
  `${element} ${side === 'inside' ? side : wind}`;

const transfers = readingsBy<PieceOfWork>(workKey, (record, add) => {
  for (const { finished, wet, volume, sprayed, combs, job, heard } of record.coats) {
    if (!finished || wet === undefined || volume <= 0) continue;
    add(finished, {
      job,
      value: (finished.trueArea * wet) / volume,
      heard,
      of: [finished, ...sprayed, ...combs],
    });
  }
});

/** Transfer efficiency of a kind of work as the log has it: film on the wall over paint through the gun, coat by coat. */
export function learnedTransfer(record: SiteRecord, work: PieceOfWork): Learned {
  const { likely, low, high } = transferEfficiency(work.element, work.side, work.wind);
  const prior = workingDefault('Transfer efficiency', 'percent', likely, low, high);
  const learned = learn('transfer', prior, transfers.of(record, work));
  const { value } = learned;
  return { ...learned, value: { ...value, value: Math.min(1, value.value), high: Math.min(1, value.high) } };
}

export interface CoatingAndFamily {
  readonly coating: string;
  readonly family: TipFamily;
}

const setupKey = ({ coating, family }: CoatingAndFamily) => `${family} ${coating}`;

const pressures = readingsBy(setupKey, (record, add) => {
  for (const entry of record.of('set-up confirmed')) {
    const { job, pressure, expected } = entry;
    if (expected > 0) add(entry, { job, value: pressure / expected, heard: entry, of: [entry] });
  }
});

/** Even-fan pressure over the heuristic's, for a coating and a tip family, from the set-ups confirmed. */
export function learnedPressure(record: SiteRecord, about: CoatingAndFamily): Learned {
  const prior = workingDefault('Even-fan pressure over the heuristic', 'factor', 1, 0.8, 1.2);
  return learn('pressure', prior, pressures.of(record, about));
}

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

const speeds = readingsBy<CoatingAndFamily>(setupKey, (record, add) => {
  for (const { coating, combs, job, heard } of record.coats) {
    for (const [family, own] of timedCombs(combs)) {
      add({ coating, family }, { job, value: speedOverCard(own), heard, of: own });
    }
  }
});

/**
 * Gun speed that gave the film over the one of the card, for a coating and a tip family: the comb says how much faster
 * the gun should have gone.
 */
export function learnedSpeed(record: SiteRecord, about: CoatingAndFamily): Learned {
  const prior = workingDefault('Gun speed over the card', 'factor', 1, 0.8, 1.25);
  return learn('speed', prior, speeds.of(record, about));
}

const thinnings = readingsBy<Pick<CoatingAndFamily, 'coating'>>(
  ({ coating }) => coating,
  (record, add) => {
    for (const entry of record.of('set-up confirmed')) {
      add(entry, { job: entry.job, value: 1 + entry.thinner, heard: entry, of: [entry] });
    }
  },
);

/** Paint with its thinner over paint as sold, from the set-ups confirmed: 1.03 is three parts in a hundred. */
export function learnedThinning(record: SiteRecord, coating: string, sheet: Coating): Learned {
  const limit = Math.max(coatingValues(sheet).thinningLimit, LEAST_THINNING);
  const prior = workingDefault('Thinned over unthinned', 'factor', 1, 1 / (1 + limit / 2), 1 + limit / 2);
  return learn('thinning', prior, thinnings.of(record, { coating }));
}

const cups = readingsBy<Pick<ViscosityLogged, 'coating' | 'cup'>>(
  ({ coating, cup }) => `${cup} ${coating}`,
  (record, add) => {
    for (const entry of record.of('viscosity')) {
      add(entry, { job: entry.job, value: entry.seconds, heard: entry, of: [entry] });
    }
  },
);

/** Seconds of a cup at which this crew sprays a coating. */
export function learnedCup(record: SiteRecord, coating: string, cup: string): Learned {
  const readings = cups.of(record, { coating, cup });
  const usual = lowerMedian(readings.map(({ value }) => value)) ?? 35;
  // No table knows what a crew likes: the middle of its own readings, held hardly at all.
  return learn('cup', workingDefault('Cup time', 'time', usual, usual / 4, usual * 4), readings);
}

export interface HistoryQuery extends PieceOfWork, CoatingAndFamily {}

const inputOf = (label: string, learned: Learned, of: string): Input | undefined =>
  learned.readings === 0 ? undefined : learnedInput(label, learned, of);

/** Transfer efficiency for the next plan; nothing where the log is silent. */
export const transferFrom = (record: SiteRecord, work: PieceOfWork): Input | undefined =>
  inputOf('Transfer efficiency', learnedTransfer(record, work), 'coat');

/** What the log changes in the next set-up: nothing where it is silent, so that the defaults stand and say so. */
export function historyFor(record: SiteRecord, query: HistoryQuery): SetupHistory {
  return {
    transfer: transferFrom(record, query),
    evenFan: inputOf('Even-fan pressure over the heuristic', learnedPressure(record, query), 'test card'),
  };
}

/** One thing the crew's own log says, with what it is about. */
export interface Lesson {
  readonly kind: LearnedKind;
  readonly coating?: string;
  readonly family?: TipFamily;
  readonly cup?: string;
  readonly work?: PieceOfWork;
  readonly learned: Learned;
}

/** Everything the log has taught, best known first within its kind. */
export function lessons(record: SiteRecord, coatings: Readonly<Record<string, Coating>>): readonly Lesson[] {
  const found: Lesson[] = [
    ...transfers.abouts(record).map(({ element, side, wind }): Lesson => {
      const work = { element, side, wind: side === 'inside' ? ('calm' as const) : wind };
      return { kind: 'transfer', work, learned: learnedTransfer(record, work) };
    }),
    ...pressures.abouts(record).map(({ coating, family }): Lesson => {
      return { kind: 'pressure', coating, family, learned: learnedPressure(record, { coating, family }) };
    }),
    ...thinnings.abouts(record).flatMap(({ coating }): Lesson | [] => {
      const sheet = coatings[coating];
      return sheet ? { kind: 'thinning', coating, learned: learnedThinning(record, coating, sheet) } : [];
    }),
    ...speeds.abouts(record).map(({ coating, family }): Lesson => {
      return { kind: 'speed', coating, family, learned: learnedSpeed(record, { coating, family }) };
    }),
    ...cups.abouts(record).map(({ coating, cup }): Lesson => {
      return { kind: 'cup', coating, cup, learned: learnedCup(record, coating, cup) };
    }),
  ];
  return found
    .filter(({ learned }) => learned.readings > 0)
    .sort(
      (one, other) => other.learned.jobs - one.learned.jobs || other.learned.readings - one.learned.readings,
    );
}
