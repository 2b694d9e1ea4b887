import type { GunPoint } from '../simulation';

/** Shoulder to gun, m; how soon a body follows its gun, s; and the furthest a wrist is let swing (judgement). */
const ARM_LENGTH = 0.7;
const FOLLOWS = 1.5;
const FURTHEST = (40 * Math.PI) / 180;

/** Where a body stands: it follows the gun, later. */
export interface Body {
  readonly x: number;
  readonly y: number;
}

/** The body after a time, drawn to where the gun is. */
export function follow(body: Body, gun: Body, seconds: number): Body {
  const share = 1 - Math.exp(-seconds / FOLLOWS);
  return { x: body.x + share * (gun.x - body.x), y: body.y + share * (gun.y - body.y) };
}

/** How far a gun points aside where the wrist swings instead of the body moving: as the arm reaches beyond it, radians across the way. */
export function swing(body: Body, gun: Pick<GunPoint, 'x' | 'y' | 'orientation'>): number {
  // Through the sheet of the fan: a quarter turn on from its long axis.
  const aside = -(gun.x - body.x) * Math.sin(gun.orientation) + (gun.y - body.y) * Math.cos(gun.orientation);
  return Math.max(-FURTHEST, Math.min(FURTHEST, Math.atan2(aside, ARM_LENGTH)));
}
