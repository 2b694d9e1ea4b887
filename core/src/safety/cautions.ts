import type { SurfaceKind } from '../takeoff';
import { isHigh, type SafetyContext, type Step } from './context';

/** One danger: what to do about it in one sentence, and why in another. */
export interface Caution {
  readonly code: CautionCode;
  readonly what: string;
  readonly why: string;
}

interface Rule {
  readonly code: string;
  readonly steps: readonly Step[];
  readonly applies: (context: SafetyContext) => boolean;
  readonly what: string;
  readonly why: string;
}

const always = () => true;
const MIST: readonly Step[] = ['dial in', 'spray'];
const solvent = ({ base }: SafetyContext) => base === 'solvent';
const inside = ({ side }: SafetyContext) => side === 'inside';
const engine = ({ power }: SafetyContext) => power === 'engine';

/** Kinds of ground whose dust holds quartz. */
const MASONRY: readonly SurfaceKind[] = ['block', 'brick', 'fine-render', 'coarse-render'];
/** Coats of texture and stipple may hold asbestos where they are old. */
const TEXTURED: readonly SurfaceKind[] = [
  'light-texture',
  'orange-peel',
  'heavy-stipple',
  'fine-render',
  'coarse-render',
];

/** Every caution with the steps it belongs to and when it applies: what kills first stands first, then what maims, then what makes ill. */
export const CAUTIONS = [
  {
    code: 'power line',
    steps: ['prepare', 'spray'],
    applies: (context) => context.side === 'outside' && isHigh(context),
    what: 'Keep ladder, pole and hose at least 3 m (10 ft) from every power line.',
    why: 'The current jumps to metal and to wet wood before anything touches.',
  },
  {
    code: 'carbon monoxide',
    steps: ['set up', 'dial in', 'spray'],
    applies: (context) => engine(context) && inside(context),
    what: 'No engine indoors: leave it outside, downwind of doors and windows, and run the hose in.',
    why: 'Its exhaust holds carbon monoxide, which kills without a smell.',
  },
  {
    code: 'exhaust',
    steps: ['set up'],
    applies: (context) => engine(context) && !inside(context),
    what: 'Stand the engine downwind of open doors and windows.',
    why: 'Its exhaust holds carbon monoxide, which kills without a smell.',
  },
  {
    code: 'ignition',
    steps: ['check paint', 'dial in', 'spray'],
    applies: solvent,
    what: 'It burns: pilot lights and heaters out, nobody smokes, no switch touched, air moving, a fire extinguisher at hand.',
    why: 'Vapour creeps along the floor and catches fire from one spark.',
  },
  {
    code: 'ground',
    steps: MIST,
    applies: solvent,
    what: 'Ground the sprayer, the pail and metal you spray, and stop if you feel a tingle.',
    why: 'A jet of solvent paint charges what it hits; a spark lights the vapour.',
  },
  {
    code: 'wet cord',
    steps: ['prepare', 'set up', 'spray', 'shut down'],
    applies: ({ wetGround, power }) => wetGround && power === 'electric',
    what: 'Wet ground: keep plug, cord and sprayer dry, and stop in rain.',
    why: 'A wet cord makes the sprayer, the hose and you part of the circuit.',
  },
  {
    code: 'cord',
    steps: ['set up'],
    applies: ({ power }) => power === 'electric',
    what: 'Cord whole, as thick as the sprayer asks for, fully unrolled, behind a residual-current device.',
    why: 'A thin or rolled cord gets hot and burns; the device cuts the mains before it kills.',
  },
  {
    code: 'confined',
    steps: MIST,
    applies: (context) => solvent(context) && inside(context),
    what: 'Small or closed room: blow clean air in and have somebody watch from outside.',
    why: 'Vapour of a few minutes is enough to faint in, and to burn.',
  },
  {
    code: 'injection',
    steps: ['dial in', 'spray', 'shut down'],
    applies: always,
    what: 'Lock the trigger and relieve the pressure before a hand comes near tip, guard or hose end.',
    why: 'The jet goes through glove and skin, and can cost the hand.',
  },
  {
    code: 'drip',
    steps: ['spray'],
    applies: always,
    what: 'Stop if the gun drips or anything leaks: pump off, relieve, and only then look.',
    why: 'A lock does not hold a gun that drips.',
  },
  {
    code: 'clog',
    steps: ['clear a clog'],
    applies: always,
    what: 'Never a finger, rag or eye in front of a clogged tip.',
    why: 'It can let go at full pressure when you least expect it.',
  },
  {
    code: 'fall',
    steps: ['prepare', 'spray'],
    applies: isHigh,
    what: 'Work from a platform with a rail, both feet on it: the gun kicks when the trigger opens.',
    why: 'At the end of a ladder the kick, the hose and the mist take you off it.',
  },
  {
    code: 'under the work',
    steps: ['spray'],
    applies: isHigh,
    what: 'Nobody stands or works under the work.',
    why: 'Tools fall, mist falls, and a jet that slips goes down.',
  },
  {
    code: 'isocyanate',
    steps: ['check paint', 'dial in', 'spray', 'clear a clog', 'shut down'],
    applies: ({ hardener }) => hardener === 'isocyanate',
    what: 'Two-part with isocyanate: not without the air supply its safety data sheet asks for.',
    why: 'One job can give asthma for life, and cartridges do not warn when they are spent.',
  },
  {
    code: 'hardener unknown',
    steps: ['check paint'],
    applies: (context) => context.hardener === 'unknown' && solvent(context),
    what: 'Does a second part go in? Read its safety data sheet first: isocyanate needs supplied air.',
    why: 'Nobody has written down whether this coating has two parts.',
  },
  {
    code: 'water only',
    steps: ['set up', 'check paint', 'shut down'],
    applies: ({ waterOnly }) => waterOnly,
    what: 'This sprayer takes water-borne coatings and water only: no solvent, no thinner.',
    why: 'Solvent eats its seals and can burst what holds the pressure.',
  },
  {
    code: 'never pumped',
    steps: ['check paint', 'shut down'],
    applies: always,
    what: 'Never pump bleach, acid or chlorinated solvent, and never pour wastes together.',
    why: 'In aluminium parts they make gas and heat until the pump bursts.',
  },
  {
    code: 'lead known',
    steps: ['prepare'],
    applies: ({ surfaceAge }) => surfaceAge === 'old',
    what: 'Old paint: test it for lead before anyone sands, scrapes or burns it; if there is lead, stop.',
    why: 'Lead dust poisons children and painters; local rules and licensed trades decide how it is taken off.',
  },
  {
    code: 'lead',
    steps: ['prepare'],
    applies: ({ surfaceAge }) => surfaceAge === 'unknown',
    what: 'Nobody knows the age of this paint: test it for lead before anyone sands or scrapes it.',
    why: 'Lead dust poisons children and painters; local rules and licensed trades decide how it is taken off.',
  },
  {
    code: 'asbestos',
    steps: ['prepare'],
    applies: ({ kind, surfaceAge }) => surfaceAge !== 'new' && TEXTURED.includes(kind),
    what: 'Old texture or render may hold asbestos: leave it whole until it has been tested.',
    why: 'Its dust cannot be seen and kills years later; a licensed trade takes it off.',
  },
  {
    code: 'masonry dust',
    steps: ['prepare'],
    applies: ({ kind }) => MASONRY.includes(kind),
    what: 'Work masonry wet or with dust drawn off, never dry.',
    why: 'Quartz dust scars the lungs for good.',
  },
  {
    code: 'vapour',
    steps: ['check paint', 'dial in', 'spray', 'clear a clog', 'shut down'],
    applies: solvent,
    what: 'Respirator for vapour and particles on until the mist has gone: shaven, fit-checked, cartridges in date.',
    why: 'Solvent goes through a dust mask, and through any mask over a beard.',
  },
  {
    code: 'mist',
    steps: MIST,
    applies: (context) => !solvent(context),
    what: 'Respirator for particles on until the mist has gone: shaven and fit-checked.',
    why: 'Fine mist carries binder and pigment deep into the lungs, outside too.',
  },
  {
    code: 'thinning',
    steps: ['check paint'],
    applies: solvent,
    what: 'Thin in moving air; warm it in a warm room only, never in a hot bath, on a heater or near a flame.',
    why: 'Warm solvent fills a room with vapour that is heavier than air and finds a flame.',
  },
  {
    code: 'warming',
    steps: ['check paint'],
    applies: (context) => !solvent(context),
    what: 'Warm paint in a warm room or a bath of warm water, lid loose, never over a flame or on a heater.',
    why: 'A closed container bursts, and hot paint scalds.',
  },
  {
    code: 'alone',
    steps: ['set up'],
    applies: always,
    what: 'Working alone? Somebody knows where you are and calls at a set time.',
    why: 'Whoever is hurt alone may not be able to call.',
  },
  {
    code: 'bystanders',
    steps: ['spray'],
    applies: always,
    what: 'Children, pets and everyone without a respirator stay out of the room, or well off upwind outside.',
    why: 'Mist goes further than it is seen.',
  },
  {
    code: 'heat',
    steps: ['spray'],
    applies: ({ hot }) => hot,
    what: 'Hot: drink water, rest in the shade, and stop if you feel sick or stop sweating.',
    why: 'Coverall and respirator hold the heat in.',
  },
  {
    code: 'drift',
    steps: MIST,
    applies: ({ side, wind }) => side === 'outside' && wind === 'breeze',
    what: 'Mist drifts: cover cars and neighbours’ things, and stop when the wind gets up.',
    why: 'A 100 μm drop from 2 m lands about 26 m away at 4 m/s.',
  },
  {
    code: 'alarms',
    steps: ['prepare'],
    applies: inside,
    what: 'Bag smoke alarms only while you spray; never cover a carbon-monoxide alarm.',
    why: 'Paint blinds an alarm, and a bag that is forgotten kills later.',
  },
  {
    code: 'bags off',
    steps: ['leave'],
    applies: inside,
    what: 'Take the bag off every smoke alarm and press its test button before you go.',
    why: 'A bag that is forgotten kills at the next fire.',
  },
  {
    code: 're-entry solvent',
    steps: ['leave'],
    applies: (context) => inside(context) && solvent(context),
    what: 'Nobody back in before the label says so: with solvent it takes far longer than the mist.',
    why: 'Vapour comes out of the film long after it is dry to touch.',
  },
  {
    code: 're-entry',
    steps: ['leave'],
    applies: (context) => inside(context) && !solvent(context),
    what: 'Nobody back in before the label says so, and never while mist hangs in the air.',
    why: 'With air moving, mist takes about half an hour to go.',
  },
  {
    code: 'rags',
    steps: ['leave'],
    applies: solvent,
    what: 'Oily and solvent rags flat outside, or under water in a closed metal bin.',
    why: 'A heap of them catches fire by itself.',
  },
  {
    code: 'waste',
    steps: ['leave'],
    applies: always,
    what: 'Waste and wash water go in closed, labelled containers, never into a drain or on soil.',
    why: 'The label and your local rules say where they go.',
  },
] as const satisfies readonly Rule[];

export type CautionCode = (typeof CAUTIONS)[number]['code'];

/** Cautions that belong to a step of the work on this piece, what hurts most first. */
export function cautionsFor(context: SafetyContext): readonly Caution[] {
  const rules: readonly (Rule & { code: CautionCode })[] = CAUTIONS;
  return rules
    .filter(({ steps, applies }) => steps.includes(context.step) && applies(context))
    .map(({ code, what, why }) => ({ code, what, why }));
}

/** Said wherever a plan is shown. */
export const PRECEDENCE_NOTE =
  'Product labels, data sheets, local codes and licensed trades take precedence over this program.';
