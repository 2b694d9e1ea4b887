import { FLUIDS, mayMeet, type Fluid } from './fluids';
import { isRelieved, type Machine, type MachineSite } from './machine';

export type Field = keyof Machine;

/** What must hold of every action on a machine, whoever does it and in whatever order it is ticked. */
export interface Rule {
  readonly code: string;
  /** Why it holds, for whoever changes it: a step has a reason of its own. */
  readonly why: string;
  /** The fields it looks at: an action that changes one of them must keep it, and comes after those that set the others. */
  readonly fields: readonly Field[];
  readonly broken: (before: Machine, after: Machine, rig: MachineSite) => boolean;
}

const changes = (before: Machine, after: Machine, ...fields: readonly Field[]): boolean =>
  fields.some((field) => before[field] !== after[field]);

/** Whether anything that burns is in the machine or in a vessel at it. */
function burns({ inPump, inHose, inGun, suction, waste, wastes }: Machine): boolean {
  const ran = Object.values(wastes).flat();
  return [inPump, inHose, inGun, suction, waste, ...ran].some(
    (fluid) => fluid !== 'air' && fluid !== 'none' && FLUIDS[fluid].flammable,
  );
}
const BURNS = ['inPump', 'inHose', 'inGun', 'suction', 'waste', 'wastes'] as const;

/** Broken by going into a state that is bad; one that was so before can only be left. */
const becomes =
  (bad: (machine: Machine) => boolean) =>
  (before: Machine, after: Machine): boolean =>
    bad(after) && !bad(before);

/** Something moves: the pump runs, or the trigger is open. */
const moves = ({ pump, trigger }: Machine): boolean => pump === 'on' || trigger === 'held';
const feeds = ({ pump, valve }: Machine): boolean => pump === 'on' && valve === 'spray';
const isPaint = (fluid: Fluid | 'air'): boolean => fluid !== 'air' && FLUIDS[fluid].paint;

export const RULES: readonly Rule[] = [
  {
    code: 'hands',
    why: 'A jet from a hose under pressure goes through glove and skin: relieved and locked before a hand comes near.',
    fields: ['tip', 'guard', 'hose', 'filters', 'pump', 'trigger', 'pumpPressure', 'hosePressure'],
    broken: (before, after) => {
      // By its handle, from behind, with the trigger locked: the one thing done to a gun under pressure.
      const turned =
        before.tip !== 'off' && after.tip !== 'off' && after.guard === 'on' && before.trigger === 'locked';
      const touched =
        changes(before, after, 'guard', 'hose', 'filters') || (before.tip !== after.tip && !turned);
      return touched && !isRelieved(before);
    },
  },
  {
    code: 'trigger',
    why: 'Unlocked first, then held: and let go before it is locked.',
    fields: ['trigger'],
    broken: ({ trigger: was }, { trigger: is }) =>
      (was === 'locked' && is === 'held') || (was === 'held' && is === 'locked'),
  },
  {
    code: 'aim',
    why: 'An unlocked gun points into the waste container or at the work, never at the floor, at people or in a hand’s way.',
    fields: ['trigger', 'gun', 'pump', 'pumpPressure', 'hosePressure'],
    broken: (before, after) =>
      (after.gun === 'down' && before.gun !== 'down' && !isRelieved(after)) ||
      (after.gun === 'down' && before.trigger === 'locked' && after.trigger !== 'locked'),
  },
  {
    code: 'wear',
    why: 'Splashes while priming and relieving hit the face.',
    fields: ['wear', 'pump', 'trigger', 'tip', 'hose'],
    broken: (before, after) =>
      !after.wear &&
      ((moves(after) && !moves(before)) || changes(before, after, 'tip', 'hose') || after.trigger === 'held'),
  },
  {
    code: 'power',
    why: 'Nothing runs before plug or engine is as it should be, and nothing is opened while it could start.',
    fields: ['power', 'pump', 'stands', 'filters', 'hose', 'lubricated'],
    broken: (before, after) =>
      (after.pump === 'on' && before.pump === 'off' && after.power === 'off') ||
      (after.power === 'on' && before.power === 'off' && !(after.stands && after.pump === 'off')) ||
      (after.power === 'on' && changes(before, after, 'filters', 'hose', 'lubricated')),
  },
  {
    code: 'whole',
    why: 'A loose end lets go at full pressure, and a filter that is out holds nothing back.',
    fields: ['pump', 'hose', 'filters', 'lubricated'],
    broken: (before, after) =>
      after.pump === 'on' &&
      before.pump === 'off' &&
      !(after.hose === 'tight' && after.filters === 'clean' && after.lubricated),
  },
  {
    code: 'draws',
    why: 'A pump that draws air spits, and its packings run dry.',
    fields: ['pump', 'suction'],
    broken: (before, after) =>
      after.pump === 'on' && after.suction === 'air' && changes(before, after, 'pump', 'suction'),
  },
  {
    code: 'tubes',
    why: 'The suction is moved with the pump off and relieved; the return never under the pump.',
    fields: ['suction', 'returns', 'waste', 'pump', 'trigger', 'pumpPressure', 'hosePressure'],
    broken: (before, after) =>
      (changes(before, after, 'suction') && !isRelieved(before)) ||
      (changes(before, after, 'returns', 'waste') && !(before.pump === 'off' && before.trigger === 'locked')),
  },
  {
    code: 'return',
    why: 'A loose return lashes about and sprays; before spraying it is clipped to the suction, in the paint.',
    fields: ['pump', 'returns', 'suction', 'tip', 'inPump', 'valve', 'pumpPressure'],
    broken: (before, after) =>
      (after.returns === 'loose' &&
        ((after.pump === 'on' && before.pump === 'off') ||
          (after.valve === 'prime' && before.valve === 'spray' && before.pumpPressure !== 'none'))) ||
      (feeds(after) && !feeds(before) && after.tip !== 'off' && after.returns !== 'paint') ||
      (after.returns === 'paint' &&
        before.returns !== 'paint' &&
        !(isPaint(after.suction) && after.inPump === after.suction)),
  },
  {
    code: 'lowest',
    why: 'Flushing is done at the lowest pressure: more makes mist and splashes.',
    fields: ['knob', 'pump', 'tip', 'guard', 'suction', 'valve'],
    broken: (before, after) =>
      (after.pump === 'on' && before.pump === 'off' && after.knob !== 'lowest') ||
      (after.knob === 'working' &&
        before.knob === 'lowest' &&
        !(
          after.tip === 'forward' &&
          after.guard === 'on' &&
          isPaint(after.suction) &&
          after.valve === 'spray'
        )),
  },
  {
    code: 'held before the feed',
    why: 'Held before the pump starts, nothing can build up behind a closed gun with its tip off.',
    fields: ['pump', 'valve', 'trigger', 'tip'],
    broken: becomes((machine) => feeds(machine) && machine.tip === 'off' && machine.trigger !== 'held'),
  },
  {
    code: 'tip off',
    why: 'The tip goes in last: on any earlier it clogs with what the flush brings.',
    fields: ['pump', 'valve', 'trigger', 'tip', 'suction', 'inGun', 'inHose'],
    broken: becomes(
      (machine) =>
        feeds(machine) &&
        machine.tip !== 'off' &&
        !(isPaint(machine.inGun) && isPaint(machine.inHose) && isPaint(machine.suction)),
    ),
  },
  {
    code: 'guard',
    why: 'No tip without its guard.',
    fields: ['tip', 'guard'],
    broken: becomes(({ tip, guard }) => (tip === 'off') !== (guard === 'off')),
  },
  {
    code: 'mix',
    why: 'What does not mix turns to curds in pump and hose.',
    fields: ['inPump', 'inHose', 'inGun'],
    broken: (before, after) =>
      !mayMeet(before.inPump, after.inPump) ||
      !mayMeet(before.inHose, after.inHose) ||
      !mayMeet(before.inGun, after.inGun),
  },
  {
    code: 'waste',
    why: 'Each waste fluid has its own container: what does not mix heats up, gels, or cannot be handed in.',
    fields: ['wastes', 'waste'],
    broken: becomes(({ wastes }) =>
      Object.values(wastes).some((ran) => ran.some((one) => ran.some((other) => !mayMeet(one, other)))),
    ),
  },
  {
    code: 'into the waste',
    why: 'What is flushed goes into the waste container, never on the ground or into the paint.',
    fields: ['trigger', 'gun', 'inGun', 'suction', 'returns', 'pump', 'waste'],
    broken: (before, after) => {
      const out = after.trigger === 'held' && (before.trigger !== 'held' || before.gun !== after.gun);
      const flushing = !isPaint(after.inGun) || after.tip === 'off';
      const vessel = after.gun === 'waste' && after.waste !== 'none';
      const saved = after.gun === 'paint' && isPaint(after.inGun);
      return out && flushing && !vessel && !saved;
    },
  },
  {
    code: 'burns',
    why: 'Mist and vapour of a fluid that burns catch fire from one spark: ground, air and distance come first.',
    fields: ['air', 'grounded', 'stands', 'pump', 'trigger', 'gun', 'tip', ...BURNS],
    broken: (before, after) => {
      if (!burns(after)) return false;
      const begins = (moves(after) && !moves(before)) || changes(before, after, 'suction', 'waste');
      const guarded = after.air && after.grounded && after.stands;
      const atWall = after.trigger !== 'held' || after.tip !== 'off' || after.gun !== 'down';
      return (begins && !guarded) || !atWall;
    },
  },
  {
    code: 'engine',
    why: 'A hot engine or its spark lights vapour: it is stopped before a pail of a fluid that burns is opened or moved.',
    fields: ['power', ...BURNS],
    broken: (before, after, rig) =>
      rig.power === 'engine' &&
      after.power === 'on' &&
      burns(after) &&
      changes(before, after, 'suction', 'waste', 'returns'),
  },
];

/** The first rule that going from one state to another breaks. */
export const brokenBy = (before: Machine, after: Machine, rig: MachineSite): Rule | undefined =>
  RULES.find(({ broken }) => broken(before, after, rig));
