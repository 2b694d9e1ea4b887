import { small } from '../units';
import { isHigh, type SafetyContext, type Step } from './context';

/** Something to wear or to have at hand, and why. */
export interface Protection {
  readonly code: 'respirator' | 'eyes' | 'ears' | 'gloves' | 'clothing' | 'fall' | 'air' | 'ground' | 'fire';
  readonly what: string;
  readonly why: string;
  /** Put on, rather than set up. */
  readonly worn: boolean;
}

/** What protection depends on. */
export type ProtectionContext = Pick<
  SafetyContext,
  'step' | 'base' | 'element' | 'side' | 'reach' | 'power' | 'surfaceAge' | 'hardener'
>;

interface Rule extends Pick<Protection, 'code' | 'worn'> {
  readonly steps: readonly Step[];
  readonly applies: (context: ProtectionContext) => boolean;
  readonly words: (context: ProtectionContext) => Pick<Protection, 'what' | 'why'>;
}

const MIST: readonly Step[] = ['dial in', 'spray'];
/** Steps at which paint or flush fluid can splash. */
const SPLASH: readonly Step[] = ['set up', 'check paint', 'dial in', 'spray', 'clear a clog', 'shut down'];
const always = () => true;
const solvent = ({ base }: ProtectionContext) => base === 'solvent';
const isocyanate = ({ hardener }: ProtectionContext) => hardener === 'isocyanate';

const RULES: readonly Rule[] = [
  {
    code: 'respirator',
    worn: true,
    steps: SPLASH,
    applies: isocyanate,
    words: () => ({
      what: 'Supplied air, as the safety data sheet of the coating asks for',
      why: 'Isocyanate gives no warning when a cartridge is spent.',
    }),
  },
  {
    code: 'respirator',
    worn: true,
    steps: SPLASH,
    applies: (context) => solvent(context) && !isocyanate(context),
    words: () => ({
      what: 'Respirator for vapour and particles',
      why: 'Solvent goes through a dust mask. The label of the coating says which cartridge.',
    }),
  },
  {
    code: 'respirator',
    worn: true,
    steps: ['set up', 'dial in', 'spray', 'clear a clog', 'shut down'],
    applies: (context) => !solvent(context) && !isocyanate(context),
    words: () => ({
      what: 'Respirator for particles',
      why: 'Water-borne mist carries binder and pigment into the lungs.',
    }),
  },
  {
    code: 'respirator',
    worn: true,
    steps: ['prepare'],
    applies: ({ surfaceAge }) => surfaceAge !== 'new',
    words: () => ({
      what: 'Respirator with the finest particle filter',
      why: 'Dust of old paint may hold lead. Local rules say which filter, and who may do the work.',
    }),
  },
  {
    code: 'eyes',
    worn: true,
    steps: ['prepare', ...SPLASH],
    applies: always,
    words: () => ({ what: 'Goggles', why: 'Dust, bounce, a burst hose or a drip in the eye.' }),
  },
  {
    code: 'ears',
    worn: true,
    steps: [...MIST, 'set up', 'shut down'],
    applies: ({ step, power }) => power === 'engine' || MIST.includes(step),
    words: ({ power }) => ({
      what: 'Hearing protection',
      why: power === 'engine' ? 'Engine and jet are loud all day.' : 'Pump and jet are loud for hours.',
    }),
  },
  {
    code: 'gloves',
    worn: true,
    steps: SPLASH,
    applies: always,
    words: (context) => ({
      what: solvent(context) ? 'Gloves that stand this solvent' : 'Gloves',
      why: 'Against paint and thinner on the skin. No glove stops the jet.',
    }),
  },
  {
    code: 'clothing',
    worn: true,
    steps: MIST,
    applies: always,
    words: () => ({ what: 'Coverall and hood', why: 'Mist settles on everything near.' }),
  },
  {
    code: 'fall',
    worn: false,
    steps: ['prepare', ...MIST],
    applies: isHigh,
    words: () => ({
      what: 'Platform with a rail; harness where local rules want one',
      why: 'The gun kicks, the hose pulls, and mist hides the edge.',
    }),
  },
  {
    code: 'air',
    worn: false,
    steps: ['check paint', ...MIST, 'shut down'],
    applies: (context) => context.side === 'inside' || solvent(context),
    words: (context) => ({
      what: solvent(context) ? 'Moving air from a fan that cannot spark' : 'Open windows on two sides',
      why: solvent(context) ? 'Vapour must not gather.' : 'Mist must go out, not into the next room.',
    }),
  },
  {
    code: 'ground',
    worn: false,
    steps: ['set up', ...MIST, 'shut down'],
    applies: solvent,
    words: () => ({
      what: 'Ground wire on sprayer, pail and metal waste container',
      why: 'A jet of solvent paint charges what it hits; a spark lights the vapour.',
    }),
  },
  {
    code: 'fire',
    worn: false,
    steps: ['set up', 'check paint', ...MIST, 'shut down'],
    applies: solvent,
    words: () => ({ what: 'Fire extinguisher within reach', why: 'Vapour burns faster than anyone runs.' }),
  },
];

/** What to wear and have at hand for a step on this piece. */
export function protectionFor(context: ProtectionContext): readonly Protection[] {
  return RULES.filter(({ steps, applies }) => steps.includes(context.step) && applies(context)).map(
    ({ code, worn, words }) => ({ code, worn, ...words(context) }),
  );
}

/** What is worn, as one line: "Respirator for particles, goggles, gloves". */
export function wearLine(protection: readonly Protection[]): string {
  const words = protection.filter(({ worn }) => worn).map(({ what }) => what);
  return words.map((what, index) => (index === 0 ? what : small(what))).join(', ');
}
