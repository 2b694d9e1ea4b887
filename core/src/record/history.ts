import { coatingValues, type Coating } from '../coating';
import { workingDefault, type Input } from '../explain';
import { byTime, ordered } from '../grouping';
import {
  kindOfWorkKey,
  kindOfWorkName,
  usualTime,
  type KindOfWork,
  type LearnedTimes,
} from '../quantities/work';
import type { SetupHistory } from '../setup';
import { transferEfficiency } from '../takeoff';
import type { TipFamily } from '../tip';
import type { CoatingAndFamily, PieceOfWork } from './digest';
import { learnedInput, learnedValue, lowerMedian, type LearnedValue, type Spread } from './learn';
import { cups, pressures, speeds, thinnings, transfers, workTimes, type JobReadings } from './readings';
import type { SiteRecord } from './sheet';

/** Relative spreads of readings within a job, and of jobs; working judgement (method.md, "Value learned from the log"). */
const SPREADS = {
  transfer: { reading: 0.12, job: 0.08 },
  pressure: { reading: 0.06, job: 0.05 },
  speed: { reading: 0.12, job: 0.08 },
  thinning: { reading: 0.02, job: 0.02 },
  cup: { reading: 0.06, job: 0.06 },
  // No two rooms are alike, and a clock is stopped late.
  minutes: { reading: 0.35, job: 0.25 },
} as const satisfies Record<string, Spread>;

/** Seconds most cups are used at; where a crew has read none. */
const USUAL_SECONDS = 35;

/** A coating that takes no thinner by its sheet is still thinned by a hair on site. */
const LEAST_THINNING = 0.02;

export type LearnedKind = keyof typeof SPREADS;

/** One reading behind what was learned. */
export interface ReadingBehind {
  readonly value: number;
  readonly entries: readonly string[];
  /** What would be taken without it. */
  readonly without: () => number;
}

/** What was learned, and from what. */
export interface Learned extends LearnedValue {
  readonly entries: () => readonly string[];
  /** In the order of time. */
  readonly each: () => readonly ReadingBehind[];
}

/** What readings are held by: a value, or what they say of it themselves. */
type Prior = Input | ((readings: readonly number[]) => Input);

/** @param most no value is more than this */
function learn(kind: LearnedKind, prior: Prior, jobs: readonly JobReadings[], most = Infinity): Learned {
  const learned = (values: readonly (readonly number[])[]): LearnedValue => {
    const held = typeof prior === 'function' ? prior(values.flat()) : prior;
    const found = learnedValue(held, values, SPREADS[kind]);
    const { value, high } = found.value;
    return { ...found, value: { ...found.value, value: Math.min(most, value), high: Math.min(most, high) } };
  };
  const values = jobs.map((job) => job.values);
  const without = (job: number, reading: number) => (): number =>
    learned(
      values
        .map((own, index) => (index === job ? own.filter((_one, place) => place !== reading) : own))
        .filter((own) => own.length > 0),
    ).value.value;
  const each = () =>
    ordered(
      jobs.flatMap(({ readings }, job) => readings.map((one, reading) => ({ one, job, reading }))),
      (a, b) => byTime(a.one.heard, b.one.heard),
    ).map(({ one, job, reading }): ReadingBehind => ({
      value: one.value,
      entries: one.of.map(({ id }) => id),
      without: without(job, reading),
    }));
  return { ...learned(values), entries: () => each().flatMap((one) => one.entries), each };
}

/** Transfer efficiency of a kind of work as the log has it: film on the wall over paint through the gun, coat by coat. */
export function learnedTransfer(record: SiteRecord, work: PieceOfWork): Learned {
  const { likely, low, high } = transferEfficiency(work.element, work.side, work.wind);
  const prior = workingDefault('Transfer efficiency', 'percent', likely, low, high);
  return learn('transfer', prior, transfers.of(record, work), 1);
}

/** Even-fan pressure over the heuristic's, for a coating and a tip family, from the set-ups confirmed. */
export function learnedPressure(record: SiteRecord, about: CoatingAndFamily): Learned {
  const prior = workingDefault('Even-fan pressure over the heuristic', 'factor', 1, 0.8, 1.2);
  return learn('pressure', prior, pressures.of(record, about));
}

/**
 * Gun speed that gave the film over the one of the card, for a coating and a tip family: the comb says how much faster
 * the gun should have gone.
 */
export function learnedSpeed(record: SiteRecord, about: CoatingAndFamily): Learned {
  const prior = workingDefault('Gun speed over the card', 'factor', 1, 0.8, 1.25);
  return learn('speed', prior, speeds.of(record, about));
}

/** Paint with its thinner over paint as sold, from the checks of it: 1.03 is three parts in a hundred. */
export function learnedThinning(record: SiteRecord, coating: string, sheet: Coating): Learned {
  const limit = Math.max(coatingValues(sheet).thinningLimit, LEAST_THINNING);
  const prior = workingDefault('Thinned over unthinned', 'factor', 1, 1 / (1 + limit / 2), 1 + limit / 2);
  return learn('thinning', prior, thinnings.of(record, { coating }));
}

/** Seconds of a cup at which this crew sprays a coating. */
export function learnedCup(record: SiteRecord, coating: string, cup: string): Learned {
  // No table knows what a crew likes: the middle of its own readings, held hardly at all.
  const held = (readings: readonly number[]) => {
    const usual = lowerMedian(readings) ?? USUAL_SECONDS;
    return workingDefault('Cup time', 'time', usual, usual / 4, usual * 4);
  };
  return learn('cup', held, cups.of(record, { coating, cup }));
}

/** Time each that some work takes this crew, s. One time that was written down makes nobody know less than the working rate does. */
export function learnedMinutes(record: SiteRecord, work: KindOfWork): Learned {
  const prior = usualTime(work);
  const learned = learn('minutes', prior, workTimes.of(record, work));
  const { value, low, high } = learned.value;
  const ends = {
    low: Math.max(low, (value * prior.low) / prior.value),
    high: Math.min(high, (value * prior.high) / prior.value),
  };
  return { ...learned, value: { ...learned.value, ...ends } };
}

export type HistoryQuery = PieceOfWork & Pick<CoatingAndFamily, 'coating'>;

const inputOf = (label: string, learned: Learned, of: string): Input | undefined =>
  learned.readings === 0 ? undefined : learnedInput(label, learned, of);

/** Kinds of work the log has something to say about. */
export const worksOf = (record: SiteRecord): readonly PieceOfWork[] => transfers.abouts(record);

/** Transfer efficiency for the next plan; nothing where the log is silent. */
export const transferFrom = (record: SiteRecord, work: PieceOfWork): Input | undefined =>
  inputOf('Transfer efficiency', learnedTransfer(record, work), 'coat');

/** Even-fan pressures over the heuristic's, by coating and family of tips: those the log has something to say about. */
export function evenFansFrom(
  record: SiteRecord,
): Readonly<Record<string, NonNullable<SetupHistory['evenFan']>>> {
  const found: Record<string, Partial<Record<TipFamily, Input>>> = {};
  for (const { coating, family } of pressures.abouts(record)) {
    const learned = learnedPressure(record, { coating, family });
    const input = inputOf('Even-fan pressure over the heuristic', learned, 'test card');
    if (input) found[coating] = { ...found[coating], [family]: input };
  }
  return found;
}

/** Times of work, by kind of work: those the log has something to say about. */
export function timesFrom(record: SiteRecord): LearnedTimes {
  return Object.fromEntries(
    workTimes.abouts(record).flatMap((work) => {
      const input = inputOf(kindOfWorkName(work), learnedMinutes(record, work), 'time');
      return input ? [[kindOfWorkKey(work), input]] : [];
    }),
  );
}

/** What the log changes in the next set-up: nothing where it is silent, so that the defaults stand and say so. */
export function historyFor(record: SiteRecord, query: HistoryQuery): SetupHistory {
  return { transfer: transferFrom(record, query), evenFan: evenFansFrom(record)[query.coating] };
}

/** One thing the crew's own log says, with what it is about. */
export interface Lesson {
  readonly kind: LearnedKind;
  readonly coating?: string;
  readonly family?: TipFamily;
  readonly cup?: string;
  readonly work?: PieceOfWork;
  readonly timed?: KindOfWork;
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
    ...workTimes.abouts(record).map((timed): Lesson => {
      const { rate, state } = timed;
      return { kind: 'minutes', timed: { rate, state }, learned: learnedMinutes(record, timed) };
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
