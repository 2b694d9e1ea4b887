import type { Formula } from './formula';

/** Formulas about pump, hoses and gun. */
export const LINE_FORMULAS = {
  'gun pressure': {
    name: 'Gun pressure for a pump setting',
    expression: 'P gun: P pump = P gun + Σ 4 L τw ÷ D + ρ g z, Q through the tip at P gun',
    source: 'Steady state of pump, hoses, height and tip, found by false position on a checked bracket',
    range: 'Trigger held; where the tip outruns the pump the pump’s flow decides',
  },
  'trigger duty': {
    name: 'Share of the time the trigger may be held',
    expression: 'duty = Q pump ÷ Q tip',
    source: 'Volume balance of the pump',
    range: '100 % where the pump keeps up',
  },
  'part loss': {
    name: 'Pressure a part of the line takes',
    expression: 'ΔP of the part at the flow of the line',
    source: 'Power-law pipe flow for hoses and gun, ρ g z for the height, the orifice law for the tip',
    range: 'The parts add up to the pump pressure; the order of hoses does not matter',
  },
  'longest hose': {
    name: 'Longest hose of a bore',
    expression: 'L = (P pump − P gun − other parts) ÷ loss of one metre at Q',
    source:
      'Power-law pipe flow is linear in length at a flow; the flow is the tip’s at the gun pressure wanted',
    range: 'One bore; trigger held; the pump keeps up',
  },
  'largest tip': {
    name: 'Largest tip this line carries',
    expression: 'largest d with Q ≤ Q pump, P pump ≤ limit and d ≤ the sprayer’s largest orifice',
    source: 'Steady state of the line at the even-fan pressure',
    range: 'New tip; leave room for wear',
  },
  'cord loss': {
    name: 'Voltage lost along a cord',
    expression: 'ΔU ÷ U = 2 ρ L P ÷ (A U²)',
    source: 'Ohm’s law, copper at 20 °C (IEC 60028); power of the class of sprayer as a working default',
    range: 'A cord unrolled and cool, 230 V where metres are used and 120 V where feet are; 3 % lost at most',
  },
  'pressure by the knob': {
    name: 'Pressure at a place of the knob',
    expression:
      'P = the curve that never falls, nearest to the readings of this sprayer, straight between its points',
    source:
      'Isotonic regression (Ayer and others 1955; Barlow and others 1972); gauge and display ±5 %, test card ±15 %',
    range: 'From three readings at two places, between the lowest and the highest place that was read',
  },
} as const satisfies Record<string, Formula>;
