/** What goes wrong with a machine under the hands, with what to try in its order. Working knowledge of the trade, in our words. */
export interface Remedy {
  readonly what: string;
  readonly why: string;
  /** Whether hands come near the tip, the filters or the pump: relieve first. */
  readonly relieved: boolean;
}

export interface Trouble {
  readonly name: string;
  readonly looks: string;
  readonly tries: readonly Remedy[];
}

const relieved = (what: string, why: string): Remedy => ({ what, why, relieved: true });
const running = (what: string, why: string): Remedy => ({ what, why, relieved: false });

export const TROUBLES = {
  'clogged tip': {
    name: 'Tip clogged',
    looks: 'Fan narrow, split, to one side, or nothing at all.',
    tries: [
      running(
        'Lock, turn the tip round, point into the waste container, unlock, spray it free. Lock, turn it back.',
        'The lump goes out the way it came in. Never a finger, rag or eye in front.',
      ),
      relieved(
        'Tip out, soak and brush it from the front; look through it against light.',
        'A rim of dry paint stays when the lump goes.',
      ),
      relieved(
        'Gun filter out: clean it, or fit the mesh this orifice wants. Strain the paint.',
        'Whatever clogs twice comes through the filter or from the container.',
      ),
    ],
  },
  'dripping gun': {
    name: 'Gun drips when the trigger is closed',
    looks: 'Paint runs from the tip after each stroke.',
    tries: [
      relieved(
        'Flush the gun and work the trigger under flush fluid.',
        'A grain on the needle seat holds it open.',
      ),
      relieved(
        'Back the trigger stop or needle off as its sheet says.',
        'A needle set too long never closes.',
      ),
      relieved('New needle and seat.', 'Worn ones leak at full pressure however clean they are.'),
    ],
  },
  'leak at the guard': {
    name: 'Leaks between gun and guard',
    looks: 'Paint comes out behind the tip, spits beside the fan.',
    tries: [
      relieved(
        'Tip seal out: the one this tip family seats on, the right way round.',
        'A seal of another family leaks at full pressure.',
      ),
      relieved(
        'Clean seat and thread, guard on straight, hand tight, arrow forward.',
        'Dry paint under the seal holds it off its seat.',
      ),
      relieved('New seal; solvent-proof ring for a solvent-borne coating.', 'Rings swell, harden and crack.'),
    ],
  },
  'no suction': {
    name: 'Pump draws no paint',
    looks: 'It runs, but nothing or bubbles come back at the return.',
    tries: [
      running(
        'Strainer under the surface, suction nut tight, valve on prime.',
        'Air goes in more easily than paint.',
      ),
      relieved(
        'Free the inlet ball: tap the foot, or push it up with a stick from below.',
        'After storage it sticks to its seat.',
      ),
      relieved(
        'Strainer clean; paint thin enough to pour; then inlet seat and packings looked at.',
        'A pump can push thick paint that it cannot draw.',
      ),
    ],
  },
  'runs on': {
    name: 'Pump runs and does not stop',
    looks: 'The trigger is closed, no leak in sight, and it strokes on.',
    tries: [
      running(
        'Look, do not feel: hose, joints, gun and the return for paint that gets away.',
        'A pump that runs on is losing paint somewhere. A valve left on prime is the commonest.',
      ),
      relieved(
        'Container full? Suction tight? Prime again.',
        'Air keeps it from reaching the pressure at which it stops.',
      ),
      relieved(
        'Outlet and inlet valve cleaned; then packings by whoever services the sprayer.',
        'Worn valves and packings let paint back past the piston.',
      ),
    ],
  },
  'low pressure': {
    name: 'Pressure falls while spraying',
    looks: 'The fan is even at first, then tails; the gauge drops under the trigger.',
    tries: [
      relieved(
        'Gun filter, manifold filter, inlet strainer: clean all three.',
        'The commonest cause, and the one that a higher knob hides.',
      ),
      relieved('A smaller orifice, or a shorter or wider hose.', 'The tip takes more than the pump gives.'),
      relieved(
        'Measure the fan: a quarter narrower is a worn tip. Fit a new one.',
        'A worn tip takes more paint for a worse fan.',
      ),
    ],
  },
} as const satisfies Record<string, Trouble>;

export type TroubleId = keyof typeof TROUBLES;
export const TROUBLE_IDS = Object.keys(TROUBLES) as [TroubleId, ...TroubleId[]];
