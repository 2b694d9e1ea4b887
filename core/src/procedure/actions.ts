import { FLUIDS, type Fluid } from './fluids';
import type { Machine, MachineSite } from './machine';

/** One thing done to a machine: its words, as part of a sentence, and what it changes. */
export interface Action {
  readonly words: (machine: Machine, rig: MachineSite) => string;
  readonly change: (machine: Machine, rig: MachineSite) => Partial<Machine>;
}

const does = (words: string, change: Partial<Machine>): Action => ({
  words: () => words,
  change: () => change,
});

/** The name of a fluid inside a sentence. */
export const fluidWord = (fluid: Fluid): string =>
  fluid === 'unknown' ? 'what nobody knows' : FLUIDS[fluid].name.toLowerCase();

/** What has run into the waste container that stands there, with these. */
function ranInto({ waste, wastes }: Machine, ...fluids: readonly Fluid[]): Pick<Machine, 'wastes'> {
  if (waste === 'none') return { wastes };
  return { wastes: { ...wastes, [waste]: [...new Set([...(wastes[waste] ?? []), ...fluids])] } };
}

/** Puts on what the step's words say. */
export const wear = (words: string): Action => does(words, { wear: true });
/** Puts what lights vapour out, and lets the air move. */
export const clearTheAir = (words: string): Action => does(words, { air: true });
export const ground = (words: string): Action => does(words, { grounded: true });
export const place = (words: string): Action => does(words, { stands: true });

export const lock = does('lock the trigger', { trigger: 'locked' });
export const unlock = does('unlock', { trigger: 'free' });
export const letGo = does('let go of the trigger', { trigger: 'free' });
export const pumpOff = does('pump off', { pump: 'off' });
export const knobLowest = does('knob at its lowest', { knob: 'lowest' });

export const powerOff: Action = {
  words: (_machine, { power }) => (power === 'engine' ? 'engine off' : 'plug out'),
  change: () => ({ power: 'off' }),
};
export const powerOn = (words: string): Action => does(words, { power: 'on' });

export const valveSpray = does('valve to spray', { valve: 'spray' });
/** With the pump off, what stands in the pump goes out through the return. */
export const valvePrime: Action = {
  words: () => 'valve to prime',
  change: ({ pump, pumpPressure }) => ({
    valve: 'prime',
    ...(pump === 'off' && pumpPressure !== 'unknown' ? { pumpPressure: 'none' } : {}),
  }),
};

/** The gun where it points, in words of its own. */
export const aim = (gun: Machine['gun'], words: string): Action => does(words, { gun });
export const intoTheWaste = aim('waste', 'gun against the wall of the waste container');
export const layDown = does('lay the gun down', { gun: 'down' });

/** The trigger held; with pressure behind it the gun lets it out. */
export const hold = (words = 'hold the trigger'): Action => ({
  words: () => words,
  change: (machine) => ({
    trigger: 'held',
    ...(machine.gun === 'waste' && machine.hosePressure !== 'none'
      ? ranInto(machine, machine.inGun, machine.inHose)
      : {}),
  }),
});

/** Pump off, valve on prime and trigger held: nothing is left where somebody has seen it stop. */
export const untilNothing: Action = {
  words: () => 'until it has run out and nothing more comes',
  change: ({ pump, valve, trigger }) =>
    pump === 'off' && valve === 'prime' && trigger === 'held'
      ? { pumpPressure: 'none', hosePressure: 'none' }
      : {},
};

/** The pump at its lowest: round through the return, or through hose and gun, or against a locked gun. */
export const pumpOn = (words = 'pump on at its lowest'): Action => ({
  words: () => words,
  change(machine) {
    const { suction, valve, trigger, gun, returns, inPump, inHose, inGun } = machine;
    if (suction === 'air') return { pump: 'on' };
    const on = { pump: 'on', pumpPressure: 'low', inPump: suction } as const;
    if (valve === 'prime') {
      return { ...on, ...(returns === 'waste' ? ranInto(machine, inPump, suction) : {}) };
    }
    if (trigger !== 'held') return { ...on, hosePressure: 'low' };
    // The first streak of the flush tells when to stop, so the paint container gets none of it.
    const ran = gun === 'waste' ? ranInto(machine, inGun, inHose, inPump, suction) : {};
    const filled = gun === 'paint' ? {} : { inGun: suction };
    return { ...on, hosePressure: 'low', inHose: suction, ...filled, ...ran };
  },
});

/** The knob up to a pressure for spraying. */
export const knobUp = (words: string): Action => ({
  words: () => words,
  change: ({ pump, valve }) =>
    pump === 'on' && valve === 'spray'
      ? { knob: 'working', pumpPressure: 'working', hosePressure: 'working' }
      : { knob: 'working' },
});

export const suctionInto = (fluid: Fluid): Action =>
  does(`suction into: ${fluidWord(fluid)}`, { suction: fluid });
/** A waste container for one fluid set out, the return in it. */
export const wasteOut = (fluid: Fluid): Action => ({
  words: (_machine, { paint }) =>
    `return into the ${FLUIDS[fluid].flammable || FLUIDS[paint].flammable ? 'grounded metal ' : ''}waste container for ${fluidWord(fluid)}`,
  change: () => ({ waste: fluid, returns: 'waste' }),
});
/** The return clipped to the suction, in the paint. */
export const clipReturn = does('return out of the waste, wiped, and clipped to the suction in the paint', {
  returns: 'paint',
});

export const tipOff = does('guard and tip off', { tip: 'off', guard: 'off' });
export const tipOn = (words: string): Action => does(words, { tip: 'forward', guard: 'on' });
export const turnTip = does('turn the tip backward by its handle, from behind', { tip: 'turned' });
export const turnTipBack = does('turn the tip forward by its handle, from behind', { tip: 'forward' });

export const filtersOut = does('gun filter, manifold filter and inlet strainer out', { filters: 'out' });
export const filtersIn = (words: string): Action => does(words, { filters: 'clean' });
export const tightenHose = (words: string): Action => does(words, { hose: 'tight' });
export const lubricate = (words: string): Action => does(words, { lubricated: true });
/** Something that changes nothing of the machine. */
export const also = (words: string): Action => does(words, {});
