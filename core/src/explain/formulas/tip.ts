import type { Formula } from './formula';

/** Formulas about a tip by itself. */
export const TIP_FORMULAS = {
  'spray angle width': {
    name: 'Fan width, read as a spray angle',
    expression: 'W = 2 · D · tan(5° · F)',
    source: 'School that takes ten times the fan number as the angle in degrees',
    range: 'Fan 1 to 17; 5 % over the other school at fan 1, 73 % at 12, no width from 18',
  },
  'equivalent orifice': {
    name: 'Orifice a worn tip has become',
    expression: 'd = d₀ · √(flow now ÷ flow new)',
    source: 'Orifice law: flow goes with the area of the orifice',
    range: 'From a measured flow; from the fan, 25 % narrower is taken as 40 % more flow',
  },
  'worn film': {
    name: 'Film a worn tip lays',
    expression: 'film ratio = flow ratio ÷ width ratio',
    source: 'Volume balance of one pass at the same gun speed and overlap',
    range: 'Where the hand does not correct for it; a comb shows it',
  },
  'worn tip time': {
    name: 'Trigger time with a worn tip',
    expression: 'time ratio = 1 ÷ width ratio',
    source: 'Narrower passes at the same gun speed and overlap',
    range: 'Trigger time alone, not moving and masking',
  },
  'litres left by wear class': {
    name: 'Litres left in a tip',
    expression: 'left = life · (1 − Σ litres ÷ life, each by abrasion class)',
    source: 'Working default of tip life; shares of life add up (linear damage)',
    range: 'A wide spread: litres only predict, a measured fan decides',
  },
  'litres left by fan': {
    name: 'Litres left by the fan measured',
    expression: 'left = litres so far · (25 % ÷ narrowing − 1)',
    source: 'Narrowing taken as even with litres of the same paint',
    range: 'From 5 % narrowing on; replace at 25 %',
  },
} as const satisfies Record<string, Formula>;
