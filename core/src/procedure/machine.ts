/** Where the hands and the pressure are at a step: drawn beside its words. */
export interface MachineState {
  readonly pump: 'off' | 'on';
  /** The valve that lets the pump circulate into the waste (prime) or feeds the hose (spray). */
  readonly valve: 'prime' | 'spray';
  readonly trigger: 'locked' | 'free' | 'held';
  /** Pressure in the hose: none, the lowest the knob gives, or for spraying. */
  readonly pressure: 'none' | 'low' | 'working';
  readonly tip: 'off' | 'on';
}

/** Relieved and locked: the only state in which hands come near the tip. */
export const SAFE: MachineState = {
  pump: 'off',
  valve: 'prime',
  trigger: 'locked',
  pressure: 'none',
  tip: 'off',
};
