import { accept, refuse, type Result } from '../units';

/** What is measured of a product by the log; each coat of it is a trial. */
export const MEASURES = {
  litres: { name: 'Paint', better: 'less' },
  coats: { name: 'Coats to cover', better: 'less' },
  pressure: { name: 'Pressure at which the tails went', better: 'less' },
  film: { name: 'Wet film by the comb', better: undefined },
  time: { name: 'Spraying time', better: 'less' },
} as const satisfies Record<string, { readonly name: string; readonly better: 'less' | undefined }>;
export type Measure = keyof typeof MEASURES;
export const MEASURE_NAMES = Object.keys(MEASURES) as Measure[];

/** What is judged by hand, each in five steps, the best first (work.md, "Trying products against each other"). */
export const JUDGED = {
  mist: {
    name: 'Mist on the painter',
    steps: ['none', 'a little', 'some', 'much', 'stands in the air'],
  },
  cover: {
    name: 'Cover',
    steps: ['covers at once', 'nearly at once', 'with the second coat', 'barely', 'grins through'],
  },
  laps: {
    name: 'Lap marks when dry',
    steps: ['none', 'with a lamp', 'from the side', 'from the front', 'stripes'],
  },
  spatter: { name: 'Spatter', steps: ['none', 'a few dots', 'some', 'much', 'everywhere'] },
  touchUp: {
    name: 'Touch-up',
    steps: ['not seen', 'seen with a lamp', 'seen from the side', 'seen at once', 'a patch'],
  },
  look: { name: 'Look', steps: ['as sprayed glass', 'even', 'good enough', 'uneven', 'to be done again'] },
} as const satisfies Record<
  string,
  { readonly name: string; readonly steps: readonly [string, string, string, string, string] }
>;
export type Judged = keyof typeof JUDGED;
export const JUDGED_NAMES = Object.keys(JUDGED) as [Judged, ...Judged[]];

/** What two products come to in one thing, from their trials. */
export interface Compared {
  readonly first: { readonly mean: number; readonly trials: number };
  readonly second: { readonly mean: number; readonly trials: number };
  /** First less second, with the range it lies in 9 times in 10. */
  readonly difference: number;
  readonly low: number;
  readonly high: number;
  /** Which of them has less of it; nothing where these trials cannot tell. */
  readonly less: 'first' | 'second' | undefined;
  /** The difference that one more trial of each would tell, if trials go on to differ as they did. */
  readonly toldByOneMore: number;
}

/** Two-sided 90 % factors of Student's t for 1 to 10 degrees of freedom, then 12, 15, 20, 30; 1.645 beyond. */
const STUDENT: readonly (readonly [freedom: number, factor: number])[] = [
  ...([
    [1, 6.314],
    [2, 2.92],
    [3, 2.353],
    [4, 2.132],
    [5, 2.015],
    [6, 1.943],
    [7, 1.895],
  ] as const),
  ...([
    [8, 1.86],
    [9, 1.833],
    [10, 1.812],
    [12, 1.782],
    [15, 1.753],
    [20, 1.725],
    [30, 1.697],
  ] as const),
];
/** The factor of the next smaller number of degrees: never surer than it may be. */
const student = (freedom: number): number =>
  freedom > 60 ? 1.645 : (STUDENT.findLast(([known]) => known <= freedom)?.[1] ?? 6.314);

const meanOf = (values: readonly number[]) => values.reduce((sum, one) => sum + one, 0) / values.length;
const varianceOf = (values: readonly number[]): number => {
  const mean = meanOf(values);
  return values.reduce((sum, one) => sum + (one - mean) ** 2, 0) / (values.length - 1);
};

/**
 * Two products in one thing (Welch 1947, degrees of freedom by Satterthwaite).
 * @param floor standard deviation that trials have at least, in the unit of the values: three that happen to agree are not exact
 * @returns a refusal where there is only one trial of either: it says nothing of how much trials differ
 */
export function compareTrials(
  first: readonly number[],
  second: readonly number[],
  floor: number,
): Result<Compared> {
  const [few, many] = [Math.min(first.length, second.length), Math.max(first.length, second.length)];
  if (few === 0) return refuse('trials.none', 'trials', 'Nothing of it is in the log yet.');
  if (few === 1)
    return refuse(
      'trials.one',
      'trials',
      many === 1
        ? 'One trial of each says nothing of how much trials differ: try both once more on the same kind of surface.'
        : 'Of one of them there is a single trial, which says nothing of how much trials differ: try it once more.',
    );
  const spread = (values: readonly number[]) => Math.max(varianceOf(values), floor ** 2) / values.length;
  const [a, b] = [spread(first), spread(second)];
  const error = Math.sqrt(a + b);
  const freedom = (a + b) ** 2 / (a ** 2 / (first.length - 1) + b ** 2 / (second.length - 1));
  const reach = student(freedom) * error;
  const difference = meanOf(first) - meanOf(second);
  const more = Math.sqrt((a * first.length) / (first.length + 1) + (b * second.length) / (second.length + 1));
  return accept({
    first: { mean: meanOf(first), trials: first.length },
    second: { mean: meanOf(second), trials: second.length },
    difference,
    low: difference - reach,
    high: difference + reach,
    less: difference + reach < 0 ? 'first' : difference - reach > 0 ? 'second' : undefined,
    toldByOneMore: student(freedom + 2) * more,
  });
}
