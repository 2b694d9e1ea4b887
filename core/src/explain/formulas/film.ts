import type { Formula } from './formula';

/** Formulas about film, combs, coats and overlap. */
export const FILM_FORMULAS = {
  'spreading rate': {
    name: 'Theoretical spreading rate',
    expression: 'm²/L = 1000 · VS ÷ DFT in μm',
    source: 'Volume balance; 1,604 ft²·mil/gal for pure solids',
    range: 'Nothing lost; divide by what lands for the practical rate',
  },
  'film of a pass': {
    name: 'Wet film passes lay',
    expression: 'WFT = (Q · air · over ÷ (W · (1 − overlap) · fit · v) − soaks) ÷ texture',
    source: 'Volume balance of the passes on a piece',
    range: 'Mean over the piece, on its true area',
  },
  'comb mean': {
    name: 'Wet film by the comb',
    expression:
      'mean of the middles; s² = (4 · (0.1 · mean)² + Σ (middle − mean)²) ÷ (3 + n); u² = s² ÷ n + Σ width² ÷ 12 n²; mean ± t · u',
    source:
      'ISO 2808 and ASTM D4414 for a reading; JCGM 100:2008 for the mean of intervals; a hand’s scatter of 10 % counts as four readings',
    range: 'One reading is an interval between two teeth; three or more readings on wet paint give a mean',
  },
  'speed after comb': {
    name: 'Gun speed after a comb reading',
    expression: 'v = v now · (mean + soaks) ÷ (target + soaks)',
    source: 'What is laid goes with one over gun speed; what soaks in is laid and not read',
    range: 'Same tip, pressure and overlap',
  },
  'coats needed': {
    name: 'Coats for a dry film in all',
    expression: 'n = ⌈DFT total ÷ largest dry film of a coat⌉',
    source: 'Wet film of a coat under the sag limit; WFT = DFT · (1 + r) ÷ VS',
    range: 'Coats of one coating; primer counts apart',
  },
  'dry film of a system': {
    name: 'Dry film of all coats together',
    expression: 'DFT = Σ nᵢ · DFTᵢ',
    source:
      'Sum over the layers that cover all of the surface; dry film of a coat by data sheet or working default',
    range: 'Spots primed by themselves are not counted',
  },
  'waiting of a system': {
    name: 'Waiting from the first coat to the last',
    expression: 't = Σ tᵢ for each coat that another follows',
    source: 'Recoat times at 23 °C and 50 % relative humidity',
    range: 'Colder or damper: the recoat clock of the day',
  },
  'film variation': {
    name: 'Film variation of many passes',
    expression:
      'mean CV of Σ f(s) for a fan 0.9, 1 and 1.1 times as wide as believed, with the hand’s scatter of the lap',
    source: 'Fan profile model, docs/method.md',
    range: 'Parallel passes; a hand scatters by about 5 % of the width',
  },
  'best overlap': {
    name: 'Overlap with the least film variation',
    expression: 'least mean CV over a fan ±10 % misjudged, overlap 0 to 50 %',
    source: 'Fan profile model, docs/method.md',
    range: 'Up to one half: more evens out further, at the cost of more passes',
  },
} as const satisfies Record<string, Formula>;
