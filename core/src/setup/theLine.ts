import { GUN_PASSAGE, type Line } from '../line';
import type { Length } from '../units';
import type { SetupRequest } from './request';

/** The line of a job from pump to tip: its hoses, the passage of the gun, and an orifice. */
export const lineThrough = (
  { hoses, lift, sprayer }: SetupRequest,
  fluid: Line['fluid'],
  orifice: Length,
): Line => ({ hoses, gun: GUN_PASSAGE, height: lift, orifice, fluid, maxFlow: sprayer.maxFlow });
