import type { Formula } from './formula';

/** Formulas about what the log says. */
export const RECORD_FORMULAS = {
  'learned value': {
    name: 'Value learned from the log',
    expression: 'weighted mean of log readings and log default, readings far off weighted down',
    source: 'Normal prior in logarithms, Huber weights (k = 1.345)',
    range: 'From three readings on, one ten times too big moves it by less than 5 %',
  },
  'litres used': {
    name: 'Paint used on a surface',
    expression: 'Σ litres logged for the surface',
    source: 'Site log',
    range: 'As read off the containers',
  },
  'dry film logged': {
    name: 'Dry film so far',
    expression: 'Σ wet film by comb · VS ÷ (1 + r), or the dry gauge',
    source: 'Site log',
    range: 'A dry gauge comes before a comb',
  },
} as const satisfies Record<string, Formula>;
