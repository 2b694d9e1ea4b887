import { isSameTip, type Tip } from '../tip';
import type { Pressure } from '../units';
import type { SetupRequest } from './request';

/** A set-up that was dialled in on a surface with test cards. */
export interface DialledIn {
  readonly tip: Tip;
  readonly gun: Pressure;
  readonly pump: Pressure;
  /** Milliseconds since 1970. */
  readonly at: number;
  /** The cards agreed. */
  readonly sure: boolean;
  /** With the machine and the hoses there are now: the setting of the pump holds as it was read. */
  readonly sameLine: boolean;
}

/** What a card says of it: the pump as it is to be set now, and what it yields to. */
export interface DialledInNow extends Omit<DialledIn, 'sameLine'> {
  /** `used`: it is the card's pressure. Else the range of the card stands. */
  readonly state: 'used' | 'over the limit' | 'unsure';
}

/** What the pressures of a card are: a range to look in, or what was measured. */
export const pressuresAre = ({ dialledIn }: { readonly dialledIn?: DialledInNow }): string =>
  dialledIn?.state === 'used' ? 'dialled in' : 'start to stop';

/** The tip that was dialled in last on a surface, by cards that agreed. */
export const tipDialledIn = ({ dialledIn = [] }: Pick<SetupRequest, 'dialledIn'>): Tip | undefined =>
  dialledIn.findLast(({ sure }) => sure)?.tip;

/** The last set-up dialled in with a tip, as it is now. */
export function dialledInWith(
  { dialledIn = [], sprayer }: Pick<SetupRequest, 'dialledIn' | 'sprayer'>,
  tip: Tip,
  pumpAt: (gun: number) => number,
): DialledInNow | undefined {
  const last = dialledIn.findLast((one) => isSameTip(one.tip, tip));
  if (!last) return undefined;
  const { sameLine, ...found } = last;
  const pump = (sameLine ? found.pump : pumpAt(found.gun)) as Pressure;
  const state = !found.sure ? 'unsure' : pump > sprayer.maxPressure ? 'over the limit' : 'used';
  return { ...found, pump, state };
}
