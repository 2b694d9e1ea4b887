import { explain, type Explained } from '../explain';
import {
  accept,
  quantity,
  refuse,
  showText,
  type Flow,
  type Length,
  type Pressure,
  type Result,
  type UnitSystem,
} from '../units';
import { LINE_LIMITS, checkPressure } from './check';
import { hoseLoss, liftPressure, type HoseRun } from './hose';
import { lineForGun, lineWith, type LineReport, type LineRequest } from './report';
import { pumpForGun } from './steadyState';

/** A place along the line with the pressure there. */
export interface ProfilePoint {
  /** Metres of hose from the pump; the tip stands at the end of the last. */
  readonly at: number;
  readonly pressure: number;
  readonly part: string;
}

/**
 * Pressure from the pump to the open air, place by place: along each hose, through gun and tip. The height is taken off
 * along the hoses, by their length, as they climb.
 */
export function lineProfile(request: LineRequest, report: LineReport): readonly ProfilePoint[] {
  const total = request.hoses.reduce((sum, { length }) => sum + length, 0);
  const lift = report.parts.find(({ name }) => name === 'Height')?.drop.value ?? 0;
  // Where the tip outruns the pump its pressure falls to what the parts take together.
  const start = report.parts.reduce((sum, { drop }) => sum + drop.value, 0);
  const points: ProfilePoint[] = [{ at: 0, pressure: start, part: 'Pump' }];
  let at = 0;
  let pressure = start;
  for (const { name, drop } of report.parts) {
    const hose = /^Hose (\d+)$/.exec(name);
    if (name === 'Height') {
      if (total === 0) pressure -= lift;
      continue;
    }
    const run = hose ? request.hoses[Number(hose[1]) - 1] : undefined;
    if (run) {
      at += run.length;
      pressure -= drop.value + (lift * run.length) / total;
    } else pressure -= drop.value;
    points.push({ at, pressure: Math.abs(pressure) < 1 ? 0 : pressure, part: name });
  }
  return points;
}

export interface LongestHose {
  readonly length: Explained;
  readonly words: string;
}

/**
 * The longest hose of one bore with which the pump still has a pressure at the gun: what is left after gun, height and the
 * other parts, over the loss of a metre at that flow.
 * @param rest parts of the line besides the hose asked for
 * @returns a refusal when the pump does not reach that pressure with no hose at all
 */
export function longestHose(
  request: LineRequest,
  bore: Length,
  gun: Pressure,
  maxPressure: Pressure,
  system: UnitSystem = 'metric',
): Result<LongestHose> {
  const bare: LineRequest = { ...request, hoses: [{ length: quantity(LINE_LIMITS.length.min), bore }] };
  const checked = lineForGun(bare, gun, system);
  if (!checked.ok) return checked;
  const most = checkPressure(maxPressure, system, 'maxPressure', 'Highest pressure');
  if (!most.ok) return most;
  const paint = { low: request.lowShear, high: request.highShear, density: request.density };
  const lengthFor = (v: Record<keyof typeof paint, number>): number => {
    const line = lineWith({ ...request, hoses: [] }, v);
    const { pump, flow } = pumpForGun(line, gun);
    return Math.max(0, (maxPressure - pump) / perMetre(bore, flow, line.fluid));
  };
  const length = explain('longest hose', 'hoseLength', paint, lengthFor);
  if (!(length.value > 0)) {
    return refuse(
      'line.none',
      'gun',
      `The pump does not reach ${showText(gun, 'pressure', system)} at the gun even without a hose: the height alone takes ${showText(liftPressure(request.height, quantity(request.density.value)), 'pressure', system)}.`,
    );
  }
  return accept({
    length,
    words: `Up to about ${showText(length.value, 'hoseLength', system)} of this bore, ${showText(length.low, 'hoseLength', system)} to be safe.`,
  });
}

const perMetre = (bore: Length, flow: Flow, fluid: Parameters<typeof hoseLoss>[2]): number =>
  hoseLoss({ length: quantity(1), bore } satisfies HoseRun, flow, fluid);
