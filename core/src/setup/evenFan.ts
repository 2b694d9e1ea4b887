import { FAMILY_DATA, type TipFamily } from '../tip';
import { of, quantity, type Length, type Pressure, type Viscosity } from '../units';

const REFERENCE_VISCOSITY = 0.1;
const REFERENCE_ORIFICE = of(0.015, 'in');

/** How far the heuristic may be off, relative: the first card starts at the low end, the last is at the high end. */
export const EVEN_FAN_RANGE = { low: 0.8, high: 1.2 } as const;

/**
 * Gun pressure at which a family's fan is expected to be even:
 * P family·(η/0.1 Pa·s)^0.3·(d/0.015 in)^0.2, clamped to the family's band. Heuristic, ±20 %.
 */
export function evenFanPressure(family: TipFamily, orifice: Length, highShear: Viscosity): Pressure {
  const { evenFanPressure: reference, band } = FAMILY_DATA[family];
  const pressure =
    reference * (highShear / REFERENCE_VISCOSITY) ** 0.3 * (orifice / REFERENCE_ORIFICE) ** 0.2;
  return quantity(Math.min(band.high, Math.max(band.low, pressure)));
}
