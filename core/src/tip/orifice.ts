import { quantity, type Density, type Flow, type Length, type Pressure, type Viscosity } from '../units';

/** Discharge coefficient for water, and the range its rounding allows (0.31 US gal/min at 2,000 psi through 0.017 in). */
export const DISCHARGE = { likely: 0.8, low: 0.79, high: 0.82 } as const;

/** Length over diameter of the orifice land in the viscous correction. */
const LAND_RATIO = 0.5;

export interface OrificeFluid {
  readonly density: Density;
  /** Viscosity at the shear of the orifice, about 10⁶ 1/s. */
  readonly highShearViscosity: Viscosity;
}

export function orificeArea(diameter: Length): number {
  return (Math.PI / 4) * diameter * diameter;
}

/** Speed a loss-free jet would have, √(2 ΔP/ρ). */
function idealSpeed(drop: Pressure, density: Density): number {
  return Math.sqrt((2 * drop) / density);
}

/**
 * Discharge coefficient with the viscous correction 1/Cd' = 1/Cd + (20/Re)(1 + 2.25 L/d), Re on the ideal
 * speed (leading terms after Lichtarowicz, Duggins and Markland 1965, extrapolated to low Re).
 */
export function dischargeCoefficient(
  diameter: Length,
  drop: Pressure,
  fluid: OrificeFluid,
  waterCoefficient: number = DISCHARGE.likely,
): number {
  if (drop <= 0) return 0;
  const speed = idealSpeed(drop, fluid.density);
  const reynolds = (fluid.density * speed * diameter) / fluid.highShearViscosity;
  return 1 / (1 / waterCoefficient + (20 / reynolds) * (1 + 2.25 * LAND_RATIO));
}

/** Flow through an orifice, Q = Cd'·A·√(2ΔP/ρ), in m³/s; zero at or below zero pressure. */
export function orificeFlow(
  diameter: Length,
  drop: Pressure,
  fluid: OrificeFluid,
  waterCoefficient: number = DISCHARGE.likely,
): Flow {
  if (drop <= 0) return quantity(0);
  const coefficient = dischargeCoefficient(diameter, drop, fluid, waterCoefficient);
  return quantity(coefficient * orificeArea(diameter) * idealSpeed(drop, fluid.density));
}

/**
 * Pressure that drives a flow through an orifice: the inverse of `orificeFlow`, in closed form.
 * With U = Q/A and u the ideal speed, u²/(u/Cd + b) = U where b = 20(1 + 2.25 L/d)η/(ρd).
 */
export function pressureForFlow(
  diameter: Length,
  flow: Flow,
  fluid: OrificeFluid,
  waterCoefficient: number = DISCHARGE.likely,
): Pressure {
  if (flow <= 0) return quantity(0);
  const mean = flow / orificeArea(diameter);
  const viscous = (20 * (1 + 2.25 * LAND_RATIO) * fluid.highShearViscosity) / (fluid.density * diameter);
  const slope = mean / waterCoefficient;
  const ideal = (slope + Math.sqrt(slope * slope + 4 * mean * viscous)) / 2;
  return quantity((fluid.density / 2) * ideal * ideal);
}
