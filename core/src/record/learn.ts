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
  const logs = jobs
    .map((readings) => readings.filter((one) => one > 0 && Number.isFinite(one)).map(Math.log))
    .filter((readings) => readings.length > 0);
  const readings = logs.reduce((sum, one) => sum + one.length, 0);
  const held: Known = {
    at: Math.log(prior.value),
    information: square(RANGE_SIGMAS / (Math.log(prior.high) - Math.log(prior.low))),
  };
  const information = 1 / square(spread.reading);
  const knownOf = (values: readonly number[]) => values.map((at): Known => ({ at, information }));
  let crowd: number | undefined;
  const byJob = logs.map((job): Known => {
    const own = lowerMedian(job) ?? 0;
    // From three on a job has a middle of its own; before that it is looked at from where all readings are.
    const start = job.length > 2 ? own : (crowd ??= weightedMedian([...knownOf(logs.flat()), held]));
    const { at, believed } = biweight(knownOf(job), start);
    return {
      at: believed === 0 ? own : at,
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
        given('Jobs', 'count', logs.length, 'Site log'),
        given('Readings', 'count', readings, 'Site log'),
      ],
      basis: readings > 0 ? 'history' : prior.basis,
    },
    jobs: logs.length,
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
