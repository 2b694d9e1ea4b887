import type { Formula } from './formula';

/** Formulas about strokes laid on a piece. */
export const WORK_FORMULAS = {
  'gun travel': {
    name: 'Way of the gun',
    expression: 'Σ passes + run-up and run-out + moves between passes',
    source: 'Pass plan of the piece',
    range: 'Straight passes; the arm’s own detours are not in it',
  },
  'trigger time': {
    name: 'Trigger time',
    expression: 'Σ length with the trigger open ÷ gun speed',
    source: 'Pass plan of the piece',
    range: 'Spraying takes about 1.8 times as long (trigger open 55 % of it)',
  },
  'paint out': {
    name: 'Paint through the gun',
    expression: 'V = Q · trigger time',
    source: 'Volume balance',
    range: 'Before what is left in hoses and containers',
  },
  overspray: {
    name: 'Paint that misses the piece',
    expression: 'V · (1 − air · over)',
    source: 'What the fan has beside the piece by the pass plan, and what is lost in the air of the rest',
    range: 'More above the even-fan pressure; how much more is not claimed',
  },
  'film laid': {
    name: 'Mean wet film laid',
    expression: 'Σ paint in the cells of the piece ÷ its area',
    source: 'Simulation: fan profile along the strokes, paint conserved to rounding',
    range: 'Even fan of a new tip unless said otherwise; no flow, levelling or rebound',
  },
} as const satisfies Record<string, Formula>;
