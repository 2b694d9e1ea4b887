import { checkLine, steadyState, type Line } from '../line';
import { normal, seeded } from '../random';
import { accept, of, quantity, within, type Pressure, type Result, type UnitSystem } from '../units';

/** Faults the stand-in can play. */
export const GAUGE_FAULTS = {
  none: 'No fault',
  'blocked filter': 'Gun filter blocked',
  'worn packing': 'Packings worn',
  'empty container': 'Container runs empty',
} as const;
export type GaugeFault = keyof typeof GAUGE_FAULTS;
export const GAUGE_FAULT_IDS = Object.keys(GAUGE_FAULTS) as [GaugeFault, ...GaugeFault[]];

export interface GaugeOrder {
  readonly line: Line;
  /** Knob of the pump. */
  readonly setting: Pressure;
  readonly triggerHeld: boolean;
  readonly fault: GaugeFault;
  readonly seed: number;
}

/** What the gauges at pump and gun read at one moment. */
export interface GaugeReading {
  /** Ticks since the stream began. */
  readonly tick: number;
  readonly pump: number;
  readonly gun: number;
}

/** Readings a second. */
export const GAUGE_RATE = 4;

/** How the stand-in behaves; judgement, to look like a real one. */
const BEHAVES = {
  /** Seconds in which a change settles to 1/e. */
  lag: 0.4,
  /** Swing of a sound pump between strokes under the trigger, and strokes a second. */
  stroke: 0.015,
  strokes: 0.9,
  noise: 0.004,
  /** Share of the gun's pressure a blocked filter takes. */
  blocked: 0.35,
  wornSwing: 0.12,
  wornLoss: 0.1,
  /** Seconds until an empty container shows, and in which the pressure then goes. */
  emptyAfter: 3,
  emptyWithin: 2,
} as const;

/** Pressures once all has settled. */
function settled({ line, setting, triggerHeld, fault }: GaugeOrder): { pump: number; gun: number } {
  const knob = quantity<Pressure>(setting * (fault === 'worn packing' ? 1 - BEHAVES.wornLoss : 1));
  if (!triggerHeld) return { pump: knob, gun: knob };
  const state = steadyState(line, knob);
  // Where the tip outruns the pump the pump sags to what hose and tip take.
  const pump = state.flowLimited ? Math.min(knob, state.gun + state.hoseLoss) : knob;
  return { pump, gun: state.gun * (fault === 'blocked filter' ? 1 - BEHAVES.blocked : 1) };
}

/** Whether a gauge can follow this; refuses at the field. */
export function checkGauge(order: GaugeOrder, system: UnitSystem = 'metric'): Result<GaugeOrder> {
  const set = within(
    order.setting,
    { min: of(5, 'bar'), max: of(600, 'bar') },
    'pressure',
    system,
    'setting',
    'Pump setting',
  );
  if (!set.ok) return set;
  const line = checkLine(order.line, system);
  return line.ok ? accept(order) : line;
}

/**
 * The stand-in for a gauge at pump and gun: settles to what the line's steady state says, with noise, the strokes of the
 * pump and the fault it plays. The same order and tick give the same reading.
 */
export function gaugeAt(order: GaugeOrder, tick: number): GaugeReading {
  const seconds = tick / GAUGE_RATE;
  const { pump, gun } = settled(order);
  const { fault, triggerHeld, seed } = order;
  const rise = 1 - Math.exp(-(seconds + 1 / GAUGE_RATE) / BEHAVES.lag);
  const swing = triggerHeld ? (fault === 'worn packing' ? BEHAVES.wornSwing : BEHAVES.stroke) : 0;
  const stroke = 1 + swing * Math.sin(2 * Math.PI * BEHAVES.strokes * seconds);
  const empty =
    fault === 'empty container' && seconds > BEHAVES.emptyAfter
      ? Math.exp(-(seconds - BEHAVES.emptyAfter) / BEHAVES.emptyWithin)
      : 1;
  const random = seeded(Math.imul(seed + 1, 2654435761) ^ tick);
  const read = (pressure: number) =>
    Math.max(0, pressure * rise * stroke * empty * (1 + BEHAVES.noise * normal(random)));
  return { tick, pump: read(pump), gun: read(gun) };
}
