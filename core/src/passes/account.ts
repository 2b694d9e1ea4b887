import { explain, chosen, given, type Explained, type Input } from '../explain';
import type { Speed } from '../units';
import { ARM } from './settings';

/** One pass of the gun, in metres on the piece. */
export interface PlannedPass {
  readonly kind: 'edge' | 'field';
  readonly from: { readonly x: number; readonly y: number };
  readonly to: { readonly x: number; readonly y: number };
  /** Stretches with the trigger open, m from the start. All begin and end off the piece or over an opening. */
  readonly open: readonly { readonly from: number; readonly to: number }[];
  /** Share of the open fan that is over the piece. */
  readonly overPiece: number;
  /** Which part of a composed piece it belongs to: a side of spindles, a part of a door. */
  readonly part?: string;
}

/** What a set of passes takes, each number with its inputs. */
export interface PassAccount {
  readonly travel: Explained;
  readonly triggerTime: Explained;
  /** With run-up, run-out and the moves between passes. */
  readonly gunTime: number;
  readonly paintOut: Explained;
  readonly overspray: Explained;
}

const lengthOf = ({ from, to }: PlannedPass) => Math.hypot(to.x - from.x, to.y - from.y);
export const openLength = ({ open }: PlannedPass) => open.reduce((sum, part) => sum + part.to - part.from, 0);

/** Run-up and run-out before and after a pass at speed, m. */
export function runUp(speed: number): number {
  return (speed * speed) / (2 * ARM.acceleration);
}

/** Way, time, paint and what misses the piece, of passes laid one after the other. */
export function accountFor(
  passes: readonly PlannedPass[],
  settings: { readonly gunSpeed: Speed; readonly flow: Input; readonly air: Input },
): PassAccount {
  const { gunSpeed, flow, air } = settings;
  const ramp = runUp(gunSpeed);
  let along = 0;
  let moves = 0;
  let open = 0;
  let over = 0;
  passes.forEach((pass, index) => {
    const next = passes[index + 1];
    along += lengthOf(pass) + 2 * ramp;
    open += openLength(pass);
    over += openLength(pass) * pass.overPiece;
    if (next) moves += Math.hypot(next.from.x - pass.to.x, next.from.y - pass.to.y);
  });
  const share = open > 0 ? over / open : 0;
  const speed = {
    ...chosen('Gun speed', 'speed', gunSpeed, 'Set-up'),
    low: gunSpeed * 0.9,
    high: gunSpeed * 1.1,
  };
  const length = given('Length with the trigger open', 'size', open, 'Passes of this plan');
  return {
    travel: explain(
      'gun travel',
      'reach',
      {
        passes: given('Passes with run-up and run-out', 'size', along, `${passes.length} passes`),
        moves: given('Moves between passes', 'size', moves, 'Straight from end to start'),
      },
      (v) => v.passes + v.moves,
    ),
    triggerTime: explain('trigger time', 'trigger', { length, speed }, (v) => v.length / v.speed),
    gunTime: along / gunSpeed + (passes.length * 2 * ramp) / gunSpeed + moves / ARM.moving,
    paintOut: explain('paint out', 'volume', { length, speed, flow }, (v) => (v.flow * v.length) / v.speed),
    overspray: explain(
      'overspray',
      'volume',
      {
        length,
        speed,
        flow,
        air,
        over: given('Share of the fan over the piece', 'percent', share, 'Passes of this plan'),
      },
      (v) => ((v.flow * v.length) / v.speed) * (1 - v.air * v.over),
    ),
  };
}
