import { explain, chosen, given, type Explained, type Input } from '../explain';
import {
  accept,
  of,
  quantity,
  refuse,
  showText,
  within,
  type Length,
  type Result,
  type Speed,
  type UnitSystem,
} from '../units';
import { COMFORTABLE_GUN_SPEED } from './film';

/** Teeth of a common wet film comb, μm; a crew's own comb has its own. */
export const USUAL_COMB = [
  25, 50, 75, 100, 125, 150, 175, 200, 225, 250, 300, 350, 400, 450, 500, 600, 700, 800,
].map((microns) => of(microns, 'μm'));

/** Teeth of a comb in mils: as the crews read it that think in them. */
export const MIL_COMB = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 12, 14, 16, 18, 20, 24, 28, 32].map((mils) =>
  of(mils, 'mil'),
);

/** The comb of those who read in a system of units. */
export const combFor = (system: UnitSystem): readonly Length[] => (system === 'us' ? MIL_COMB : USUAL_COMB);

/** One reading: the film lies between the last wetted tooth and the first dry one. */
export interface CombInterval {
  readonly low: Length;
  readonly high: Length;
}

/** Refuses a comb whose teeth do not rise. */
export function checkComb(teeth: readonly Length[]): Result<readonly Length[]> {
  const rising = teeth.every(
    (tooth, index) => Number.isFinite(tooth) && tooth > (index === 0 ? 0 : (teeth[index - 1] ?? Infinity)),
  );
  if (teeth.length >= 2 && rising) return accept(teeth);
  return refuse('comb.teeth', 'teeth', 'The teeth of a comb rise from one to the next; give at least two.');
}

/**
 * One comb reading by its last wetted tooth (ISO 2808, ASTM D4414): last wetted tooth ≤ film < first dry tooth.
 * `undefined` means that no tooth is wet.
 * @returns a refusal when the tooth is not on this comb, or all teeth are wet
 */
export function combReading(
  lastWet: Length | undefined,
  teeth: readonly Length[] = USUAL_COMB,
  system: UnitSystem = 'metric',
  field = 'reading',
): Result<CombInterval> {
  const comb = checkComb(teeth);
  if (!comb.ok) return comb;
  if (lastWet === undefined)
    return accept({ low: quantity<Length>(0), high: quantity<Length>(teeth[0] ?? 0) });
  const index = teeth.findIndex((tooth) => Math.abs(tooth - lastWet) <= 1e-9);
  if (index < 0) {
    return refuse('comb.tooth', field, 'This comb has no such tooth. Take the last tooth that is wet.');
  }
  const next = teeth[index + 1];
  if (next === undefined) {
    return refuse(
      'comb.range',
      field,
      `Every tooth is wet: the film is over ${showText(lastWet, 'wetFilm', system)}. Take a comb that reads higher.`,
    );
  }
  return accept({ low: quantity(lastWet), high: quantity(next) });
}

/** Two-sided 95 % factors of Student's t for 4 to 13 degrees of freedom; 2.1 beyond. */
const STUDENT = [2.776, 2.571, 2.447, 2.365, 2.306, 2.262, 2.228, 2.201, 2.179, 2.16] as const;
/**
 * Scatter of a hand's film from place to place, and how many readings that knowledge counts as: few readings that happen to agree,
 * or not, do not tell a hand's scatter. Judgement.
 */
const FILM_SCATTER = { share: 0.1, readings: 4 } as const;

export type CombVerdict = 'too thin' | 'on target' | 'too thick' | 'over the sag limit' | 'unsure';

export interface CombResult {
  readonly mean: Explained;
  readonly readings: number;
  readonly verdict: CombVerdict;
  readonly words: string;
  /** Gun speed that brings the film to the target, when the speed now is known. */
  readonly speed?: Explained;
  /** The tip to fit instead, where no arm keeps up that speed. */
  readonly tip?: 'smaller' | 'larger';
}

export interface CombTarget {
  readonly wetFilm: Length;
  readonly sagLimit?: Length;
  readonly speed?: Speed;
  /** Film that soaks in besides: a comb does not read it, the gun lays it. */
  readonly soaks?: Length;
}

/** How far from the target a film still counts as right. */
const TOLERANCE = 0.12;
/** Uncertainty of the mean, as a share of the target, from which it is no verdict. */
const VAGUE = 0.3;

const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;

/**
 * Mean of intervals with the 95 % half-width of its uncertainty: scatter of the middles together with what is known of hands, and
 * the width of a tooth. One more reading that agrees makes it narrower.
 */
function meanOf(intervals: readonly CombInterval[]): { value: number; half: number } {
  const n = intervals.length;
  const middles = intervals.map(({ low, high }) => (low + high) / 2);
  const value = mean(middles);
  const teeth = intervals.reduce((sum, { low, high }) => sum + (high - low) ** 2 / 12, 0) / (n * n);
  const { share, readings: known } = FILM_SCATTER;
  const squares = middles.reduce((sum, middle) => sum + (middle - value) ** 2, 0);
  const scatter = (known * (share * value) ** 2 + squares) / (known + n - 1);
  const t = STUDENT[n - 1] ?? 2.1;
  return { value, half: t * Math.sqrt(scatter / n + teeth) };
}

/**
 * Several comb readings against the target: mean with its uncertainty, verdict and what to do with the gun.
 * Says "unsure" while the interval of the mean still holds both sides of a limit, rather than guess.
 */
export function combVerdict(
  intervals: readonly CombInterval[],
  target: CombTarget,
  system: UnitSystem = 'metric',
): Result<CombResult> {
  if (intervals.length === 0)
    return refuse('comb.none', 'readings', 'Take at least one reading on wet paint.');
  for (const [index, { low, high }] of intervals.entries()) {
    if (!(low >= 0 && high > low && high <= 0.005)) {
      return refuse('comb.interval', `readings.${index}`, 'A reading lies between two teeth of the comb.');
    }
  }
  const limits = { min: of(5, 'μm'), max: of(3, 'mm') };
  const wanted = within(target.wetFilm, limits, 'wetFilm', system, 'target', 'Wet film wanted');
  if (!wanted.ok) return wanted;
  const { value, half } = meanOf(intervals);
  const readings: Input = {
    label: intervals.length === 1 ? 'Comb reading' : `Mean of ${intervals.length} comb readings`,
    kind: 'wetFilm',
    value,
    low: Math.max(0, value - half),
    high: value + half,
    basis: 'measured',
    source: 'Comb gauge',
  };
  const explained = explain('comb mean', 'wetFilm', { readings }, (v) => v.readings);
  const verdict = verdictFor(explained, target);
  const speedNow = target.speed;
  const speed =
    speedNow === undefined
      ? undefined
      : explain(
          'speed after comb',
          'speed',
          {
            soaks: given('Soaks in besides', 'wetFilm', target.soaks ?? 0, 'First coat on bare ground'),
            now: given('Gun speed now', 'speed', speedNow, 'Timed'),
            readings,
            target: chosen('Wet film wanted', 'wetFilm', wanted.value, 'Target'),
          },
          (v) => (v.now * (v.readings + v.soaks)) / (v.target + v.soaks),
        );
  const tip = verdict === 'on target' || verdict === 'unsure' || !speed ? undefined : tipFor(speed.value);
  return accept({
    mean: explained,
    readings: intervals.length,
    verdict,
    words: tip ? `${WORDS[verdict]} ${TIP_WORDS[tip]}` : WORDS[verdict],
    ...(speed ? { speed } : {}),
    ...(tip ? { tip } : {}),
  });
}

/** The tip that brings a gun speed back to what an arm keeps up. */
function tipFor(speed: number): CombResult['tip'] {
  const { low, high } = COMFORTABLE_GUN_SPEED;
  return speed > high ? 'smaller' : speed < low ? 'larger' : undefined;
}

const TIP_WORDS = {
  smaller: 'No arm keeps up that speed: fit a smaller tip.',
  larger: 'That is slower than an arm holds steady: fit a larger tip.',
} as const;

const WORDS: Readonly<Record<CombVerdict, string>> = {
  'too thin': 'Too thin: move the gun more slowly, or lap more.',
  'on target': 'On target. Go on like this.',
  'too thick': 'Too thick: move the gun faster, or lap less.',
  'over the sag limit':
    'Over the sag limit: stop, it will run. Brush it out, then move faster or lay it in two passes.',
  unsure: 'The readings do not tell yet. Take more, a hand apart.',
};

function verdictFor({ value, low, high }: Explained, { wetFilm, sagLimit }: CombTarget): CombVerdict {
  if (sagLimit !== undefined && low > sagLimit) return 'over the sag limit';
  const floor = wetFilm * (1 - TOLERANCE);
  const ceiling = wetFilm * (1 + TOLERANCE);
  if (high < floor) return 'too thin';
  if (low > ceiling) return 'too thick';
  const sags = sagLimit !== undefined && high > sagLimit;
  const vague = (high - low) / 2 > VAGUE * wetFilm;
  return value >= floor && value <= ceiling && !sags && !vague ? 'on target' : 'unsure';
}
