import type { Explained, Input } from '../explain';
import { given } from '../explain';

/** A reading so many of its own spreads from the rest is not believed (Beaton and Tukey 1974: 95 % efficient). */
const BIWEIGHT = 4.685;
const ROUNDS = 30;
/** Change of a logarithm that is none any more. */
const SETTLED = 1e-10;
/** A working default's range is taken as one standard deviation to each side: crews differ more than a table says. */
const RANGE_SIGMAS = 2;
/** A median deviation as a standard deviation, for a normal spread. */
const MEDIAN_TO_SIGMA = 1.4826;

/** Relative standard deviation of one reading within a job, and of jobs about the crew's own value. */
export interface Spread {
  readonly reading: number;
  readonly job: number;
}

export interface LearnedValue {
  readonly value: Explained;
  readonly jobs: number;
  readonly readings: number;
  /** How far the jobs lie apart, relative: as found from three on, before that as it usually is. */
  readonly spread: number;
}

/** Something in logarithms, with its information: one over the square of its standard deviation. */
interface Known {
  readonly at: number;
  readonly information: number;
}

const square = (x: number) => x * x;

/** Where half of the information lies to each side. */
function weightedMedian(all: readonly Known[]): number {
  const inOrder = [...all].sort((a, b) => a.at - b.at);
  const half = inOrder.reduce((sum, { information }) => sum + information, 0) / 2;
  let sum = 0;
  for (const { at, information } of inOrder) {
    sum += information;
    if (sum >= half) return at;
  }
  return inOrder[0]?.at ?? 0;
}

/**
 * Tukey's biweight from a start: the mean of those believed, what is known of it, and how many were believed, those in
 * part in part. What is held is believed whole.
 */
function biweight(all: readonly Known[], start: number, held: Known = { at: 0, information: 0 }) {
  let [at, information, believed] = [start, 0, 0];
  for (let round = 0; round < ROUNDS; round += 1) {
    let sum = held.information * held.at;
    ({ information } = held);
    believed = 0;
    for (const one of all) {
      const far = square((one.at - at) / BIWEIGHT) * one.information;
      if (far >= 1) continue;
      const weight = square(1 - far);
      believed += weight;
      information += weight * one.information;
      sum += weight * one.information * one.at;
    }
    if (information === 0) return { at: start, information, believed };
    const moved = Math.abs(sum / information - at);
    at = sum / information;
    if (moved < SETTLED) break;
  }
  return { at, information, believed };
}

/** The middle one, of an even number the lower of both; nothing of none. */
export function lowerMedian(values: readonly number[]): number | undefined {
  return [...values].sort((a, b) => a - b)[Math.floor((values.length - 1) / 2)];
}

/** Median absolute deviation as a standard deviation. */
function spreadOf(values: readonly number[]): number {
  const centre = lowerMedian(values) ?? 0;
  return MEDIAN_TO_SIGMA * (lowerMedian(values.map((one) => Math.abs(one - centre))) ?? 0);
}

/** What is read of the readings of one job, whatever the other jobs say. */
interface OwnReadings {
  readonly spread: number;
  readonly logs: readonly number[];
  readonly middle: number;
  /** From three readings on a job has a middle of its own to start from. */
  readonly settled: ReturnType<typeof biweight> | undefined;
}

const OWN = new WeakMap<readonly number[], OwnReadings>();

const knownOf = (logs: readonly number[], spread: number) =>
  logs.map((at): Known => ({ at, information: 1 / square(spread) }));

function readJob(readings: readonly number[], spread: number): OwnReadings {
  const logs = readings.filter((one) => one > 0 && Number.isFinite(one)).map(Math.log);
  const middle = lowerMedian(logs) ?? 0;
  const settled = logs.length > 2 ? biweight(knownOf(logs, spread), middle) : undefined;
  return { spread, logs, middle, settled };
}

/** Read once for a list that stays the same: a log of hundreds of jobs is learned from again with each entry. */
function ownReadings(readings: readonly number[], spread: number): OwnReadings {
  const known = OWN.get(readings);
  if (known?.spread === spread) return known;
  const read = readJob(readings, spread);
  OWN.set(readings, read);
  return read;
}

/** Where half of the information of all readings and of what is held lies to each side. */
function crowdOf(jobs: readonly OwnReadings[], information: number, held: Known): number {
  const all = new Float64Array(jobs.reduce((sum, { logs }) => sum + logs.length, 0));
  let place = 0;
  for (const { logs } of jobs) {
    all.set(logs, place);
    place += logs.length;
  }
  all.sort();
  const half = (all.length * information + held.information) / 2;
  const before = all.findIndex((at) => at > held.at);
  const below = before === -1 ? all.length : before;
  // Up to what is held, what is held, and beyond it.
  if (below * information >= half) return all[Math.ceil(half / information) - 1] ?? held.at;
  const upToHeld = below * information + held.information;
  if (upToHeld >= half) return held.at;
  return all[below + Math.ceil((half - upToHeld) / information) - 1] ?? held.at;
}

/**
 * A value learned from the log, in two steps: the readings of each job make that job's value, the jobs make the crew's.
 * Normal in logarithms, held by the default; in both steps what lies far off is not believed at all, until others agree
 * with it. Without readings it is the default.
 * @param jobs positive readings, job by job
 */
export function learnedValue(
  prior: Input,
  jobs: readonly (readonly number[])[],
  spread: Spread,
): LearnedValue {
  const own = jobs
    .map((readings) => ownReadings(readings, spread.reading))
    .filter(({ logs }) => logs.length > 0);
  const readings = own.reduce((sum, { logs }) => sum + logs.length, 0);
  const held: Known = {
    at: Math.log(prior.value),
    information: square(RANGE_SIGMAS / (Math.log(prior.high) - Math.log(prior.low))),
  };
  let crowd: number | undefined;
  const byJob = own.map(({ logs, middle, settled }): Known => {
    // With two readings or one it is looked at from where all readings are.
    const { at, believed } =
      settled ??
      biweight(knownOf(logs, spread.reading), (crowd ??= crowdOf(own, 1 / square(spread.reading), held)));
    return {
      at: believed === 0 ? middle : at,
      information: 1 / (square(spread.job) + square(spread.reading) / (believed || 1)),
    };
  });
  const crew = biweight(byJob, weightedMedian([...byJob, held]), held);
  const half = 2 / Math.sqrt(crew.information);
  return {
    value: {
      value: Math.exp(crew.at),
      low: Math.exp(crew.at - half),
      high: Math.exp(crew.at + half),
      kind: prior.kind,
      formula: 'learned value',
      inputs: [
        prior,
        given('Jobs', 'count', own.length, 'Site log'),
        given('Readings', 'count', readings, 'Site log'),
      ],
      basis: readings > 0 ? 'history' : prior.basis,
    },
    jobs: own.length,
    readings,
    spread: byJob.length > 2 ? Math.expm1(spreadOf(byJob.map((one) => one.at))) : spread.job,
  };
}

/** A learned value as an input of the next plan, saying how many jobs and readings it stands on. */
export function learnedInput(label: string, { value, jobs, readings }: LearnedValue, of: string): Input {
  const { kind, low, high, basis } = value;
  const many = (count: number, one: string) => `${count} ${count === 1 ? one : `${one}s`}`;
  return {
    label,
    kind,
    value: value.value,
    low,
    high,
    basis,
    source: `${many(readings, of)} in ${many(jobs, 'job')} of this crew`,
  };
}
