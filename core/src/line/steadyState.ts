import { orificeFlow, pressureForFlow, type OrificeFluid } from '../tip';
import { quantity, type Flow, type Length, type Pressure } from '../units';
import { liftPressure, lineLoss, type HoseRun, type LineFluid } from './hose';

export interface Line {
  readonly hoses: readonly HoseRun[];
  /** Passage through gun and gun filter, as a short hose; none where it is not known. */
  readonly gun?: HoseRun;
  /** Gun above pump. */
  readonly height: Length;
  readonly orifice: Length;
  readonly fluid: LineFluid;
  /** What the pump can deliver at most. */
  readonly maxFlow: Flow;
}

export interface SteadyState {
  readonly pump: Pressure;
  readonly gun: Pressure;
  readonly flow: Flow;
  readonly hoseLoss: Pressure;
  /** The tip asks for more than the pump gives, so pressure sags under the trigger. */
  readonly flowLimited: boolean;
  /** Share of the time the trigger may be held without sag; 1 when the pump keeps up. */
  readonly triggerDuty: number;
}

function tipFluid({ density, rheology }: LineFluid): OrificeFluid {
  return { density, highShearViscosity: rheology.highShearViscosity };
}

/** Every run the paint goes through. */
export function runsOf({ hoses, gun }: Pick<Line, 'hoses' | 'gun'>): readonly HoseRun[] {
  return gun ? [...hoses, gun] : hoses;
}

/** Pump pressure that gives a gun pressure, ignoring the pump's flow limit: direct, no iteration. */
export function pumpForGun(line: Line, gun: Pressure): { pump: Pressure; flow: Flow; hoseLoss: Pressure } {
  const flow = orificeFlow(line.orifice, gun, tipFluid(line.fluid));
  const loss = lineLoss(runsOf(line), flow, line.fluid);
  const pump = quantity<Pressure>(gun + loss + liftPressure(line.height, line.fluid.density));
  return { pump, flow, hoseLoss: loss };
}

/**
 * Root of an increasing function on a bracket, by false position (Illinois) with a bisection every fourth step, so that
 * the bracket closes in any case. Programmer error (throws) when the ends do not bracket a root: an unbracketed root
 * would otherwise come back as an end of the interval.
 */
export function bracketedRoot(
  f: (x: number) => number,
  low: number,
  high: number,
  tolerance: number,
): number {
  let a = low;
  let b = high;
  let fa = f(a);
  let fb = f(b);
  if (!(fa <= 0 && fb >= 0)) throw new Error('bracketedRoot: the interval does not bracket a root');
  let above = false;
  let below = false;
  for (let step = 1; b - a > tolerance; step += 1) {
    const between = (a * fb - b * fa) / (fb - fa);
    const closing = step % 4 === 0 || !(between > a && between < b);
    // Half a tolerance off both ends, so that a good guess closes the bracket from its other side.
    const x = closing ? (a + b) / 2 : Math.min(b - tolerance / 2, Math.max(a + tolerance / 2, between));
    const fx = f(x);
    if (fx > 0) {
      b = x;
      fb = fx;
      if (above) fa /= 2;
      above = true;
      below = false;
    } else {
      a = x;
      fa = fx;
      if (below) fb /= 2;
      below = true;
      above = false;
    }
  }
  return (a + b) / 2;
}

/**
 * Gun pressure and flow for a pump setting: pump = hose loss(Q) + lift + gun pressure(Q), monotone in Q.
 * When the tip wants more than the pump delivers the flow is the pump's limit and the gun pressure is what
 * that flow drives through the tip. A lift the pump cannot reach gives no flow.
 */
export function steadyState(line: Line, pump: Pressure): SteadyState {
  const available = pump - liftPressure(line.height, line.fluid.density);
  if (available <= 0) {
    const none = quantity<Pressure>(0);
    return { pump, gun: none, flow: quantity(0), hoseLoss: none, flowLimited: false, triggerDuty: 1 };
  }
  const excess = (gun: number) => pumpForGun(line, quantity(gun)).pump - pump;
  const gun = quantity<Pressure>(excess(available) <= 0 ? available : bracketedRoot(excess, 0, available, 1));
  const { flow, hoseLoss } = pumpForGun(line, gun);
  if (flow <= line.maxFlow) return { pump, gun, flow, hoseLoss, flowLimited: false, triggerDuty: 1 };
  const limited = pressureForFlow(line.orifice, line.maxFlow, tipFluid(line.fluid));
  return {
    pump,
    gun: limited,
    flow: line.maxFlow,
    hoseLoss: lineLoss(runsOf(line), line.maxFlow, line.fluid),
    flowLimited: true,
    triggerDuty: line.maxFlow / flow,
  };
}
