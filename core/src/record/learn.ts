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

/** Something in logarithms with the standard deviation it is known to. */
interface Known {
  readonly at: number;
  readonly sigma: number;
}

/** Where half of the weight lies to each side, weights by precision. */
function weightedMedian(all: readonly Known[]): number {
  const sorted = [...all].sort((a, b) => a.at - b.at);
  const half = sorted.reduce((sum, { sigma }) => sum + sigma ** -2, 0) / 2;
  let sum = 0;
  for (const { at, sigma } of sorted) {
    sum += sigma ** -2;
    if (sum >= half) return at;
  }
  return sorted[0]?.at ?? 0;
}

/** Tukey's biweight from a start: the mean of those believed, and how much of each was. */
function biweight(all: readonly Known[], start: number, held: readonly Known[] = []) {
  let at = start;
  let information = 0;
  let weights: number[] = [];
  for (let round = 0; round < ROUNDS; round += 1) {
    let sum = 0;
    information = 0;
    for (const one of held) {
      sum += one.at / one.sigma ** 2;
      information += one.sigma ** -2;
    }
    weights = all.map((one) => {
      const u = (one.at - at) / (BIWEIGHT * one.sigma);
      const weight = Math.abs(u) < 1 ? (1 - u * u) ** 2 : 0;
      sum += (weight * one.at) / one.sigma ** 2;
      information += weight / one.sigma ** 2;
      return weight;
    });
    if (information === 0) return { at: start, information, weights };
    const moved = Math.abs(sum / information - at);
    at = sum / information;
    if (moved < SETTLED) break;
  }
  return { at, information, weights };
}

const middle = (sorted: readonly number[]) => sorted[Math.floor((sorted.length - 1) / 2)] ?? 0;

/** Median absolute deviation as a standard deviation. */
function spreadOf(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const centre = middle(sorted);
  return MEDIAN_TO_SIGMA * middle(sorted.map((one) => Math.abs(one - centre)).sort((a, b) => a - b));
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
  const centre = Math.log(prior.value);
  const held: Known = { at: centre, sigma: (Math.log(prior.high) - Math.log(prior.low)) / RANGE_SIGMAS };
  let known: number | undefined;
  /** Where all readings are; asked for only where a job has too few of its own. */
  const crowd = () =>
    (known ??= weightedMedian([...logs.flat().map((at) => ({ at, sigma: spread.reading })), held]));
  const byJob = logs.map((job): Known => {
    // From three on a job has a middle of its own; before that it is looked at from where all jobs are.
    const start = job.length > 2 ? middle([...job].sort((a, b) => a - b)) : crowd();
    const { at, weights } = biweight(
      job.map((one) => ({ at: one, sigma: spread.reading })),
      start,
    );
    const believed = weights.reduce((sum, one) => sum + one, 0);
    if (believed === 0)
      return { at: middle([...job].sort((a, b) => a - b)), sigma: Math.hypot(spread.job, spread.reading) };
    return { at, sigma: Math.hypot(spread.job, spread.reading / Math.sqrt(believed)) };
  });
  const { at, information } = biweight(byJob, weightedMedian([...byJob, held]), [held]);
  const half = 2 / Math.sqrt(information);
  return {
    value: {
      value: Math.exp(at),
      low: Math.exp(at - half),
      high: Math.exp(at + half),
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
