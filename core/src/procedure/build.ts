import { FLUIDS, GO_BETWEEN_NOTE, type Fluid } from './fluids';
import { SAFE, type MachineState } from './machine';
import type { ProcedureStep } from './steps';

/** Puts steps behind one another: each keeps the state of the one before but for what it changes. */
export class StepList {
  readonly steps: ProcedureStep[] = [];
  private state: MachineState;
  private lockedIds: readonly string[] = [];
  constructor(first: MachineState = SAFE) {
    this.state = first;
  }

  /** A step whose order does not matter, but for those it names. */
  add(
    id: string,
    what: string,
    why: string,
    change: Partial<MachineState> = {},
    after: readonly string[] = [],
  ): this {
    this.state = { ...this.state, ...change };
    this.steps.push({ id, what, why, state: this.state, after });
    return this;
  }

  /** A step that comes after every locked one so far. */
  locked(id: string, what: string, why: string, change: Partial<MachineState> = {}): this {
    const before = this.lockedIds;
    this.lockedIds = [...before, id];
    return this.add(id, what, why, change, before);
  }
}

/** With the pump off: relieve and lock, before anything is touched. */
export function relieve(list: StepList, id: string): void {
  list
    .locked(
      `${id} relieve`,
      'Valve to prime, then hold the trigger into the waste container until nothing comes.',
      'The hose keeps its pressure after the pump stops: enough to go through a glove.',
      { valve: 'prime', trigger: 'held', pressure: 'none' },
    )
    .locked(`${id} lock`, 'Lock the trigger.', 'A knock must not open the gun.', { trigger: 'locked' });
}

/** Brings one fluid through pump and hose into the waste container, the tip off. */
export function bringThrough(list: StepList, id: string, fluid: Fluid, until: string): void {
  const { name } = FLUIDS[fluid];
  const lower = name.toLowerCase();
  list
    .locked(
      `${id} suction`,
      `Suction into: ${lower}. Return into the waste container.`,
      fluid === 'go-between'
        ? `${GO_BETWEEN_NOTE} Water that meets a solvent-borne coating turns to curds in the pump.`
        : `${name} comes next in the order in which fluids mix.`,
    )
    .locked(
      `${id} prime`,
      `Valve on prime, pump on at its lowest, until ${lower} comes back without bubbles.`,
      'Air in the pump spits and lets the packings run dry.',
      {
        pump: 'on',
      },
    )
    .locked(`${id} stop`, 'Pump off.', 'The trigger must be open before the pump feeds the hose.', {
      pump: 'off',
    })
    .locked(
      `${id} hold`,
      'Hold the trigger into the waste container, gun against its metal wall.',
      'Held before the pump starts, nothing can build up behind a closed gun; metal leads static away.',
      { trigger: 'held' },
    )
    .locked(
      `${id} through`,
      `Valve to spray, pump on at its lowest, trigger held, ${until}.`,
      'What is left in the hose comes out on the wall.',
      {
        valve: 'spray',
        pump: 'on',
        pressure: 'low',
      },
    );
  list.locked(
    `${id} pump off`,
    'Pump off, knob at its lowest.',
    'It must not build up pressure again while you relieve it.',
    { pump: 'off' },
  );
  relieve(list, id);
}
