import type { ConfirmedSetup } from '../entry';
import type { Coating, Hose, Sprayer, Tip } from '../kit';
import type { PlanHistory } from './history';

/** The rows of a company's kit that a job is worked out from. */
export interface Kit {
  readonly coatings: readonly Coating[];
  readonly sprayers: readonly Sprayer[];
  readonly hoses: readonly Hose[];
  readonly tips: readonly Tip[];
  /** What the crew's own log says, where plans are to stand on it. */
  readonly history?: PlanHistory;
  /** Jobs that it rained on when the weather was last written down there (`siteNow`). */
  readonly rainedOn?: readonly string[];
  /** Jobs on which it was hot then. */
  readonly hotOn?: readonly string[];
  /** The colder of air and surface when the weather was last written down, K: by job. */
  readonly coldest?: Readonly<Record<string, number>>;
  /** How warm paint was when it was measured last, K: by job and coating. */
  readonly paintAt?: Readonly<Record<string, Readonly<Record<string, number>>>>;
  /** Set-ups dialled in, the last one last: by surface, those without one under `NO_SURFACE`. */
  readonly dialledIn?: Readonly<Record<string, readonly DialledInRow[]>>;
}

/** Where set-ups stand that were dialled in without a surface. */
export const NO_SURFACE = '';

/** A set-up confirmed on a surface; when, ms since 1970. */
export type DialledInRow = Pick<
  ConfirmedSetup,
  'coatingId' | 'tip' | 'gun' | 'pump' | 'sure' | 'sprayerId' | 'hoseIds'
> & { readonly at: number };
