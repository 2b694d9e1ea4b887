import type { CoatingBase } from '../coating';
import { protectionFor, wearLine, type Hardener, type Power } from '../safety';
import type { Side } from '../takeoff';
import type { SealAdvice } from '../tip';
import { accept, refuse, small, type Result } from '../units';
import {
  aim,
  also,
  clearTheAir,
  clipReturn,
  filtersIn,
  filtersOut,
  ground,
  hold,
  intoTheWaste,
  knobLowest,
  knobUp,
  layDown,
  letGo,
  lock,
  lubricate,
  place,
  powerOff,
  powerOn,
  pumpOff,
  pumpOn,
  tightenHose,
  tipOff,
  tipOn,
  turnTip,
  turnTipBack,
  unlock,
  valveSpray,
  wasteOut,
  wear,
} from './actions';
import { bringThrough, relieve } from './flush';
import { FLUIDS, UNKNOWN_NOTE, flushSequence, fluidOfBase, type Fluid } from './fluids';
import { leftWith, resting, spraying, type MachineSite } from './machine';
import { Path } from './path';
import type { Procedure } from './steps';

/** What a list depends on, whichever it is. */
export interface AtMachine {
  readonly base: CoatingBase;
  readonly power: Power;
  readonly side: Side;
  /** Made for water-borne coatings only. */
  readonly waterOnly: boolean;
  readonly hardener: Hardener;
  /** The gun has an extension: the work is above what is reached from the floor. */
  readonly extension?: boolean | undefined;
}

export interface StartUp extends AtMachine {
  /** What is in the machine. */
  readonly holds: Fluid;
  /** The coating to spray is the one in the machine. */
  readonly sameCoating: boolean;
  readonly tipCode: string;
  readonly mesh: number;
  readonly seal: SealAdvice;
}

const anyBurns = (fluids: readonly Fluid[]) => fluids.some((fluid) => FLUIDS[fluid].flammable);

/** A water-only machine takes nothing but water, whatever stands in it. */
function refuseWaterOnly(fluids: readonly Fluid[]) {
  return fluids.includes('unknown')
    ? refuse(
        'procedure.unknown',
        'holds',
        'Nobody knows what is in this sprayer, and it is made for water only. Find out before anything is pumped: ask who used it last, or have it looked at by whoever services it.',
      )
    : refuse(
        'procedure.waterOnly',
        'holds',
        'This sprayer is made for water-borne coatings only. Thinner and solvent can burst its parts. Do not flush it with them: have it looked at by whoever services it.',
      );
}

/** What somebody puts on before the machine is touched, by what is in hand. */
function wearWords(
  step: 'set up' | 'spray' | 'shut down',
  burns: boolean,
  { power, side, hardener }: AtMachine,
): string {
  const worn = wearLine(
    protectionFor({
      step,
      base: burns ? 'solvent' : 'water',
      power,
      side,
      element: 'wall',
      reach: 0,
      surfaceAge: 'new',
      hardener,
    }),
  );
  return `put on: ${small(worn)}`;
}

/** What comes first where a fluid burns: what may light it, what leads static away, and where the sprayer stands. */
function guardAgainstFire(path: Path): void {
  path
    .step('ignition', 'Vapour spreads along the floor and catches fire from one spark.', [
      [clearTheAir('pilot lights and heaters out, nobody smokes, no switch touched, doors and windows open')],
      [also('a fire extinguisher within reach')],
    ])
    .step(
      'ground',
      'A jet of solvent builds up static. You feel a tingle or a shock: stop at once, and spray again only when the ground is found and mended.',
      [[ground('ground the sprayer, the metal pail it draws from and the metal waste container')]],
    );
}

/** Where the gun is flushed when a fluid burns: its own container, away from engine, motor and plug. */
const FAR = also('the gun and a second metal waste container at least 6 m from the sprayer');

/** Where the sprayer stands, so that engine, motor and plug light or poison nothing. */
function placeStep(path: Path, { power, side }: MachineSite, burns: boolean): void {
  const lids = burns ? ', in moving air, tubes through the lids of its pails' : '';
  const far = burns ? [[FAR]] : [];
  if (power === 'engine') {
    const hose = side === 'inside' ? ', the hose run in' : '';
    path.step(
      'place',
      'Its exhaust holds carbon monoxide, which kills without a smell. A hot engine lights vapour.',
      [[place(`engine outside, downwind of doors and windows${hose}${lids}`)], ...far],
    );
    return;
  }
  path.step(
    'place',
    burns
      ? 'Motor, switch and plug spark.'
      : 'A wet or broken cord makes sprayer, hose and you part of the circuit.',
    [[place(`sprayer upright and dry${lids}`), also('cord whole, dry and unrolled')], ...far],
  );
}

function powerStep(path: Path, { power }: MachineSite): void {
  if (power === 'engine') {
    path.step('power', 'With the pump switched off it turns without building up pressure.', [
      [powerOn('engine on')],
    ]);
    return;
  }
  path.step('power', 'A residual-current device cuts the mains before a wet cord kills.', [
    [powerOn('plug into a grounded outlet behind a residual-current device')],
  ]);
}

/** From a machine that somebody left to a gun laid down, relieved and locked, with paint behind its tip. */
export function startUp(order: StartUp): Result<Procedure> {
  const { holds, base, sameCoating, power, side, tipCode, mesh, seal, waterOnly, extension } = order;
  const paint = fluidOfBase(base);
  const rig: MachineSite = { power, side, paint };
  const flushes = flushSequence(holds, paint, sameCoating);
  const fluids = [holds, ...flushes, paint];
  const burns = anyBurns(fluids);
  if (waterOnly && burns) return refuseWaterOnly(fluids);
  const path = new Path(leftWith(holds), rig);
  path
    .step('wear', 'Splashes while relieving and priming hit the face; mist follows.', [
      [wear(wearWords('set up', burns, order))],
    ])
    .step('stop', 'Nobody can know how it was left. From here nothing can start by itself.', [
      [lock, pumpOff, knobLowest, powerOff],
    ]);
  if (burns) guardAgainstFire(path);
  placeStep(path, rig, burns);
  path.step('waste', 'What runs out of return and gun has a place to go.', [[wasteOut(holds)]]);
  relieve(path, 'left');
  path
    .step('tip off', 'Only now: relieved and locked. Nothing is flushed through a tip.', [[tipOff]])
    .step('filters', 'A blocked filter feels like low pressure and gets cured with too much of it.', [
      [filtersOut],
      [filtersIn(`each clean and back in: ${mesh} mesh in gun and manifold`)],
    ])
    .step(
      'connect',
      'A loose end lets go at full pressure. A hose that is cut, bulged or kinked is scrapped, never taped.',
      [[also('look along the whole hose'), tightenHose('hose and gun tight, each end with two spanners')]],
    );
  if (extension)
    path.step(
      'extension',
      'Hand tight it turns loose as it is swung, and sprays at the hand that holds it.',
      [[tightenHose('extension on the gun, its joint nipped with a spanner, the gun held with another')]],
    );
  path.step('lubricant', 'Packings that run dry wear out in a day.', [
    [lubricate('two drops of pump lubricant on the packing')],
  ]);
  const engineStops = power === 'engine' && burns;
  if (!engineStops) powerStep(path, rig);
  for (const [index, fluid] of flushes.entries()) {
    bringThrough(path, `flush ${index + 1}`, {
      ...{ fluid, until: 'until it runs clear', engineStops },
      first: index === 0,
    });
  }
  path.step('strain', 'One skin or lump stops the tip.', [[also('stir the paint and strain it')]]);
  bringThrough(path, 'paint', {
    ...{ fluid: paint, until: 'until paint comes without a streak', engineStops },
    first: flushes.length === 0,
  });
  path
    .step('return', 'A loose return lashes about and sprays.', [[clipReturn]])
    .step('seal out', 'A rim of dry paint under it leaks at full pressure, however new the seal is.', [
      [also('push the old seal out of the guard, from the side of the tip; seat and thread clean')],
    ])
    .step('guard', 'A guard of another thread holds by two turns, and lets go.', [
      [
        also(
          'guard of this gun: its thread turns by hand from the first turn to the last, its seat takes this seal',
        ),
      ],
    ])
    .step('seal', seal.reason, [[also(`seal for this tip: ${seal.name.toLowerCase()}, ${seal.ring}`)]])
    .step(
      'tip',
      'On any earlier it clogs with what the flush brings, and a hand would be in front of it while paint runs.',
      [[tipOn(`tip ${tipCode} in last, arrow forward; guard on, hand tight`)]],
    )
    .step('down', 'Relieved, locked, nothing under pressure: so it may lie.', [[layDown]]);
  return accept({
    kind: 'start-up',
    title: 'Start up',
    steps: path.steps,
    leaves: paint,
    assumes: holds === 'unknown' ? [UNKNOWN_NOTE] : [],
  });
}

export interface ShutDown extends AtMachine {
  /** Back to work with the same coating tomorrow, or into storage. */
  readonly until: 'tomorrow' | 'stored';
}

/** From the last stroke, or a gun laid down, to a machine that can be left: overnight, or stored. */
export function shutDown(order: ShutDown): Result<Procedure> {
  const { base, until, power, side, waterOnly } = order;
  const paint = fluidOfBase(base);
  const rig: MachineSite = { power, side, paint };
  const leaves = until === 'stored' ? 'storage' : base === 'solvent' ? 'thinner' : 'water';
  const flushes = flushSequence(paint, leaves);
  const burns = anyBurns([paint, ...flushes, leaves]);
  if (waterOnly && burns) return refuseWaterOnly([paint, ...flushes]);
  const engineStops = power === 'engine' && burns;
  const path = new Path(spraying(paint), rig);
  path
    .step('wear', 'Most splashes come while flushing, when the work seems done.', [
      [wear(`${wearWords('shut down', burns, order)}, until the last flush is done`)],
    ])
    .step('stop', 'First the gun, so that nothing sprays while you turn to the pump.', [
      [lock, pumpOff, knobLowest],
    ]);
  if (burns) guardAgainstFire(path);
  relieve(path, 'first');
  path.step(
    'tip off',
    'Only now: relieved and locked. A tip left in place dries shut and sprays sideways while you flush.',
    [[tipOff, also('both into a cup of the flush fluid')]],
  );
  for (const [index, fluid] of flushes.entries()) {
    bringThrough(path, `flush ${index + 1}`, {
      fluid,
      until: 'until it runs clear',
      save: index === 0,
      engineStops,
    });
  }
  if (leaves === 'storage') {
    bringThrough(path, 'store', { fluid: 'storage', until: 'until it comes at the gun', engineStops });
  }
  path
    .step('leave', 'A machine that cannot start cannot hurt anyone.', [
      [
        powerOff,
        also(power === 'engine' ? 'fuel tap shut, engine cool before it is loaded' : 'cord coiled dry'),
      ],
    ])
    .step('filters', 'Paint that dries in a mesh cannot be brushed out tomorrow.', [
      [filtersOut],
      [filtersIn('each brushed and back in')],
    ])
    .step('lubricant', 'Keeps what is left from drying on the rod.', [
      [lubricate('pump lubricant on the packing')],
    ])
    .step('down', 'Relieved, locked, and what is in it is known.', [[layDown]])
    .step('tip clean', 'A rim of dry paint in the orifice splits the fan.', [
      [also('brush tip and seal; look through the orifice against light, with the tip off the gun')],
    ])
    .step('measure', 'Wear is told by litres before it shows on the wall.', [
      [also('write down litres through this tip')],
    ])
    .step('cup', 'Dried paint in a cup makes every later reading slow.', [
      [also('comb, cup and mixing stick clean')],
    ])
    .step('plastic', 'Dust that falls off lands in the wet film.', [
      [also('roll dusty plastic and paper inwards')],
    ])
    .step('waste out', 'The label and your local rules say where it goes.', [
      [
        also(
          'waste and wash water into closed, labelled containers: never into a drain, on soil, or together',
        ),
      ],
    ]);
  if (burns) {
    path.step('rags', 'A heap of them catches fire by itself.', [
      [also('rags with solvent or oil flat outside, or under water in a closed metal bin')],
    ]);
  }
  return accept({
    kind: 'shut-down',
    title: until === 'stored' ? 'Shut down and store' : 'Shut down for tonight',
    steps: path.steps,
    leaves,
    assumes: [],
  });
}

export interface Ready extends AtMachine {
  /** Pump pressure to start at, as people read it. */
  readonly startPressure: string;
  /** What the gun is taken up for. */
  readonly to: 'dial in' | 'spray';
}

/** The way in: from a gun laid down to one that sprays. */
export function takeUpGun(order: Ready): Procedure {
  const { base, power, side, startPressure, to } = order;
  const paint = fluidOfBase(base);
  const rig: MachineSite = { power, side, paint };
  const burns = anyBurns([paint]);
  const path = new Path({ ...resting(paint), power: 'off', wear: false }, rig);
  path
    .step('wear', 'Mist is in the air from the first stroke.', [[wear(wearWords('spray', burns, order))]])
    .step(
      'pressurise',
      'A leak you cannot see goes through skin: look, do not feel.',
      [
        [powerOn(power === 'engine' ? 'engine on' : 'plug in'), valveSpray, pumpOn(), also('trigger locked')],
        [also('look along hose and joints for drips')],
      ],
      'Something drips? Pump off and relieve before you touch it.',
    )
    .step('pressure', 'The lowest to try: more only if the fan has tails.', [
      [knobUp(`knob slowly up to ${startPressure}`)],
    ])
    .step('aim', 'Nobody stands in front of the gun or under the work.', [
      [aim('work', to === 'dial in' ? 'gun square to the test card' : 'gun square to the work'), unlock],
    ]);
  return {
    kind: 'ready',
    title: to === 'dial in' ? 'Take the gun up' : 'Take the gun up and spray',
    steps: path.steps,
    leaves: paint,
    assumes: [],
  };
}

/** The way out: from spraying to a gun that may lie and be left. */
export function putGunDown({ base, power, side }: AtMachine): Procedure {
  const paint = fluidOfBase(base);
  const rig: MachineSite = { power, side, paint };
  const path = new Path(spraying(paint), rig);
  path.step('stop', 'First the gun, so that nothing sprays while you turn to the pump.', [
    [lock, pumpOff, knobLowest],
  ]);
  relieve(path, 'pause');
  path.step('down', 'A locked gun under pressure is not safe: a lock can fail, a hose can burst.', [
    [layDown],
  ]);
  if (power === 'engine') path.step('engine', 'Nothing runs that nobody watches.', [[powerOff]]);
  return { kind: 'pause', title: 'Put the gun down', steps: path.steps, leaves: paint, assumes: [] };
}

/** A clogged tip blown out: the one thing done at a gun under pressure. */
export function clearClog({ base, power, side }: AtMachine): Procedure {
  const paint = fluidOfBase(base);
  const rig: MachineSite = { power, side, paint };
  const path = new Path(spraying(paint), rig);
  path
    .step('clog lock', 'It can let go at full pressure when you least expect it.', [[lock]])
    .step('clog turn', 'Never a finger, rag or eye in front of a tip.', [[turnTip]])
    .step('clog squeeze', 'The lump goes out the way it came in.', [
      [intoTheWaste, unlock, hold('one squeeze')],
      [letGo, lock],
    ])
    .step(
      'clog back',
      'Its arrow points forward again before you spray.',
      [[turnTipBack], [aim('work', 'gun at the work'), unlock, also('go on')]],
      'Nothing came, or it clogs again? Lock. Put the gun down and relieve before anything else.',
    );
  return { kind: 'clog', title: 'Clear a clogged tip', steps: path.steps, leaves: paint, assumes: [] };
}
