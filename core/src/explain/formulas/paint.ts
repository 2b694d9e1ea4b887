import type { Formula } from './formula';

/** Formulas about the paint in the container. */
export const PAINT_FORMULAS = {
  'cup to viscosity': {
    name: 'Viscosity from cup seconds',
    expression: 'ν = a · (t − b), or ν = a · t − b ÷ t',
    source: 'ASTM D4212, ASTM D1200, ISO 2431, DIN 53211 (withdrawn)',
    range:
      'Inside the standard’s seconds; ±10 % from cup to cup. Thixotropic paint: compares like with like only',
  },
  'viscosity to cup': {
    name: 'Cup seconds for a viscosity',
    expression: 't = ν ÷ a + b, or t = (ν + √(ν² + 4 a b)) ÷ 2 a',
    source: 'ASTM D4212, ASTM D1200, ISO 2431, DIN 53211 (withdrawn), solved for the time',
    range: 'Inside the standard’s seconds; ±10 % from cup to cup',
  },
  'viscosity at temperature': {
    name: 'Viscosity at another temperature',
    expression: 'ln(η ÷ η₀) = B · (1 ÷ T − 1 ÷ T₀)',
    source: 'Andrade; B from the crew’s readings or 2,800 K',
    range: '0 to 45 °C; not for paint that has frozen or skinned',
  },
  'thinned viscosity': {
    name: 'Viscosity after thinning',
    expression: 'ln η = ln η paint − k · x, x = thinner ÷ mix',
    source: 'Log mixing by volume, k from the crew’s readings or ln(η paint ÷ η thinner)',
    range: 'Small amounts; latex often falls faster: add half, stir, measure, then the rest',
  },
  'thinner to add': {
    name: 'Thinner to add',
    expression: 'x = ln(η ÷ η target) ÷ k, r = x ÷ (1 − x)',
    source: 'Log mixing by volume, solved for the amount',
    range: 'Never past the data sheet; r is thinner per volume of paint',
  },
  'warm reading': {
    name: 'Reading once the paint is warm',
    expression: 'η warm = η now · exp(B · (1 ÷ T warm − 1 ÷ T now))',
    source: 'Andrade; B from the crew’s readings or 2,800 K',
    range: 'The mix keeps its slope when it warms',
  },
  'warming time': {
    name: 'Time for a container to warm',
    expression: 't = (ρ c V ÷ A) · (1 ÷ h + D ÷ 6 k) · ln((T room − T₀) ÷ (T room − T))',
    source: 'Lumped cooling law with the resistance of air and paint in series; constants in docs/method.md',
    range: 'Low: stirred all the time. High: never stirred, heat creeps in by conduction',
  },
  'temperature when sprayed': {
    name: 'Paint temperature as it is sprayed',
    expression: 'T = T room + (T now − T room) · exp(−(wait + V ÷ 2 Q) ÷ τ)',
    source: 'Lumped cooling law of the warming time; sprayed out at about 0.5 L/min',
    range: 'From stirred to never stirred; sun on a container is not in it',
  },
  'thinning slope learned': {
    name: 'How fast thinner thins this paint',
    expression: 'least squares of ln η = a − k · x + B · (1 ÷ T − 1 ÷ T₀), held by the defaults',
    source: 'Crew’s readings before and after thinning',
    range: 'Ridge regression: few readings move it little, many decide it',
  },
  'temperature slope learned': {
    name: 'How fast cold thickens this paint',
    expression: 'least squares of ln η = a − k · x + B · (1 ÷ T − 1 ÷ T₀), held by the defaults',
    source: 'Crew’s readings at several temperatures',
    range: 'Ridge regression: few readings move it little, many decide it',
  },
  'recoat time': {
    name: 'Recoat after',
    expression: 't = t at 23 °C · 2^((23 − T) ÷ 10) · (100 − 50) ÷ (100 − RH)',
    source: 'Data sheet time; doubling for 10 °C, humidity factor for water-borne paint, at most 3',
    range: '10 to 30 °C, up to 85 % humidity, ±30 %; outside it there is no number',
  },
} as const satisfies Record<string, Formula>;
