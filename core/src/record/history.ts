import { coatingValues, fitSlopes, type Coating, type FittedSlopes } from '../coating';
import { workingDefault, type Input } from '../explain';
import type { SetupHistory } from '../setup';
import { transferEfficiency, type Element, type Side, type Wind } from '../takeoff';
import type { TipFamily } from '../tip';
import { quantity, type Result } from '../units';
import { learnedInput, learnedValue, type LearnedValue, type Spread } from './learn';
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
  readonly entries: () => readonly string[];
}

function learn(kind: LearnedKind, prior: Input, found: readonly Reading[]): Learned {
  const jobs = new Map<string, number[]>();
  for (const { job = '', value } of found) {
    const list = jobs.get(job);
    if (list) list.push(value);
    else jobs.set(job, [value]);
  }
  const entries = () => found.flatMap((one) => one.entries());
  return { ...learnedValue(prior, [...jobs.values()], SPREADS[kind]), entries };
}

type Grouped = ReadonlyMap<string, readonly Reading[]>;

/** Readings of a record by what they are about, each kind grouped once however often it is asked. */
function groupedBy(group: (record: SiteRecord, add: (key: string, reading: Reading) => void) => void) {
  const known = new WeakMap<SiteRecord, Grouped>();
  return (record: SiteRecord, key: string): readonly Reading[] => {
    let found = known.get(record);
    if (!found) {
      const made = new Map<string, Reading[]>();
      group(record, (name, reading) => {
        const list = made.get(name);
        if (list) list.push(reading);
        else made.set(name, [reading]);
      });
      known.set(record, made);
      found = made;
    }
    return found.get(key) ?? [];
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

const transferReadings = groupedBy((record, add) => {
  for (const { finished, wet, volume, sprayed, combs, job } of record.coats) {
    if (!finished || wet === undefined || volume <= 0) continue;
    const entries = () => [finished, ...sprayed, ...combs].map(({ id }) => id);
    add(workKey(finished), { job, value: (finished.trueArea * wet) / volume, entries });
  }
});

/** Transfer efficiency of a kind of work as the log has it: film on the wall over paint through the gun, coat by coat. */
export function learnedTransfer(record: SiteRecord, work: PieceOfWork): Learned {
  const { likely, low, high } = transferEfficiency(work.element, work.side, work.wind);
  const prior = workingDefault('Transfer efficiency', 'percent', likely, low, high);
  const learned = learn('transfer', prior, transferReadings(record, workKey(work)));
  const { value } = learned;
  return { ...learned, value: { ...value, value: Math.min(1, value.value), high: Math.min(1, value.high) } };
}

export interface CoatingAndFamily {
  readonly coating: string;
  readonly family: TipFamily;
}

const setupKey = ({ coating, family }: CoatingAndFamily) => `${family} ${coating}`;

const pressureReadings = groupedBy((record, add) => {
  for (const entry of record.of('set-up confirmed')) {
    const { id, job, pressure, expected } = entry;
    if (expected > 0) add(setupKey(entry), { job, value: pressure / expected, entries: () => [id] });
  }
});

/** Even-fan pressure over the heuristic's, for a coating and a tip family, from the set-ups confirmed. */
export function learnedPressure(record: SiteRecord, about: CoatingAndFamily): Learned {
  const prior = workingDefault('Even-fan pressure over the heuristic', 'factor', 1, 0.8, 1.2);
  return learn('pressure', prior, pressureReadings(record, setupKey(about)));
}

const speedReadings = groupedBy((record, add) => {
  for (const { combs, job } of record.coats) {
    const timed = combs.filter(
      ({ family, target, speed, cardSpeed }) => family && target && speed && cardSpeed,
    );
    for (const family of new Set(timed.map((comb) => comb.family))) {
      const own = timed.filter((comb) => comb.family === family);
      const [first] = own;
      const films = own.flatMap(({ readings }) => readings.map(({ low, high }) => (low + high) / 2));
      if (!first?.family || !first.target || !first.speed || !first.cardSpeed || films.length === 0) continue;
      const wet = films.reduce((sum, one) => sum + one, 0) / films.length;
      add(setupKey({ coating: first.coating, family: first.family }), {
        job,
        value: ((first.speed / first.cardSpeed) * wet) / first.target,
        entries: () => own.map(({ id }) => id),
      });
    }
  }
});

/**
 * Gun speed that gave the film over the one of the card, for a coating and a tip family: the comb says how much faster
 * the gun should have gone.
 */
export function learnedSpeed(record: SiteRecord, about: CoatingAndFamily): Learned {
  const prior = workingDefault('Gun speed over the card', 'factor', 1, 0.8, 1.25);
  return learn('speed', prior, speedReadings(record, setupKey(about)));
}

const thinningReadings = groupedBy((record, add) => {
  for (const { id, job, coating, thinner } of record.of('set-up confirmed')) {
    add(coating, { job, value: 1 + thinner, entries: () => [id] });
  }
});

/** Paint with its thinner over paint as sold, from the set-ups confirmed: 1.03 is three parts in a hundred. */
export function learnedThinning(record: SiteRecord, coating: string, sheet: Coating): Learned {
  const limit = Math.max(coatingValues(sheet).thinningLimit, LEAST_THINNING);
  const prior = workingDefault('Thinned over unthinned', 'factor', 1, 1 / (1 + limit / 2), 1 + limit / 2);
  return learn('thinning', prior, thinningReadings(record, coating));
}

const cupReadings = groupedBy((record, add) => {
  for (const { id, job, coating, cup, seconds } of record.of('viscosity')) {
    add(`${cup} ${coating}`, { job, value: seconds, entries: () => [id] });
  }
});

/** Seconds of a cup at which this crew sprays a coating. */
export function learnedCup(record: SiteRecord, coating: string, cup: string): Learned {
  const readings = cupReadings(record, `${cup} ${coating}`);
  const sorted = readings.map(({ value }) => value).sort((a, b) => a - b);
  const usual = sorted[Math.floor((sorted.length - 1) / 2)] ?? 35;
  // No table knows what a crew likes: the middle of its own readings, held hardly at all.
  return learn('cup', workingDefault('Cup time', 'time', usual, usual / 4, usual * 4), readings);
}

/** How thinner and cold change a coating, from the viscosity records of the crew. */
export function learnedSlopes(record: SiteRecord, coating: string, sheet: Coating): Result<FittedSlopes> {
  const readings = record
    .of('viscosity')
    .flatMap(({ coating: of, viscosity, temperature, thinner }) =>
      of === coating && viscosity !== undefined ? [{ viscosity, temperature, thinner }] : [],
    );
  return fitSlopes(quantity(coatingValues(sheet).viscosityLowShear), readings);
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

/** Each of some things once, by a key. */
function once<T>(all: readonly T[], keyOf: (one: T) => string): readonly T[] {
  return [...new Map(all.map((one) => [keyOf(one), one])).values()];
}

/** Everything the log has taught, best known first within its kind. */
export function lessons(record: SiteRecord, coatings: Readonly<Record<string, Coating>>): readonly Lesson[] {
  const found: Lesson[] = [];
  const works = record.of('coat finished').map(({ element, side, wind }) => ({
    element,
    side,
    wind: side === 'inside' ? ('calm' as const) : wind,
  }));
  for (const work of once(works, ({ element, side, wind }) => `${element} ${side} ${wind}`)) {
    found.push({ kind: 'transfer', work, learned: learnedTransfer(record, work) });
  }
  const setups = once(record.of('set-up confirmed'), ({ coating, family }) => `${coating} ${family}`);
  for (const { coating, family } of setups) {
    found.push({ kind: 'pressure', coating, family, learned: learnedPressure(record, { coating, family }) });
  }
  for (const { coating } of once(setups, ({ coating: of }) => of)) {
    const sheet = coatings[coating];
    if (sheet) found.push({ kind: 'thinning', coating, learned: learnedThinning(record, coating, sheet) });
  }
  const timed = record.of('comb').flatMap(({ coating, family }) => (family ? [{ coating, family }] : []));
  for (const { coating, family } of once(timed, (one) => `${one.coating} ${one.family}`)) {
    found.push({ kind: 'speed', coating, family, learned: learnedSpeed(record, { coating, family }) });
  }
  for (const { coating, cup } of once(record.of('viscosity'), (one) => `${one.coating} ${one.cup}`)) {
    found.push({ kind: 'cup', coating, cup, learned: learnedCup(record, coating, cup) });
  }
  return found
    .filter(({ learned }) => learned.readings > 0)
    .sort(
      (one, other) => other.learned.jobs - one.learned.jobs || other.learned.readings - one.learned.readings,
    );
}
