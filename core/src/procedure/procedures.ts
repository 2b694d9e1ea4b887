import type { CoatingBase } from '../coating';
import type { Power } from '../safety';
import type { Side } from '../takeoff';
import type { SealAdvice } from '../tip';
import { StepList, bringThrough, relieve } from './build';
import { FLUIDS, flushSequence, fluidOfBase, type Fluid } from './fluids';
import { SAFE } from './machine';
import type { Procedure } from './steps';

export interface StartUp {
  /** What is in the machine. */
  readonly holds: Fluid;
  readonly base: CoatingBase;
  /** The coating to spray is the one in the machine. */
  readonly sameCoating: boolean;
  readonly power: Power;
  readonly side: Side;
  readonly tipCode: string;
  readonly mesh: number;
  readonly seal: SealAdvice;
  /** Pump pressure to start at, as people read it. */
  readonly startPressure: string;
}

function powerStep(list: StepList, power: Power, side: Side): void {
  if (power === 'engine') {
    list.add(
      'engine',
      side === 'inside'
        ? 'Engine outside, downwind of doors and windows; hose run in.'
        : 'Engine downwind of doors and windows.',
      'Its exhaust holds carbon monoxide, which kills without a smell.',
    );
    return;
  }
  list.add(
    'plug',
    'Plug into a grounded, fault-protected outlet; plugs off the ground and dry.',
    'A wet or broken cord makes sprayer, hose and you part of the circuit.',
  );
}

/** From a stored machine to a gun with its tip on, paint behind it and the start pressure set. */
export function startUp(order: StartUp): Procedure {
  const { holds, base, sameCoating, power, side, tipCode, mesh, seal, startPressure } = order;
  const paint = fluidOfBase(base);
  const list = new StepList({ ...SAFE, tip: 'off' });
  list.locked(
    'safe',
    'Pump off, valve on prime, trigger locked, knob at its lowest, tip and guard off.',
    'From here nothing can start by itself.',
    SAFE,
  );
  if (base === 'solvent') {
    list.locked(
      'ignition',
      'Ground sprayer and waste container; no flame, spark or switch near; air moving.',
      'Solvent mist and vapour ignite, and spraying builds up static.',
    );
  }
  powerStep(list, power, side);
  list
    .add(
      'wear',
      base === 'solvent'
        ? 'Goggles, gloves that stand the solvent, organic vapour respirator.'
        : 'Goggles, gloves, particle respirator.',
      'Splashes while priming hit the face; mist follows.',
    )
    .locked(
      'connect',
      'Hose and gun on, both ends with two spanners.',
      'A loose end lets go at full pressure. Never feel for a leak with a hand.',
    )
    .add(
      'filters',
      `Filters clean: inlet strainer, manifold, ${mesh} mesh in the gun.`,
      'A blocked filter feels like low pressure and gets cured with too much of it.',
      {},
      ['safe'],
    )
    .add(
      'lubricant',
      'Two drops of pump lubricant on the packing.',
      'Packings that run dry wear out in a day.',
      {},
      ['safe'],
    );
  for (const [index, fluid] of flushSequence(holds, paint, sameCoating).entries()) {
    bringThrough(list, `flush ${index + 1}`, fluid, 'until it runs clear');
  }
  if (holds !== 'storage' && FLUIDS[holds].paint && sameCoating) {
    list.add(
      'same coating',
      'The same coating is in the hose: spray what stood in it into the waste first.',
      'It may have begun to dry.',
    );
  }
  list.add('strain', 'Stir the paint and strain it.', 'One skin or lump stops the tip.');
  bringThrough(list, 'paint', paint, 'until paint comes without a streak');
  list
    .locked('seal', `Seal for this tip: ${seal.name.toLowerCase()}, ${seal.ring}.`, seal.reason)
    .locked(
      'tip',
      `Tip ${tipCode} in last, arrow forward; guard on, hand tight.`,
      'On any earlier it clogs with what the flush brings, and a hand would be in front of it while paint runs.',
      { tip: 'on' },
    )
    .locked(
      'pressurise',
      'Valve to spray, pump on, knob slowly up; look for drips at every joint.',
      'Look, do not feel: a leak you cannot see goes through skin.',
      { valve: 'spray', pump: 'on', pressure: 'low' },
    )
    .locked(
      'start pressure',
      `Set ${startPressure} at the pump.`,
      'The lowest to try: the dial-in raises it until the fan is even.',
      { pressure: 'working', trigger: 'free' },
    );
  return { kind: 'start-up', title: 'Start up', steps: list.steps, leaves: paint };
}

export interface ShutDown {
  readonly base: CoatingBase;
  /** Back to work with the same coating tomorrow, or into storage. */
  readonly until: 'tomorrow' | 'stored';
  readonly power: Power;
}

/** From the last stroke to a machine that can be left: overnight, or stored. */
export function shutDown({ base, until, power }: ShutDown): Procedure {
  const paint = fluidOfBase(base);
  const leaves: Fluid = until === 'stored' ? 'storage' : base === 'solvent' ? 'thinner' : 'water';
  const list = new StepList({
    ...SAFE,
    tip: 'on',
    pump: 'on',
    valve: 'spray',
    pressure: 'working',
    trigger: 'free',
  });
  list.locked(
    'stop',
    'Lock the trigger, then pump off and knob at its lowest.',
    'First the gun, so that nothing sprays while you turn to the pump.',
    { trigger: 'locked', pump: 'off' },
  );
  if (base === 'solvent') {
    list.locked(
      'ignition',
      'Waste container of metal, grounded; no flame, spark or switch near; air moving.',
      'Flushing solvent under pressure makes a mist that ignites.',
    );
  }
  relieve(list, 'first');
  list
    .locked(
      'tip off',
      'Guard and tip off; into a cup of the flush fluid.',
      'Only now: relieved and locked. A tip left in place dries shut and sprays sideways while you flush.',
      { tip: 'off' },
    )
    .add(
      'back',
      'Suction out of the paint; what is in the hose back into the paint container at the lowest pressure, up to the first streak.',
      'It is paid for, and less waste to carry away.',
      {},
      ['tip off'],
    );
  for (const [index, fluid] of flushSequence(paint, leaves).entries()) {
    bringThrough(list, `flush ${index + 1}`, fluid, 'until it runs clear');
  }
  if (leaves === 'storage') bringThrough(list, 'store', 'storage', 'until it comes at the gun');
  list
    .add(
      'filters',
      'Gun filter, manifold filter and inlet strainer out, brushed, back in.',
      'Paint that dries in a mesh cannot be brushed out tomorrow.',
      {},
      ['tip off'],
    )
    .add(
      'tip clean',
      'Brush tip and seal; look through the orifice against light, never with the gun.',
      'A rim of dry paint in the orifice splits the fan.',
      {},
      ['tip off'],
    )
    .add(
      'measure',
      'Write down litres through this tip.',
      'Wear is told by litres before it shows on the wall.',
    )
    .add('cup', 'Comb, cup and mixing stick clean.', 'Dried paint in a cup makes every later reading slow.')
    .locked(
      'leave',
      power === 'engine'
        ? 'Fuel tap shut, engine cool before it is loaded.'
        : 'Pull the plug, coil the cord dry.',
      'A machine that cannot start cannot hurt anyone.',
      SAFE,
    )
    .add('lubricant', 'Pump lubricant on the packing.', 'Keeps what is left from drying on the rod.')
    .add('plastic', 'Roll dusty plastic and paper inwards.', 'Dust that falls off lands in the wet film.');
  if (base === 'solvent') {
    list.add(
      'rags',
      'Rags with solvent or oil flat outside or in a closed metal bin.',
      'A heap of them catches fire by itself.',
    );
  }
  return {
    kind: 'shut-down',
    title: until === 'stored' ? 'Shut down and store' : 'Shut down for tonight',
    steps: list.steps,
    leaves,
  };
}
