import type { Seen } from './pattern';

/**
 * What can be done about a fan, with the words for it, and how the gun stands for it: put down where a hand comes near
 * tip, filters or pump; blown out by the list for a clog; or as it is.
 */
export const MOVES = {
  'raise pressure': { words: 'Raise the pressure one step.', fresh: false, stand: 'as it is' },
  'lower pressure': { words: 'Lower the pressure one step.', fresh: false, stand: 'as it is' },
  'clean tip': {
    words: 'Blow the tip out. If that does not do, put the gun down and clean it.',
    fresh: false,
    stand: 'clog',
  },
  'new tip': { words: 'Fit a new tip of the same code and measure its fan.', fresh: true, stand: 'down' },
  'smaller orifice': {
    words: 'Fit the next smaller orifice: the pump cannot keep this one fed.',
    fresh: true,
    stand: 'down',
  },
  'larger orifice': {
    words: 'Fit the next larger orifice: this one is too fine for the paint.',
    fresh: true,
    stand: 'down',
  },
  thin: {
    words: 'Thin inside the data sheet limit: half of it, stir, measure, then the rest.',
    fresh: true,
    stand: 'down',
  },
  warm: { words: 'Warm the paint to room temperature. Do not thin it cold.', fresh: true, stand: 'down' },
  'clean filters': {
    words: 'Clean gun filter, manifold filter and inlet strainer.',
    fresh: false,
    stand: 'down',
  },
  prime: {
    words: 'Prime again: look for air at the suction and keep the strainer under.',
    fresh: false,
    stand: 'down',
  },
  'change seal': { words: 'Change the tip seal for the one of this family.', fresh: false, stand: 'down' },
  'service pump': { words: 'Have packings and valves of the pump looked at.', fresh: false, stand: 'down' },
  'softer family': { words: 'Fit a low-pressure or fine-finish tip.', fresh: true, stand: 'down' },
} as const;
export type Move = keyof typeof MOVES;

/** Which the crew tries first when paint is too thick to spray well. */
export type ThickSchool = 'larger orifice first' | 'thin first';

export interface MoveContext {
  /** The top of the range is the pump's, not the family's. */
  readonly pumpAtLimit: boolean;
  readonly coldPaint: boolean;
  readonly mayThin: boolean;
  /** The fan starves or clogs: too fine an orifice for the paint. */
  readonly clogs: boolean;
  readonly school: ThickSchool;
}

/** What to do about tails that full pressure does not take away: by symptom, product.md's table of schools. */
function forTails({ pumpAtLimit, coldPaint, mayThin, clogs, school }: MoveContext): Move[] {
  const paint: Move[] = [...(coldPaint ? (['warm'] as const) : []), ...(mayThin ? (['thin'] as const) : [])];
  if (clogs) return ['clean filters', 'larger orifice', ...paint, 'new tip'];
  if (pumpAtLimit) return ['smaller orifice', ...paint, 'clean filters', 'new tip'];
  const orifice: Move = 'larger orifice';
  return school === 'thin first'
    ? [...paint, 'clean filters', 'new tip', orifice]
    : [
        ...(coldPaint ? (['warm'] as const) : []),
        'clean filters',
        orifice,
        ...(mayThin ? (['thin'] as const) : []),
        'new tip',
      ];
}

/** Moves for a symptom that pressure alone does not cure, in the order to try them. */
export function movesFor(seen: Exclude<Seen, 'even'>, context: MoveContext): readonly Move[] {
  switch (seen) {
    case 'tails':
      return forTails(context);
    case 'heavy edges':
      return ['new tip', ...forTails(context).filter((move) => move !== 'new tip')];
    case 'split':
    case 'one-sided':
      return ['clean tip', 'clean filters', 'new tip'];
    case 'fog':
      return ['softer family', 'larger orifice', ...(context.coldPaint ? (['warm'] as const) : [])];
    case 'spitting':
      return ['clean tip', 'prime', 'clean filters', 'change seal'];
    case 'pulsing':
      return ['clean filters', 'prime', 'smaller orifice', 'service pump'];
  }
}
