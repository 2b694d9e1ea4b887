import type { Random } from '../../random';
import type { Seen } from '../../setup';
import type { UnitSystem } from '../../units';

/** What is learned with the head and the eye. */
export const SKILLS = {
  'tip codes': 'Tip numbers',
  'tip sizes': 'Which tip is larger',
  patterns: 'Patterns on the card',
  comb: 'Reading the comb',
  cup: 'Cup and temperature',
  order: 'The order at the machine',
  flush: 'Between two fluids',
  fits: 'What fits together',
  site: 'What is wrong here?',
  injection: 'Paint under the skin',
} as const;
export type Skill = keyof typeof SKILLS;
export const SKILL_IDS = Object.keys(SKILLS) as readonly Skill[];

/** What stands beside a question, to look at. */
export type Shown =
  | { readonly kind: 'tip'; readonly codes: readonly string[] }
  | { readonly kind: 'pattern'; readonly seen: Seen; readonly exponent: number }
  | { readonly kind: 'comb'; readonly teeth: readonly number[]; readonly lastWet: number }
  | { readonly kind: 'site'; readonly scene: Scene };

/** A job as it is drawn. */
export interface Scene {
  readonly side: 'inside' | 'outside';
  readonly power: 'electric' | 'engine';
  /** Where the machine stands. */
  readonly machine: 'inside' | 'outside';
  readonly wetGround: boolean;
  readonly wind: boolean;
  readonly high: boolean;
  readonly handAtTip: boolean;
  readonly solvent: boolean;
}

/** A question with one right answer. Everything it says comes from the core. */
export interface Question {
  readonly skill: Skill;
  /** What it asks for, the same each time it is asked with other numbers: what is remembered or forgotten. */
  readonly item: string;
  readonly asks: string;
  readonly shown?: Shown;
  /** Different from each other; in no order that says anything. */
  readonly options: readonly string[];
  /** Place of the right one. */
  readonly right: number;
  /** Why, in the core's own words. */
  readonly because: readonly string[];
}

/** Draws a question. */
export type Draw = (random: Random, system: UnitSystem) => Question;

export const pick = <T>(random: Random, from: readonly T[]): T =>
  from[Math.min(from.length - 1, Math.floor(random() * from.length))] as T;

/** A row in another order (Fisher and Yates). */
export function shuffled<T>(random: Random, row: readonly T[]): readonly T[] {
  const left = [...row];
  for (let index = left.length - 1; index > 0; index -= 1) {
    const other = Math.floor(random() * (index + 1));
    [left[index], left[other]] = [left[other] as T, left[index] as T];
  }
  return left;
}

/** So many answers are offered. */
const OFFERED = 4;

/** A question from its right answer and wrong ones: those that say the same are one, and no more are offered than an eye takes in. */
export function asked(
  random: Random,
  question: Omit<Question, 'options' | 'right'>,
  right: string,
  wrong: readonly string[],
): Question {
  const others = [...new Set(wrong)].filter((one) => one !== right);
  const options = shuffled(random, [right, ...shuffled(random, others).slice(0, OFFERED - 1)]);
  return { ...question, options, right: options.indexOf(right) };
}
