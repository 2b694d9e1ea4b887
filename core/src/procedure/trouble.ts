import type { ProcedureKind } from './steps';

/** What goes wrong with a machine under the hands, with what to try in its order. Working knowledge of the trade, in our words. */
export interface Remedy {
  readonly what: string;
  readonly why: string;
  /**
   * How the machine stands for it: the gun put down where hands come near tip, joints, filters or pump; or as it is,
   * where something is looked at under pressure.
   */
  readonly stand: 'down' | 'as it is';
  /** The list it is done by. */
  readonly list?: Extract<ProcedureKind, 'clog'> | undefined;
}

export interface Trouble {
  readonly name: string;
  readonly looks: string;
  /** Where the first thing is to stop. */
  readonly danger?: string | undefined;
  readonly tries: readonly Remedy[];
}

const down = (what: string, why: string): Remedy => ({ what, why, stand: 'down' });
const asItIs = (what: string, why: string): Remedy => ({ what, why, stand: 'as it is' });

export const TROUBLES: Record<
  | 'clogged tip'
  | 'dripping gun'
  | 'leak'
  | 'leak at the guard'
  | 'leak at the packing'
  | 'no suction'
  | 'runs on'
  | 'low pressure',
  Trouble
> = {
  leak: {
    name: 'Leak at a hose or joint',
    looks: 'Paint drips or sprays where no paint should be, or the hose has a bulge.',
    danger: 'Stop: let go, lock, pump off. Never feel for it, wrap it or tape it.',
    tries: [
      down(
        'Tighten the joint with two spanners.',
        'A joint tightened under pressure can let go in your hand.',
      ),
      down('Clean both faces, look at the seal, put it together again.', 'Dry paint holds a joint open.'),
      down(
        'Hose cut, bulged or kinked: scrap it and fit a whole one.',
        'It is never taped, clamped or cut shorter: it bursts at the next stroke.',
      ),
    ],
  },
  'clogged tip': {
    name: 'Tip clogged',
    looks: 'Fan narrow, split, to one side, or nothing at all.',
    tries: [
      {
        what: 'Blow the lump out with the tip turned.',
        why: 'It goes out the way it came in.',
        stand: 'as it is',
        list: 'clog',
      },
      down(
        'Tip out, soak and brush it from the front; look through it against light.',
        'A rim of dry paint stays when the lump goes.',
      ),
      down(
        'Gun filter out: clean it, or fit the mesh this orifice wants. Strain the paint.',
        'Whatever clogs twice comes through the filter or from the container.',
      ),
    ],
  },
  'dripping gun': {
    name: 'Gun drips when the trigger is closed',
    looks: 'Paint runs from the tip after each stroke.',
    danger: 'Stop: its lock does not hold it shut. Do not spray until it is mended and has been tried.',
    tries: [
      down(
        'Flush the gun and work the trigger under flush fluid.',
        'A grain on the needle seat holds it open.',
      ),
      down('Set the trigger or needle as the sheet of the gun says.', 'A needle set too long never closes.'),
      down('New needle and seat.', 'Worn ones leak at full pressure however clean they are.'),
    ],
  },
  'leak at the guard': {
    name: 'Leaks between gun and guard',
    looks: 'Paint comes out behind the tip, spits beside the fan.',
    danger: 'Stop: let go, lock, pump off. Never a hand near it.',
    tries: [
      down(
        'Tip seal out: the one this tip family seats on, the right way round.',
        'A seal of another family leaks at full pressure.',
      ),
      down(
        'Clean seat and thread, guard on straight, hand tight, arrow forward.',
        'Dry paint under the seal holds it off its seat.',
      ),
      down('New seal; solvent-proof ring for a solvent-borne coating.', 'Rings swell, harden and crack.'),
    ],
  },
  'leak at the packing': {
    name: 'Leak at the packing of the pump',
    looks: 'Paint climbs out where the rod goes into the pump, and stands in the lubricant.',
    danger: 'Stop: let go, lock, pump off. Never a hand near the rod while it can move.',
    tries: [
      down(
        'Wipe it dry, fresh lubricant on, and look whether it comes again.',
        'A little that seeps past a dry packing ends with lubricant.',
      ),
      down(
        'Packing nut as far as the manual of the pump says, no further.',
        'Too tight it runs hot and scores the rod.',
      ),
      down(
        'New packings, by whoever services the sprayer.',
        'A worn packing lets paint out and air in, and pressure falls.',
      ),
    ],
  },
  'no suction': {
    name: 'Pump draws no paint',
    looks: 'It runs, but nothing or bubbles come back at the return.',
    tries: [
      asItIs(
        'Look: strainer under the surface, valve on prime, paint thin enough to pour.',
        'Air goes in more easily than paint.',
      ),
      down(
        'Suction nut tight, strainer clean. Free the inlet ball: tap the foot, or push it up with a stick from below.',
        'After storage it sticks to its seat.',
      ),
      down(
        'Inlet seat and packings looked at by whoever services the sprayer.',
        'A worn seat draws nothing.',
      ),
    ],
  },
  'runs on': {
    name: 'Pump runs and does not stop',
    looks: 'The trigger is closed, no leak in sight, and it strokes on.',
    tries: [
      asItIs(
        'Look, do not feel: hose, joints, gun and the return for paint that gets away.',
        'A pump that runs on is losing paint somewhere. A valve left on prime is the commonest.',
      ),
      down(
        'Container full? Suction tight? Prime again.',
        'Air keeps it from reaching the pressure at which it stops.',
      ),
      down(
        'Outlet and inlet valve cleaned; then packings by whoever services the sprayer.',
        'Worn valves and packings let paint back past the piston.',
      ),
    ],
  },
  'low pressure': {
    name: 'Pressure falls while spraying',
    looks: 'The fan is even at first, then tails; the gauge drops under the trigger.',
    tries: [
      down(
        'Gun filter, manifold filter, inlet strainer: clean all three.',
        'The commonest cause, and the one that a higher knob hides.',
      ),
      down('A smaller orifice, or a shorter or wider hose.', 'The tip takes more than the pump gives.'),
      down(
        'Measure the fan: a quarter narrower is a worn tip. Fit a new one.',
        'A worn tip takes more paint for a worse fan.',
      ),
    ],
  },
};

export type TroubleId = keyof typeof TROUBLES;
export const TROUBLE_IDS = Object.keys(TROUBLES) as [TroubleId, ...TroubleId[]];

/**
 * What to try, what has cured it before with this machine first; else in its own order. Any order is a safe one: each says how the machine
 * stands for it.
 * @param cured how often a remedy did it, by its words
 */
export const curedFirst = (tries: readonly Remedy[], cured: ReadonlyMap<string, number>): readonly Remedy[] =>
  [...tries].sort((one, other) => (cured.get(other.what) ?? 0) - (cured.get(one.what) ?? 0));
