import type { Formula } from './formula';

/** Formulas about air, surface and wind. */
export const WEATHER_FORMULAS = {
  'dew point': {
    name: 'Dew point',
    expression: 'Td = c · γ ÷ (b − γ), γ = ln(RH) + b · T ÷ (c + T), b = 17.625, c = 243.04 °C',
    source: 'Magnus formula, coefficients of Alduchov and Eskridge (1996)',
    range: '−40 to 50 °C, within 0.4 °C',
  },
  'surface margin': {
    name: 'Surface above the dew point',
    expression: 'T surface − Td',
    source: 'ISO 8502-4: at least 3 °C',
    range: 'Now and until the film is dry',
  },
  'wind limit': {
    name: 'Wind to stop at',
    expression:
      'limit · (305 mm ÷ D) · (way at the edge of fan 5 ÷ way at this fan’s edge), sooner near others',
    source: 'Working limit 7 m/s (narrow the fan from 3); drift grows with the way a drop flies',
    range: 'Judgement, held between half and one and a half of the limit; local rules come first',
  },
  'drift reach': {
    name: 'How far a drop drifts',
    expression: 'x = wind · height ÷ settling speed',
    source: 'Settling speed with the drag of Schiller and Naumann (1935)',
    range: 'Drops of 20 to 200 μm in steady wind; fans make drops of about 100 μm, ±40 %',
  },
} as const satisfies Record<string, Formula>;
