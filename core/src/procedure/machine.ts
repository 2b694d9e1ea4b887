import type { Power } from '../safety';
import type { Side } from '../takeoff';
import type { Fluid } from './fluids';

/** Pressure left in a part: none, what nobody has looked at, the lowest the knob gives, or that for spraying. */
export type Pressure = 'none' | 'unknown' | 'low' | 'working';

/**
 * A sprayer with everything that can hurt somebody or spoil it: where its hands, fluids and pressures are. Each field
 * is changed by actions only (`actions.ts`), and held by rules (`rules.ts`).
 */
export interface Machine {
  /** Goggles, gloves and respirator on. */
  readonly wear: boolean;
  /** No flame or spark near, air moving, extinguisher at hand. */
  readonly air: boolean;
  /** Sprayer, paint pail and metal waste container grounded. */
  readonly grounded: boolean;
  /** The sprayer stands where its engine or its plug may be. */
  readonly stands: boolean;
  /** Plug in, or engine running. */
  readonly power: 'off' | 'on';
  readonly pump: 'off' | 'on';
  readonly knob: 'lowest' | 'working';
  /** The valve that lets the pump circulate through the return (prime) or feeds the hose (spray). */
  readonly valve: 'prime' | 'spray';
  readonly trigger: 'locked' | 'free' | 'held';
  /** Where the gun is: laid down, against the wall of the waste container, over the paint container, or at the work. */
  readonly gun: 'down' | 'waste' | 'paint' | 'work';
  /** The tip, and which way it is turned: its arrow forward, or backward to blow out a lump. */
  readonly tip: 'off' | 'forward' | 'turned';
  readonly guard: 'off' | 'on';
  /** Hose ends and gun: not looked at, or tight and whole. */
  readonly hose: 'unseen' | 'tight';
  /** Strainer and filters: not looked at, out of the machine, or clean and in. */
  readonly filters: 'unseen' | 'out' | 'clean';
  /** Pump lubricant on the packing today. */
  readonly lubricated: boolean;
  /** What the suction tube stands in. */
  readonly suction: Fluid | 'air';
  /** What the return tube is in: nothing, the waste container, or clipped to the suction in the paint. */
  readonly returns: 'loose' | 'waste' | 'paint';
  /** The waste container set out: named by the fluid that is brought through. */
  readonly waste: Fluid | 'none';
  readonly inPump: Fluid;
  readonly inHose: Fluid;
  readonly inGun: Fluid;
  readonly pumpPressure: Pressure;
  readonly hosePressure: Pressure;
  /** What has run into each waste container so far. */
  readonly wastes: Readonly<Partial<Record<Fluid, readonly Fluid[]>>>;
}

/** What does not change while a machine is worked on. */
export interface MachineSite {
  readonly power: Power;
  readonly side: Side;
  /** The coating of the job, as a fluid. */
  readonly paint: Fluid;
}

/** A machine that somebody has left, with this in it: nothing else of it is known, so the worst is taken. */
export const leftWith = (fluid: Fluid): Machine => ({
  wear: false,
  air: false,
  grounded: false,
  stands: false,
  power: 'on',
  pump: 'on',
  knob: 'working',
  valve: 'spray',
  trigger: 'free',
  gun: 'down',
  tip: 'forward',
  guard: 'on',
  hose: 'unseen',
  filters: 'unseen',
  lubricated: false,
  suction: 'air',
  returns: 'loose',
  waste: 'none',
  inPump: fluid,
  inHose: fluid,
  inGun: fluid,
  pumpPressure: 'unknown',
  hosePressure: 'unknown',
  wastes: {},
});

/** A machine at work: the trigger let go after a stroke, a waste container for its coating beside it. */
export const spraying = (fluid: Fluid): Machine => ({
  ...leftWith(fluid),
  wear: true,
  air: true,
  grounded: true,
  stands: true,
  gun: 'work',
  hose: 'tight',
  filters: 'clean',
  lubricated: true,
  suction: fluid,
  returns: 'paint',
  waste: fluid,
  pumpPressure: 'working',
  hosePressure: 'working',
});

/** The gun put down: relieved and locked, paint behind it, tip and guard on. */
export const resting = (fluid: Fluid): Machine => ({
  ...spraying(fluid),
  pump: 'off',
  knob: 'lowest',
  valve: 'prime',
  trigger: 'locked',
  gun: 'down',
  pumpPressure: 'none',
  hosePressure: 'none',
});

/** Whether hands may come near tip, guard, hose ends and filters. */
export const isRelieved = ({
  pump,
  trigger,
  pumpPressure,
  hosePressure,
}: Pick<Machine, 'pump' | 'trigger' | 'pumpPressure' | 'hosePressure'>): boolean =>
  pump === 'off' && trigger === 'locked' && pumpPressure === 'none' && hosePressure === 'none';
