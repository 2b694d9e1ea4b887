import { FILM_FORMULAS } from './film';
import { JOB_FORMULAS } from './job';
import { LINE_FORMULAS } from './line';
import { PAINT_FORMULAS } from './paint';
import { RECORD_FORMULAS } from './record';
import { SETUP_FORMULAS } from './setup';
import { TIP_FORMULAS } from './tip';
import { WEATHER_FORMULAS } from './weather';
import { WORK_FORMULAS } from './work';

export type { Formula } from './formula';

/** Every formula whose result a person sees. docs/method.md has each with a worked example that a test runs. */
export const FORMULAS = {
  ...SETUP_FORMULAS,
  ...TIP_FORMULAS,
  ...PAINT_FORMULAS,
  ...LINE_FORMULAS,
  ...FILM_FORMULAS,
  ...WORK_FORMULAS,
  ...JOB_FORMULAS,
  ...WEATHER_FORMULAS,
  ...RECORD_FORMULAS,
} as const;

export type FormulaId = keyof typeof FORMULAS;
