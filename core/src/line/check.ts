import { accept, firstRefusal, refuse, within, type Result, type UnitSystem } from '../units';
import type { Line } from './steadyState';

/** What a spray line can be made of, SI. Outside it a value is a slip of the hand. */
export const LINE_LIMITS = {
  length: { min: 0.1, max: 300 },
  bore: { min: 0.002, max: 0.025 },
  height: { min: -50, max: 100 },
  orifice: { min: 0.00015, max: 0.0016 },
  maxFlow: { min: 1e-6, max: 1e-3 },
  pressure: { min: 1e5, max: 6e7 },
  density: { min: 600, max: 3000 },
  viscosity: { min: 1e-4, max: 50 },
} as const;

const HOSES_LIMIT = 20;

/** Whether a line can exist at all; refuses at the field, with what is allowed. */
export function checkLine(line: Line, system: UnitSystem = 'metric'): Result<Line> {
  const { length, bore, height, orifice, maxFlow, density, viscosity } = LINE_LIMITS;
  if (line.hoses.length > HOSES_LIMIT) {
    return refuse('line.hoses', 'hoses', `At most ${HOSES_LIMIT} hoses in series.`);
  }
  const { highShearViscosity, exponent, consistency } = line.fluid.rheology;
  const failed = firstRefusal(
    ...line.hoses.flatMap((hose, index) => [
      within(hose.length, length, 'hoseLength', system, `hoses.${index}.length`, 'Hose length'),
      within(hose.bore, bore, 'bore', system, `hoses.${index}.bore`, 'Inside diameter'),
    ]),
    ...(line.gun
      ? [
          within(line.gun.length, { min: 0.01, max: 5 }, 'size', system, 'gun.length', 'Gun passage'),
          within(line.gun.bore, bore, 'bore', system, 'gun.bore', 'Gun passage'),
        ]
      : []),
    within(line.height, height, 'size', system, 'height', 'Gun above pump'),
    within(line.orifice, orifice, 'orifice', system, 'orifice', 'Orifice'),
    within(line.maxFlow, maxFlow, 'flow', system, 'maxFlow', 'What the pump gives'),
    within(line.fluid.density, density, 'density', system, 'density', 'Density'),
    within(
      highShearViscosity,
      viscosity,
      'viscosity',
      system,
      'viscosityHighShear',
      'Viscosity at high shear',
    ),
    within(
      consistency,
      { min: 1e-6, max: 1e5 },
      'factor',
      system,
      'viscosityLowShear',
      'Viscosity at low shear',
    ),
    within(exponent, { min: 0.05, max: 1.001 }, 'factor', system, 'viscosityLowShear', 'Shear thinning'),
  );
  return failed ?? accept(line);
}

/** A pressure somebody sets or reads. */
export function checkPressure(
  value: number,
  system: UnitSystem,
  field: string,
  label: string,
): Result<number> {
  return within(value, LINE_LIMITS.pressure, 'pressure', system, field, label);
}
