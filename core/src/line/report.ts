import { powerLaw } from '../coating';
import { explain, given, workingDefault, type Explained, type Input } from '../explain';
import { DISCHARGE, pressureForFlow } from '../tip';
import {
  accept,
  firstRefusal,
  of,
  quantity,
  refuse,
  showText,
  within,
  type Flow,
  type Length,
  type Pressure,
  type Result,
  type UnitSystem,
} from '../units';
import { LINE_LIMITS, checkLine, checkPressure } from './check';
import { hoseLoss, liftPressure, type HoseRun } from './hose';
import { pumpForGun, steadyState, type Line, type SteadyState } from './steadyState';

/** A usual passage through gun, filter and tip holder; working default. */
export const GUN_PASSAGE: HoseRun = { length: of(150, 'mm'), bore: of(3 / 16, 'in') };

/** The line with the paint as inputs that carry their ranges. */
export interface LineRequest {
  readonly hoses: readonly HoseRun[];
  readonly gun?: HoseRun;
  readonly height: Length;
  readonly orifice: Length;
  readonly maxFlow: Flow;
  readonly lowShear: Input;
  readonly highShear: Input;
  readonly density: Input;
}

export interface LinePart {
  readonly name: string;
  readonly drop: Explained;
  /** Share of the pump pressure this part takes. */
  readonly share: number;
}

export interface LineReport {
  readonly pump: Explained;
  readonly gun: Explained;
  readonly flow: Explained;
  readonly triggerDuty: Explained;
  readonly flowLimited: boolean;
  /** Height, each hose, gun and tip in the order of the flow: they add up to the pump pressure. */
  readonly parts: readonly LinePart[];
  readonly words: string;
}

type Paint = Record<'low' | 'high' | 'density', number>;

export function lineWith(request: LineRequest, { low, high, density }: Paint): Line {
  return {
    hoses: request.hoses,
    ...(request.gun ? { gun: request.gun } : {}),
    height: request.height,
    orifice: request.orifice,
    maxFlow: request.maxFlow,
    fluid: { density: quantity(density), rheology: powerLaw(quantity(low), quantity(Math.min(high, low))) },
  };
}

function checked(request: LineRequest, system: UnitSystem): Result<Line> {
  const { lowShear, highShear, density } = request;
  const { viscosity } = LINE_LIMITS;
  const failed = firstRefusal(
    within(lowShear.value, viscosity, 'viscosity', system, 'viscosityLowShear', 'Viscosity at low shear'),
    within(highShear.value, viscosity, 'viscosity', system, 'viscosityHighShear', 'Viscosity at high shear'),
  );
  if (failed) return failed;
  if (highShear.value > lowShear.value) {
    return refuse(
      'line.viscosity',
      'viscosityHighShear',
      'Viscosity at high shear cannot be above the one at low shear. Check which reading is which.',
    );
  }
  return checkLine(
    lineWith(request, { low: lowShear.value, high: highShear.value, density: density.value }),
    system,
  );
}

/**
 * The whole line at a pump setting: gun pressure, flow, trigger duty and what each part takes.
 * @returns a refusal for a line or a setting that cannot be, or a lift the pump cannot reach
 */
export function lineAtPump(
  request: LineRequest,
  pump: Pressure,
  system: UnitSystem = 'metric',
): Result<LineReport> {
  const set = checkPressure(pump, system, 'pump', 'Pump setting');
  if (!set.ok) return set;
  const line = checked(request, system);
  if (!line.ok) return line;
  const lift = liftPressure(request.height, line.value.fluid.density);
  if (pump <= lift) {
    return refuse(
      'line.lift',
      'pump',
      `${showText(pump, 'pressure', system)} does not lift the paint that high: the height alone takes ${showText(lift, 'pressure', system)}.`,
    );
  }
  return accept(report(request, line.value, given('Pump setting', 'pressure', pump, 'Set'), system));
}

/**
 * The whole line for a pressure wanted at the gun: which pump setting gives it.
 * @returns a refusal when the tip asks for more than the pump gives at that pressure
 */
export function lineForGun(
  request: LineRequest,
  gun: Pressure,
  system: UnitSystem = 'metric',
): Result<LineReport> {
  const wanted = checkPressure(gun, system, 'gun', 'Gun pressure');
  if (!wanted.ok) return wanted;
  const line = checked(request, system);
  if (!line.ok) return line;
  const { pump, flow } = pumpForGun(line.value, gun);
  if (flow > request.maxFlow) {
    return refuse(
      'line.flow',
      'gun',
      `At ${showText(gun, 'pressure', system)} this tip takes ${showText(flow, 'flow', system)}, more than the pump's ${showText(request.maxFlow, 'flow', system)}: no setting holds that pressure. Fit a smaller tip.`,
    );
  }
  const set = checkPressure(pump, system, 'gun', 'The pump setting for it');
  if (!set.ok) return set;
  return accept(
    report(
      request,
      line.value,
      given('Pump setting', 'pressure', pump, 'For the gun pressure wanted'),
      system,
    ),
  );
}

function report(request: LineRequest, line: Line, pump: Input, system: UnitSystem): LineReport {
  const paint = { low: request.lowShear, high: request.highShear, density: request.density };
  const solved = (v: Paint & { pump: number }): SteadyState =>
    steadyState(lineWith(request, v), quantity(v.pump));
  const state = steadyState(line, quantity(pump.value));
  const inputs = { pump, ...paint };
  const duty = explain('trigger duty', 'percent', inputs, (v) => solved(v).triggerDuty);
  return {
    pump: explain('pump setting', 'pressure', { pump }, (v) => v.pump),
    gun: explain('gun pressure', 'pressure', inputs, (v) => solved(v).gun),
    flow: explain(
      'tip flow',
      'flow',
      {
        ...inputs,
        coefficient: workingDefault(
          'Discharge coefficient',
          'factor',
          DISCHARGE.likely,
          DISCHARGE.low,
          DISCHARGE.high,
          'Water through 0.017 in at 2,000 psi',
        ),
      },
      (v) => Math.min((solved(v).flow * v.coefficient) / DISCHARGE.likely, request.maxFlow),
    ),
    triggerDuty: { ...duty, high: Math.min(1, duty.high) },
    flowLimited: state.flowLimited,
    parts: partsOf(request, paint, line, state),
    words: wordsFor(state, system),
  };
}

/** What each part takes at the flow of the line; with the flow limited the pump falls to what they take. */
function partsOf(
  request: LineRequest,
  paint: Record<keyof Paint, Input>,
  line: Line,
  { flow, pump }: SteadyState,
): readonly LinePart[] {
  const part = (name: string, drop: (fluid: Line['fluid']) => number): LinePart => {
    const explained = explain('part loss', 'pressure', paint, (v) => drop(lineWith(request, v).fluid));
    return { name, drop: explained, share: explained.value / pump };
  };
  const passages = line.gun ? [line.gun] : [];
  return [
    part('Height', (fluid) => liftPressure(line.height, fluid.density)),
    ...line.hoses.map((hose, index) => part(`Hose ${index + 1}`, (fluid) => hoseLoss(hose, flow, fluid))),
    ...passages.map((gun) => part('Gun', (fluid) => hoseLoss(gun, flow, fluid))),
    part('Tip', ({ density: kilograms, rheology }) =>
      pressureForFlow(line.orifice, flow, {
        density: kilograms,
        highShearViscosity: rheology.highShearViscosity,
      }),
    ),
  ];
}

function wordsFor({ gun, flowLimited, triggerDuty, pump }: SteadyState, system: UnitSystem): string {
  const set = showText(pump, 'pressure', system);
  const has = showText(gun, 'pressure', system);
  if (!flowLimited) return `Set ${set} at the pump to have ${has} at the gun.`;
  return `The tip outruns the pump: ${set} sags to ${has} at the gun under the trigger. Fit a smaller tip, or trigger no more than ${Math.floor(triggerDuty * 100)} % of the time.`;
}
