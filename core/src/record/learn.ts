import type { Explained, Input } from '../explain';
import { given } from '../explain';

/** Residuals beyond so many spreads are weighted down (Huber 1964). */
const HUBER = 1.345;
const ROUNDS = 30;
/** A working default's range is taken as two standard deviations to each side. */
const RANGE_SIGMAS = 4;

/**
 * A value learned from readings of the log, held by its default: normal in logarithms, readings far off weighted down.
 * Few readings move it little, many decide it. Without readings it is the default.
 * @param readings positive values, one for each coat, card or check
 * @param spread relative standard deviation of one reading
 */
export function learnedValue(prior: Input, readings: readonly number[], spread: number): Explained {
  const logs = readings.filter((one) => one > 0 && Number.isFinite(one)).map(Math.log);
  const centre = Math.log(prior.value);
  const held = ((Math.log(prior.high) - Math.log(prior.low)) / RANGE_SIGMAS) ** -2;
  let estimate = centre;
  let information = held;
  for (let round = 0; round < ROUNDS && logs.length > 0; round += 1) {
    let sum = held * centre;
    information = held;
    for (const one of logs) {
      const residual = Math.abs(one - estimate) / spread;
      const weight = Math.min(1, HUBER / Math.max(residual, 1e-12)) / (spread * spread);
      sum += weight * one;
      information += weight;
    }
    estimate = sum / information;
  }
  const half = 2 / Math.sqrt(information);
  return {
    value: Math.exp(estimate),
    low: Math.exp(estimate - half),
    high: Math.exp(estimate + half),
    kind: prior.kind,
    formula: 'learned value',
    inputs: [prior, given('Readings', 'count', logs.length, 'Site log')],
    basis: logs.length > 0 ? 'history' : prior.basis,
  };
}

/** A learned value as an input of the next plan, saying how many readings it stands on. */
export function learnedInput(
  { label }: Pick<Input, 'label'>,
  learned: Explained,
  readings: number,
  of: string,
): Input {
  const { kind, value, low, high, basis } = learned;
  return {
    label,
    kind,
    value,
    low,
    high,
    basis,
    source: `${readings} ${readings === 1 ? of : `${of}s`} of this crew`,
  };
}
