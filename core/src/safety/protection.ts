import { isHigh, type SafetyContext, type Step } from './context';

/** Something to wear or to have at hand, and why. */
export interface Protection {
  readonly code: 'respirator' | 'eyes' | 'ears' | 'gloves' | 'clothing' | 'fall' | 'air' | 'ground';
  readonly what: string;
  readonly why: string;
}

interface Rule {
  readonly steps: readonly Step[];
  readonly applies: (context: SafetyContext) => boolean;
  readonly protection: (context: SafetyContext) => Protection;
}

const MIST: readonly Step[] = ['dial in', 'spray'];
const always = () => true;

const RULES: readonly Rule[] = [
  {
    steps: MIST,
    applies: always,
    protection: ({ base }) => ({
      code: 'respirator',
      what:
        base === 'solvent'
          ? 'Respirator for organic vapour with a particle filter'
          : 'Respirator with a particle filter',
      why:
        base === 'solvent'
          ? 'Solvent goes through a dust mask. The label of the coating says which filter.'
          : 'Water-borne mist carries binder and pigment into the lungs.',
    }),
  },
  {
    steps: ['prepare'],
    applies: ({ surfaceAge }) => surfaceAge !== 'new',
    protection: () => ({
      code: 'respirator',
      what: 'Respirator with the finest particle filter',
      why: 'Dust of old paint may hold lead. Local rules say which filter, and who may do the work.',
    }),
  },
  {
    steps: ['set up', 'check paint', 'dial in', 'spray', 'clear a clog', 'shut down'],
    applies: always,
    protection: () => ({ code: 'eyes', what: 'Goggles', why: 'Bounce, a burst hose or a drip in the eye.' }),
  },
  {
    steps: MIST,
    applies: always,
    protection: ({ power }) => ({
      code: 'ears',
      what: 'Hearing protection',
      why:
        power === 'engine' ? 'Engine and jet are loud all day.' : 'Pump and jet are loud in a closed room.',
    }),
  },
  {
    steps: ['check paint', 'dial in', 'spray', 'clear a clog', 'shut down'],
    applies: always,
    protection: ({ base }) => ({
      code: 'gloves',
      what: base === 'solvent' ? 'Gloves that stand this solvent' : 'Gloves',
      why: 'Against paint and thinner on the skin. No glove stops the jet.',
    }),
  },
  {
    steps: MIST,
    applies: always,
    protection: () => ({
      code: 'clothing',
      what: 'Coverall and hood',
      why: 'Mist settles on everything near.',
    }),
  },
  {
    steps: ['prepare', ...MIST],
    applies: isHigh,
    protection: () => ({
      code: 'fall',
      what: 'Platform with a rail; harness where local rules want one',
      why: 'The gun kicks, the hose pulls, and mist hides the edge.',
    }),
  },
  {
    steps: ['check paint', ...MIST, 'shut down'],
    applies: ({ side, base }) => side === 'inside' || base === 'solvent',
    protection: ({ base }) => ({
      code: 'air',
      what: base === 'solvent' ? 'Moving air that no motor in it can light' : 'Open windows on two sides',
      why: base === 'solvent' ? 'Vapour must not gather.' : 'Mist must go out, not into the next room.',
    }),
  },
  {
    steps: ['set up', 'dial in', 'spray', 'shut down'],
    applies: ({ base }) => base === 'solvent',
    protection: () => ({
      code: 'ground',
      what: 'Ground wire on sprayer and metal waste container',
      why: 'A jet of solvent paint charges what it hits; a spark lights the vapour.',
    }),
  },
];

/** What to wear and have at hand for a step on this piece. */
export function protectionFor(context: SafetyContext): readonly Protection[] {
  return RULES.filter(({ steps, applies }) => steps.includes(context.step) && applies(context)).map(
    ({ protection }) => protection(context),
  );
}
