import type { Rheology } from '../coating';
import {
  GRAVITY,
  quantity,
  type Density,
  type Flow,
  type Length,
  type Pressure,
  type Volume,
} from '../units';

export interface HoseRun {
  readonly length: Length;
  readonly bore: Length;
}

export interface LineFluid {
  readonly density: Density;
  readonly rheology: Rheology;
}

/** Mean speed and (8V/D)(3n+1)/(4n), the wall shear rate of a power-law fluid (Rabinowitsch–Mooney). */
function wallShearRate(flow: Flow, bore: Length, exponent: number): { speed: number; shear: number } {
  const speed = flow / ((Math.PI / 4) * bore * bore);
  return { speed, shear: ((3 * exponent + 1) / (4 * exponent)) * ((8 * speed) / bore) };
}

/** Reynolds number of Metzner and Reed (1955) for a power-law fluid in a pipe. */
export function metznerReedReynolds(flow: Flow, bore: Length, { density, rheology }: LineFluid): number {
  const { exponent: n, consistency } = rheology;
  const { speed } = wallShearRate(flow, bore, n);
  const shape = ((3 * n + 1) / (4 * n)) ** n;
  return (density * speed ** (2 - n) * bore ** n) / (8 ** (n - 1) * consistency * shape);
}

/** Reynolds number at which laminar flow of a power-law fluid ends (Ryan and Johnson 1959). 2,100 for n = 1. */
export function laminarLimit(exponent: number): number {
  const n = exponent;
  return (6464 * n * (2 + n) ** ((2 + n) / (1 + n))) / (3 * n + 1) ** 2;
}

/** Fanning friction factor of turbulent power-law flow (Dodge and Metzner 1959), by fixed-point iteration. */
function turbulentFriction(reynolds: number, exponent: number): number {
  const n = exponent;
  let inverseRoot = 10;
  for (let round = 0; round < 60; round += 1) {
    const friction = 1 / inverseRoot ** 2;
    const next = (4 / n ** 0.75) * Math.log10(reynolds * friction ** (1 - n / 2)) - 0.4 / n ** 1.2;
    if (Math.abs(next - inverseRoot) < 1e-10) return 1 / next ** 2;
    inverseRoot = Math.max(next, 1);
  }
  return 1 / inverseRoot ** 2;
}

/** Pressure lost along one hose at a flow, Pa. Laminar by τw = K·γw^n; above the limit the larger of both laws. */
export function hoseLoss(hose: HoseRun, flow: Flow, fluid: LineFluid): Pressure {
  if (flow <= 0 || hose.length <= 0) return quantity(0);
  const { exponent, consistency } = fluid.rheology;
  const { speed, shear } = wallShearRate(flow, hose.bore, exponent);
  const laminar = (4 * hose.length * consistency * shear ** exponent) / hose.bore;
  const reynolds = metznerReedReynolds(flow, hose.bore, fluid);
  if (reynolds <= laminarLimit(exponent)) return quantity(laminar);
  const friction = turbulentFriction(reynolds, exponent);
  const turbulent = (2 * friction * hose.length * fluid.density * speed * speed) / hose.bore;
  return quantity(Math.max(laminar, turbulent));
}

/** Pressure lost along hoses in series: the losses add, whatever their order. */
export function lineLoss(hoses: readonly HoseRun[], flow: Flow, fluid: LineFluid): Pressure {
  return quantity(hoses.reduce((sum, hose) => sum + hoseLoss(hose, flow, fluid), 0));
}

/** Pressure to lift paint by a height (gun above pump positive), ρgz. */
export function liftPressure(height: Length, density: Density): Pressure {
  return quantity(density * GRAVITY * height);
}

/** What the hoses hold. */
export function hoseVolume(hoses: readonly HoseRun[]): Volume {
  return quantity(hoses.reduce((sum, { length, bore }) => sum + (Math.PI / 4) * bore * bore * length, 0));
}
