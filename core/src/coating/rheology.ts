import { quantity, type Fraction, type Temperature, type Viscosity } from '../units';

/** Shear rates of the two data-sheet points: paddle viscometer (ASTM D562) and cone and plate (ASTM D4287). */
export const LOW_SHEAR = 100;
export const HIGH_SHEAR = 10_000;

/** Temperature coefficient B of ln η = ln η₀ + B(1/T − 1/T₀) where no readings say better. */
export const DEFAULT_TEMPERATURE_COEFFICIENT = 2800;
export const REFERENCE_TEMPERATURE = quantity<Temperature>(296.15);

/** Water at 23 °C (IAPWS: 0.932 mPa·s); mineral thinners are of the same order. */
export const THINNER_VISCOSITY = 0.00093;

/** What paint on a job can read and be: beyond it a value is a slip of the hand. SI. */
export const PAINT_LIMITS = {
  viscosity: { min: 1e-3, max: 100 },
  temperature: { min: 263.15, max: 323.15 },
  thinner: { min: 0, max: 0.5 },
} as const;

/** Power law η = K·γ^(n−1) with the high-shear value as floor above 10⁴ 1/s. */
export interface Rheology {
  readonly exponent: number;
  readonly consistency: number;
  readonly highShearViscosity: Viscosity;
}

/** Power law through the two data-sheet viscosities. 1.0 and 0.12 Pa·s give n = 0.5396, K = 8.333. */
export function powerLaw(lowShear: Viscosity, highShear: Viscosity): Rheology {
  const exponent = 1 + Math.log(highShear / lowShear) / Math.log(HIGH_SHEAR / LOW_SHEAR);
  return {
    exponent,
    consistency: lowShear * LOW_SHEAR ** (1 - exponent),
    highShearViscosity: highShear,
  };
}

/** Factor on a viscosity measured at `from` when the paint stands at `at` (Andrade). */
export function temperatureFactor(
  at: Temperature,
  from: Temperature = REFERENCE_TEMPERATURE,
  coefficient: number = DEFAULT_TEMPERATURE_COEFFICIENT,
): number {
  return Math.exp(coefficient * (1 / at - 1 / from));
}

/**
 * Viscosity after thinning by r volumes of thinner per volume of paint: ln η is mixed by volume fraction
 * x = r/(1+r). A starting point; latex often falls faster.
 */
export function thinnedViscosity(paint: Viscosity, thinnerPerPaint: Fraction): Viscosity {
  const share = thinnerPerPaint / (1 + thinnerPerPaint);
  return quantity(Math.exp((1 - share) * Math.log(paint) + share * Math.log(THINNER_VISCOSITY)));
}
