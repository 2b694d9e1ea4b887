import { isHigh, type SafetyContext, type Step } from './context';

export interface Caution {
  readonly code: string;
  readonly what: string;
  readonly why: string;
  readonly instead: string;
}

interface Rule {
  readonly caution: Caution | ((context: SafetyContext) => Caution);
  readonly steps: readonly Step[];
  readonly applies: (context: SafetyContext) => boolean;
}

const always = () => true;
const ALL: readonly Step[] = [
  'prepare',
  'set up',
  'check paint',
  'dial in',
  'spray',
  'clear a clog',
  'shut down',
];
const GUN: readonly Step[] = ['set up', 'dial in', 'spray', 'clear a clog', 'shut down'];
const MIST: readonly Step[] = ['dial in', 'spray'];
const solvent = ({ base }: SafetyContext) => base === 'solvent';

/** Every caution with the steps it belongs to and when it applies, most serious first. */
const RULES: readonly Rule[] = [
  {
    steps: ['set up', 'check paint', 'dial in', 'spray', 'clear a clog', 'shut down'],
    applies: solvent,
    caution: {
      code: 'ignition',
      what: 'Flammable: no flame, spark or switch nearby',
      why: 'Solvent mist and vapour ignite; spraying builds up static.',
      instead: 'Ground sprayer and waste container, air the room, solvent respirator on.',
    },
  },
  {
    steps: GUN,
    applies: always,
    caution: {
      code: 'trigger-lock',
      what: 'Lock the trigger and relieve pressure before you touch the tip',
      why: 'The jet goes through skin and glove.',
      instead: 'Guard on, hands behind the tip, and never feel for a leak.',
    },
  },
  {
    steps: ['clear a clog'],
    applies: always,
    caution: {
      code: 'clog',
      what: 'Never a finger, rag or eye in front of a clogged tip',
      why: 'It can let go at full pressure when you least expect it.',
      instead:
        'Lock, turn the tip round, point into the waste container, unlock, spray it free. Then lock and relieve.',
    },
  },
  {
    steps: ['shut down', 'set up'],
    applies: always,
    caution: {
      code: 'order',
      what: 'Trigger into the waste container before the pump starts; tip on last',
      why: 'A closed gun holds the pressure of the pump against your hands.',
      instead: 'Metal container, gun against its wall, lowest pressure.',
    },
  },
  {
    steps: ['prepare'],
    applies: ({ surfaceAge }) => surfaceAge !== 'new',
    caution: ({ surfaceAge }) => ({
      code: 'lead',
      what:
        surfaceAge === 'old'
          ? 'Old paint may hold lead: do not dry-sand, scrape or burn it'
          : 'Nobody knows the age of this paint: test it for lead before sanding',
      why: 'Lead dust poisons children and painters; it stays in a house for years.',
      instead: 'Test first. Where there is lead, local rules and licensed trades decide how it is taken off.',
    }),
  },
  {
    steps: MIST,
    applies: ({ side }) => side === 'inside',
    caution: ({ base }) => ({
      code: 'breathing',
      what: 'Respirator, eye and hearing protection on; no engine indoors',
      why: 'Fine mist hangs in a room long after the trigger is let go.',
      instead:
        base === 'solvent'
          ? 'Organic vapour and particle filter, moving air.'
          : 'Particle filter and open windows.',
    }),
  },
  {
    steps: ['set up', 'dial in', 'spray'],
    applies: ({ power, side }) => power === 'engine' && side === 'inside',
    caution: {
      code: 'engine',
      what: 'No engine indoors',
      why: 'Its exhaust holds carbon monoxide, which kills without a smell.',
      instead: 'Leave the engine outside, downwind of doors and windows, and run the hose in.',
    },
  },
  {
    steps: MIST,
    applies: ({ side, wind }) => side === 'outside' && wind === 'breeze',
    caution: {
      code: 'drift',
      what: 'Mist drifts: cover cars and neighbours, stop when the wind gets up',
      why: 'A 100 μm drop from 2 m lands about 26 m away at 4 m/s.',
      instead: 'Narrower fan, shield, or wait for calm.',
    },
  },
  {
    steps: ['prepare', 'dial in', 'spray'],
    applies: isHigh,
    caution: {
      code: 'height',
      what: 'Work from a platform, not at the end of a ladder',
      why: 'The gun kicks when the trigger opens.',
      instead: 'Platform or extension; both feet level.',
    },
  },
  {
    steps: ALL,
    applies: ({ wetGround, power }) => wetGround && power === 'electric',
    caution: {
      code: 'electricity',
      what: 'Water and mains do not mix: keep plug, cord and sprayer dry',
      why: 'A wet cord makes the sprayer, the hose and you part of the circuit.',
      instead: 'Ground-fault protected outlet, plugs off the ground, stop in rain.',
    },
  },
  {
    steps: ['check paint'],
    applies: solvent,
    caution: {
      code: 'thinning',
      what: 'Thin in moving air, away from heat',
      why: 'Open solvent fills a room with vapour that is heavier than air and finds a flame.',
      instead: 'Outside or at an open door; lid on at once; rags into a closed metal bin.',
    },
  },
];

/** Cautions that belong to a step of the work on this piece, most serious first. */
export function cautionsFor(context: SafetyContext): readonly Caution[] {
  return RULES.filter(({ steps, applies }) => steps.includes(context.step) && applies(context)).map(
    ({ caution }) => (typeof caution === 'function' ? caution(context) : caution),
  );
}

/** Said wherever a plan is shown. */
export const PRECEDENCE_NOTE =
  'Product labels, data sheets, local codes and licensed trades take precedence over this program.';
