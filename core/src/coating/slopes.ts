import type { Explained, Input } from '../explain';
import { given, workingDefault } from '../explain';
import {
  accept,
  counted,
  firstRefusal,
  refuse,
  within,
  type Fraction,
  type Result,
  type Temperature,
  type UnitSystem,
  type Viscosity,
} from '../units';
import {
  DEFAULT_TEMPERATURE_COEFFICIENT,
  PAINT_LIMITS,
  REFERENCE_TEMPERATURE,
  THINNER_VISCOSITY,
} from './rheology';

/** How thinner and cold change a paint: k of ln η = ln η₀ − k·x and B of ln η = ln η₀ + B(1/T − 1/T₀). */
export interface PaintSlopes {
  readonly thinning: Input;
  readonly temperature: Input;
}

/** Default k of a paint by log mixing with its thinner: ln(η paint ÷ η thinner). */
export function defaultThinningSlope(paint: Viscosity): number {
  return Math.log(paint / THINNER_VISCOSITY);
}

/** Ranges of the defaults: latex often falls faster than log mixing; B of common paints. */
const DEFAULT_RANGE = { thinning: [0.85, 1.7], temperature: [2000, 3600] } as const;

/** Slopes of a paint nobody has measured yet. */
export function usualSlopes(paint: Viscosity): PaintSlopes {
  const k = defaultThinningSlope(paint);
  const [lowK, highK] = DEFAULT_RANGE.thinning;
  const [lowB, highB] = DEFAULT_RANGE.temperature;
  return {
    thinning: workingDefault(
      'How fast thinner thins (k)',
      'slope',
      k,
      k * lowK,
      k * highK,
      'Log mixing by volume',
    ),
    temperature: workingDefault(
      'How fast cold thickens (B)',
      'temperatureSlope',
      DEFAULT_TEMPERATURE_COEFFICIENT,
      lowB,
      highB,
    ),
  };
}

/** One viscosity reading of the crew: at the temperature of the paint, with so much thinner in it. */
export interface ViscosityReading {
  readonly viscosity: Viscosity;
  readonly temperature: Temperature;
  /** Thinner per volume of paint in it when read. */
  readonly thinner: Fraction;
}

export interface FittedSlopes {
  readonly thinning: Explained;
  readonly temperature: Explained;
  /** Unthinned paint at 23 °C by the fit. */
  readonly viscosity: number;
  readonly readings: number;
}

/** Spread of one cup reading in ln η, and how firmly the defaults hold before there are readings. */
const SPREAD = { reading: 0.1, paint: 0.5, thinning: 0.3, temperature: 500 } as const;
/** Residuals beyond so many spreads are weighted down (Huber). */
const HUBER = 1.345;
const ROUNDS = 20;

type Triple = readonly [number, number, number];

/** Inverse of a symmetric positive definite 3 × 3 matrix by cofactors. */
function invert([[a, b, c], [, d, e], [, , f]]: readonly [Triple, Triple, Triple]): [Triple, Triple, Triple] {
  const A = d * f - e * e;
  const B = c * e - b * f;
  const C = b * e - c * d;
  const determinant = a * A + b * B + c * C;
  return [
    [A / determinant, B / determinant, C / determinant],
    [B / determinant, (a * f - c * c) / determinant, (b * c - a * e) / determinant],
    [C / determinant, (b * c - a * e) / determinant, (a * d - b * b) / determinant],
  ];
}

const dot = (a: Triple, b: Triple) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];

/** Ridge regression towards `prior` with spreads; rows are [1, −x, 1000 z], target ln η. Huber weights. */
function fit(rows: readonly { row: Triple; y: number }[], prior: Triple, spreads: Triple) {
  let estimate: Triple = prior;
  let covariance: readonly [Triple, Triple, Triple] = [prior, prior, prior];
  for (let round = 0; round < ROUNDS; round += 1) {
    const m = [0, 1, 2].map((i) => [0, 1, 2].map((j) => (i === j ? (spreads[i] ?? 1) ** -2 : 0)));
    const right = [0, 1, 2].map((i) => (prior[i] ?? 0) * (spreads[i] ?? 1) ** -2);
    for (const { row, y } of rows) {
      const residual = Math.abs(y - dot(row, estimate)) / SPREAD.reading;
      const weight = Math.min(1, HUBER / Math.max(residual, 1e-12)) / SPREAD.reading ** 2;
      for (let i = 0; i < 3; i += 1) {
        right[i] = (right[i] ?? 0) + weight * (row[i] ?? 0) * y;
        const line = m[i] ?? [];
        for (let j = 0; j < 3; j += 1) line[j] = (line[j] ?? 0) + weight * (row[i] ?? 0) * (row[j] ?? 0);
      }
    }
    covariance = invert(m as unknown as [Triple, Triple, Triple]);
    const sums = right as unknown as Triple;
    estimate = [dot(covariance[0], sums), dot(covariance[1], sums), dot(covariance[2], sums)];
  }
  return { estimate, covariance };
}

/** Scale that brings B near one in the regression. */
const KELVIN = 1000;

/**
 * k and B of a paint from the crew's own readings, held by the defaults: few readings move them little, many decide.
 * @param paint unthinned low-shear viscosity at 23 °C by data sheet or default
 * @returns a refusal without readings, or at the reading that cannot be
 */
export function fitSlopes(
  paint: Viscosity,
  readings: readonly ViscosityReading[],
  system: UnitSystem = 'metric',
): Result<FittedSlopes> {
  if (readings.length === 0) {
    return refuse('fit.none', 'readings', 'There are no readings yet: measure before and after thinning.');
  }
  for (const [index, { viscosity, temperature, thinner }] of readings.entries()) {
    const at = `readings.${index}`;
    const failed = firstRefusal(
      within(viscosity, PAINT_LIMITS.viscosity, 'viscosity', system, `${at}.viscosity`, 'Viscosity'),
      within(
        temperature,
        PAINT_LIMITS.temperature,
        'temperature',
        system,
        `${at}.temperature`,
        'Temperature',
      ),
      within(thinner, { min: 0, max: 1 }, 'percent', system, `${at}.thinner`, 'Thinner per paint'),
    );
    if (failed) return failed;
  }
  const usual = usualSlopes(paint);
  const k0 = usual.thinning.value;
  const rows = readings.map(({ viscosity, temperature, thinner }) => ({
    row: [1, 1 / (1 + thinner) - 1, KELVIN * (1 / temperature - 1 / REFERENCE_TEMPERATURE)] as const,
    y: Math.log(viscosity),
  }));
  const prior = [Math.log(paint), k0, usual.temperature.value / KELVIN] as const;
  const { estimate, covariance } = fit(rows, prior, [
    SPREAD.paint,
    SPREAD.thinning * k0,
    SPREAD.temperature / KELVIN,
  ]);
  const count = given('Readings', 'count', readings.length, 'Viscosity records of this coating');
  const learned = (
    formula: 'thinning slope learned' | 'temperature slope learned',
    input: Input,
    at: 1 | 2,
  ): Explained => {
    const scale = at === 2 ? KELVIN : 1;
    const half = 2 * Math.sqrt(covariance[at][at]) * scale;
    const value = estimate[at] * scale;
    return {
      value,
      low: value - half,
      high: value + half,
      kind: input.kind,
      formula,
      inputs: [count, input],
      basis: 'history',
    };
  };
  return accept({
    thinning: learned('thinning slope learned', usual.thinning, 1),
    temperature: learned('temperature slope learned', usual.temperature, 2),
    viscosity: Math.exp(estimate[0]),
    readings: readings.length,
  });
}

/** Fitted slopes as inputs of the next thinning. */
export function slopesFrom({ thinning, temperature, readings }: FittedSlopes): PaintSlopes {
  const source = `${counted(readings, 'reading')} of this crew`;
  const input = (label: string, { kind, value, low, high }: Explained): Input => ({
    label,
    kind,
    value,
    low,
    high,
    basis: 'history',
    source,
  });
  return {
    thinning: input('How fast thinner thins (k)', thinning),
    temperature: input('How fast cold thickens (B)', temperature),
  };
}
