import type { DisplayKind } from '../units';
import type { FormulaId } from './formulas';

/**
 * What a number stands on, in the order of trust: the first is trusted most. What somebody chose or aims at is no knowledge
 * of the world: it stands for itself, before all others, and makes nothing that follows from it less or more trusted.
 */
export const BASES = ['chosen', 'measured', 'history', 'data-sheet', 'default'] as const;
export type Basis = (typeof BASES)[number];

/** An input of a formula: SI value with its range, where it comes from and how far it is trusted. */
export interface Input {
  readonly label: string;
  readonly kind: DisplayKind;
  readonly value: number;
  readonly low: number;
  readonly high: number;
  readonly basis: Basis;
  readonly source: string;
  /** Name of the coating property behind it, where a data sheet value may replace it. */
  readonly property?: string;
}

/** A number that explains itself: value and range in SI, the formula, its inputs and the weakest basis among them. */
export interface Explained {
  readonly value: number;
  readonly low: number;
  readonly high: number;
  readonly kind: DisplayKind;
  readonly formula: FormulaId;
  readonly inputs: readonly Input[];
  readonly basis: Basis;
}

/** The least trusted of several bases; `chosen` where nothing but choices stand behind it, or nothing at all. */
export function weakestBasis(inputs: readonly Pick<Input, 'basis'>[]): Basis {
  return inputs.reduce<Basis>(
    (weakest, { basis }) => (BASES.indexOf(basis) > BASES.indexOf(weakest) ? basis : weakest),
    'chosen',
  );
}

/** An input that somebody chose or aims at: a target, a setting, the code of a tip. Never said to be measured. */
export function chosen(label: string, kind: DisplayKind, value: number, source: string): Input {
  return { label, kind, value, low: value, high: value, basis: 'chosen', source };
}

/** An input measured or counted exactly enough to carry no range. */
export function given(label: string, kind: DisplayKind, value: number, source: string): Input {
  return { label, kind, value, low: value, high: value, basis: 'measured', source };
}

/** A working default with its range as uncertainty. */
export function workingDefault(
  label: string,
  kind: DisplayKind,
  value: number,
  low: number,
  high: number,
  source = 'Working default',
): Input {
  return { label, kind, value, low, high, basis: 'default', source };
}

/** The likely value of each of some inputs. */
export function likelyValues<Name extends string>(
  inputs: Readonly<Record<Name, Input>>,
): Record<Name, number> {
  const values = {} as Record<Name, number>;
  for (const name of Object.keys(inputs) as Name[]) values[name] = inputs[name].value;
  return values;
}

/**
 * Evaluates a formula and its range. Each input is moved to its low and its high end alone; the changes
 * are added as root of the sum of squares, upwards and downwards apart (first-order propagation,
 * JCGM 100:2008 section 5.1, with one-at-a-time differences so that asymmetry is kept).
 */
export function explain<Name extends string>(
  formula: FormulaId,
  kind: DisplayKind,
  inputs: Readonly<Record<Name, Input>>,
  evaluate: (values: Record<Name, number>) => number,
): Explained {
  const names = Object.keys(inputs) as Name[];
  const likely = likelyValues(inputs);
  const value = evaluate(likely);
  let up = 0;
  let down = 0;
  // One set of values, each input moved and put back: this is asked thousands of times for a long log.
  const moved = likelyValues(inputs);
  for (const name of names) {
    const { low, high } = inputs[name];
    if (low === high) continue;
    moved[name] = low;
    const atLow = evaluate(moved) - value;
    moved[name] = high;
    const atHigh = evaluate(moved) - value;
    moved[name] = likely[name];
    up += Math.max(0, atLow, atHigh) ** 2;
    down += Math.min(0, atLow, atHigh) ** 2;
  }
  const list = names.map((name) => inputs[name]);
  return {
    value,
    low: value - Math.sqrt(down),
    high: value + Math.sqrt(up),
    kind,
    formula,
    inputs: list,
    basis: weakestBasis(list),
  };
}
