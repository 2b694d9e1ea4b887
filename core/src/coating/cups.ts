import { explain, chosen, given, workingDefault, type Explained } from '../explain';
import {
  accept,
  quantity,
  refuse,
  within,
  type Density,
  type KinematicViscosity,
  type Result,
  type Time,
  type UnitSystem,
  type Viscosity,
} from '../units';

/** How a standard ties seconds t to kinematic viscosity ν (mm²/s): ν = a(t − b), or ν = a·t − b/t. */
type CupLaw = 'line' | 'hyperbola';

interface CupData {
  readonly name: string;
  readonly law: CupLaw;
  readonly a: number;
  readonly b: number;
  /** Seconds inside which the standard's equation holds. */
  readonly window: { readonly min: number; readonly max: number };
}

const cup = (name: string, law: CupLaw, a: number, b: number, min: number, max: number): CupData => ({
  name,
  law,
  a,
  b,
  window: { min, max },
});

const dip = (no: number, a: number, b: number, min = 20) =>
  cup(`Dip cup no. ${no} (ASTM D4212)`, 'line', a, b, min, 80);
const bench = (no: number, a: number, b: number, min = 20) =>
  cup(`Cup no. ${no} (ASTM D1200)`, 'line', a, b, min, 100);
const iso = (mm: number, a: number, b: number) =>
  cup(`${mm} mm flow cup (ISO 2431)`, 'hyperbola', a, b, 30, 100);

/** Efflux cups by their standard: ASTM D4212, ASTM D1200, ISO 2431 and DIN 53211 (withdrawn, still in many vans). */
export const CUPS = {
  'dip-1': dip(1, 1.1, 29, 35),
  'dip-2': dip(2, 3.5, 14),
  'dip-3': dip(3, 11.7, 7.5),
  'dip-4': dip(4, 14.8, 5),
  'dip-5': dip(5, 23, 0),
  'bench-1': bench(1, 0.49, 35, 55),
  'bench-2': bench(2, 1.44, 18, 40),
  'bench-3': bench(3, 2.31, 6.58),
  'bench-4': bench(4, 3.85, 4.49),
  'bench-5': bench(5, 12.1, 2),
  'iso-3': iso(3, 0.443, 200),
  'iso-4': iso(4, 1.37, 200),
  'iso-5': iso(5, 3.28, 220),
  'iso-6': iso(6, 6.9, 570),
  'din-4': cup('4 mm flow cup (DIN 53211, withdrawn)', 'hyperbola', 4.57, 452, 25, 150),
} as const satisfies Record<string, CupData>;

export type CupId = keyof typeof CUPS;
export const CUP_IDS = Object.keys(CUPS) as [CupId, ...CupId[]];

/** Seconds that can be trusted: the middle of a cup's range. Own cups have no standard's window and start at 16 s. */
export const PREFERRED_SECONDS = { min: 20, max: 60, ownMin: 16 } as const;

/** How far two cups of one kind differ (ASTM D4212 gives 10 %; taken for the others alike). */
const CUP_TOLERANCE = 0.1;
/** Error of thumb and eye on a stopwatch, s. */
const STOPWATCH_ERROR = 0.5;

export const CUP_NOTE =
  'Paint that gels at rest reads differently each time: use the cup to compare like with like, not to measure it.';

const dataOf = (id: CupId): CupData => CUPS[id];

function kinematicOf({ law, a, b }: CupData, seconds: number): number {
  return 1e-6 * (law === 'line' ? a * (seconds - b) : a * seconds - b / seconds);
}

function secondsOf({ law, a, b }: CupData, kinematic: number): number {
  const ν = kinematic * 1e6;
  return law === 'line' ? ν / a + b : (ν + Math.sqrt(ν * ν + 4 * a * b)) / (2 * a);
}

/** The preferred part of a cup's own window. */
function preferredWindow({ window }: CupData): { min: number; max: number } {
  return {
    min: Math.max(window.min, PREFERRED_SECONDS.min),
    max: Math.max(Math.min(window.max, PREFERRED_SECONDS.max), window.min),
  };
}

const inside = (value: number, { min, max }: { min: number; max: number }) =>
  value >= min - 1e-9 && value <= max + 1e-9;

export interface CupAnswer {
  readonly value: Explained;
  /** Whether the seconds lie where a cup is trusted, or only inside the standard's window. */
  readonly preferred: boolean;
  /** A cup that would read in its middle, when this one does not. */
  readonly better?: CupId;
  readonly words: string;
}

function answer(id: CupId, value: Explained, seconds: number, kinematic: number): CupAnswer {
  const preferred = inside(seconds, preferredWindow(dataOf(id)));
  if (preferred) return { value, preferred, words: CUP_NOTE };
  const better = cupsFor(quantity(kinematic), standardOf(id))[0];
  const next = better !== undefined && better !== id ? better : undefined;
  const words = `Outside the middle of this cup's range (${PREFERRED_SECONDS.min} to ${PREFERRED_SECONDS.max} s).`;
  if (next === undefined) return { value, preferred, words: `${words} ${CUP_NOTE}` };
  return { value, preferred, better: next, words: `${words} ${CUPS[next].name} would read in it.` };
}

const standardOf = (id: CupId) => id.slice(0, id.indexOf('-'));

function windowRefusal(id: CupId, seconds: number, kinematic: number | undefined): Result<never> {
  const { name, window } = dataOf(id);
  const better = kinematic === undefined ? undefined : cupsFor(quantity(kinematic), standardOf(id))[0];
  const way = seconds < window.min ? 'too fast: take a smaller cup' : 'too slow: take a larger cup';
  const hint = better !== undefined && better !== id ? `, such as ${CUPS[better].name}` : '';
  return refuse(
    'cup.window',
    'seconds',
    `${name} converts from ${window.min} to ${window.max} s. ${Number(seconds.toPrecision(3))} s is ${way}${hint}.`,
  );
}

/**
 * Kinematic viscosity from the seconds of a standard cup, with its ±10 %.
 * @returns a refusal outside the standard's window: its equation says nothing there
 */
export function cupViscosity(id: CupId, seconds: number, system: UnitSystem = 'metric'): Result<CupAnswer> {
  const read = within(seconds, { min: 0.5, max: 3600 }, 'time', system, 'seconds', 'Cup time');
  if (!read.ok) return read;
  const data = dataOf(id);
  if (!inside(seconds, data.window)) {
    const kinematic = kinematicOf(data, seconds);
    return windowRefusal(id, seconds, kinematic > 0 ? kinematic : undefined);
  }
  const value = explain(
    'cup to viscosity',
    'kinematic',
    {
      seconds: {
        ...given('Seconds', 'time', seconds, data.name),
        low: Math.max(data.window.min, seconds - STOPWATCH_ERROR),
        high: seconds + STOPWATCH_ERROR,
      },
      cup: workingDefault('Cup', 'factor', 1, 1 - CUP_TOLERANCE, 1 + CUP_TOLERANCE, 'Cups differ by ±10 %'),
    },
    (v) => kinematicOf(data, v.seconds) * v.cup,
  );
  return accept(answer(id, value, seconds, value.value));
}

/**
 * Seconds a standard cup will show for a kinematic viscosity.
 * @returns a refusal where that lies outside the standard's window
 */
export function cupSeconds(
  id: CupId,
  kinematic: KinematicViscosity,
  system: UnitSystem = 'metric',
): Result<CupAnswer> {
  const bounds = { min: 1e-7, max: 1 };
  const read = within(kinematic, bounds, 'kinematic', system, 'kinematic', 'Kinematic viscosity');
  if (!read.ok) return read;
  const data = dataOf(id);
  const seconds = secondsOf(data, kinematic);
  if (!inside(seconds, data.window)) return windowRefusal(id, seconds, kinematic);
  const value = explain(
    'viscosity to cup',
    'time',
    {
      kinematic: chosen('Kinematic viscosity', 'kinematic', kinematic, 'Asked for'),
      cup: workingDefault('Cup', 'factor', 1, 1 - CUP_TOLERANCE, 1 + CUP_TOLERANCE, 'Cups differ by ±10 %'),
    },
    (v) => secondsOf(data, v.kinematic / v.cup),
  );
  return accept(answer(id, value, seconds, kinematic));
}

/** Middle of the preferred seconds by ratio: √(20·60). */
const MIDDLE = Math.sqrt(PREFERRED_SECONDS.min * PREFERRED_SECONDS.max);

/** Cups that read a viscosity in their preferred window, best (nearest the middle) first. */
export function cupsFor(kinematic: KinematicViscosity, standard?: string): readonly CupId[] {
  if (!(kinematic > 0) || !Number.isFinite(kinematic)) return [];
  const off = (id: CupId) => Math.abs(Math.log(secondsOf(dataOf(id), kinematic) / MIDDLE));
  return CUP_IDS.filter((id) => standard === undefined || standardOf(id) === standard)
    .filter((id) => inside(secondsOf(dataOf(id), kinematic), preferredWindow(dataOf(id))))
    .sort((a, b) => off(a) - off(b));
}

/** Kinematic viscosity of a paint as a cup sees it: its low-shear reading over its density. */
export function kinematicOfPaint(lowShear: Viscosity, density: Density): KinematicViscosity {
  return quantity(lowShear / density);
}

export interface OwnCupVerdict {
  /** Seconds over the target's seconds. */
  readonly ratio: number;
  readonly verdict: 'thicker' | 'as wanted' | 'thinner';
  readonly preferred: boolean;
  readonly words: string;
}

/** How near two readings of an own cup count as the same. */
const SAME_SECONDS = 0.08;

/** An own cup gives seconds only: compared with the seconds the crew likes, never converted. */
export function compareOwnCup(
  seconds: Time,
  liked: Time,
  system: UnitSystem = 'metric',
): Result<OwnCupVerdict> {
  const bounds = { min: 2, max: 600 };
  const read = within(seconds, bounds, 'time', system, 'seconds', 'Cup time');
  if (!read.ok) return read;
  const target = within(liked, bounds, 'time', system, 'target', 'Wanted cup time');
  if (!target.ok) return target;
  const ratio = seconds / liked;
  const verdict = ratio > 1 + SAME_SECONDS ? 'thicker' : ratio < 1 - SAME_SECONDS ? 'thinner' : 'as wanted';
  const preferred = inside(seconds, { min: PREFERRED_SECONDS.ownMin, max: PREFERRED_SECONDS.max });
  return accept({
    ratio,
    verdict,
    preferred,
    words: preferred
      ? 'An own cup compares with its own seconds; it has no viscosity.'
      : `Outside ${PREFERRED_SECONDS.ownMin} to ${PREFERRED_SECONDS.max} s an own cup hardly tells paints apart. Take one with another hole.`,
  });
}
