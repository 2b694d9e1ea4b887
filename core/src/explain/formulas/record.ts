import type { Formula } from './formula';

/** Formulas about what the log says. */
export const RECORD_FORMULAS = {
  'learned value': {
    name: 'Value learned from the log',
    expression:
      'exp of the mean of log job values and log default by precision; a job value is the same of its readings',
    source: 'Normal prior in logarithms; Tukey biweight (c = 4.685) over readings, then over jobs',
    range: 'From two jobs on, one entry ten times too big moves it by less than 5 %',
  },
  'dry film logged': {
    name: 'Dry film so far',
    expression: 'what a dry gauge read + Σ wet film by comb of each coat since · VS of its coating ÷ (1 + r)',
    source: 'Site log',
    range: 'A dry gauge stands for all coats before it; thinner is that of each coat',
  },
  'touch dry': {
    name: 'Dry to touch',
    expression: 't = recoat time in this weather · 0.3',
    source: 'Working judgement after what data sheets commonly give (0.2 to 0.5)',
    range: 'As recoat time: 10 to 30 °C',
  },
  'mask over': {
    name: 'May be masked over',
    expression: 't = max(16 h, recoat time in this weather · 4)',
    source: 'Working judgement (3 to 6 times the recoat time)',
    range: 'As recoat time: 10 to 30 °C; try the tape where nobody looks',
  },
  'recoat closes': {
    name: 'Recoat window closes',
    expression: 't = closing time of this kind of coating',
    source: 'Working judgement by coating; the data sheet comes first',
    range: 'Solvent enamels and primers; other coatings are taken as staying open',
  },
  'paint of a coat': {
    name: 'Paint of one coat, planned',
    expression: 'V = A · (texture · DFT ÷ VS + absorbed) ÷ (TE · over) · (1 + r)',
    source: 'Volume balance, thinner in it; absorbed on the first coat only',
    range: 'Through the gun: without what stays in containers and fills the hose',
  },
  'job factor': {
    name: 'What this job takes over its plan',
    expression: 'mean over the coats done of litres used ÷ litres planned, far-off ones left out',
    source: 'Learned value with the plan as its default (0.8 to 1.25)',
    range: 'Coats of one coating in one job',
  },
  'litres still needed': {
    name: 'Paint still needed',
    expression: 'V = Σ planned litres of the coats not done · job factor',
    source: 'Plan and site log',
    range: 'Paint as it is sold, without the thinner in it; what stays in containers is counted apart',
  },
  'litres at hand': {
    name: 'Paint still at hand',
    expression: 'V = delivered − used − given back, taken away or poured away',
    source: 'Site log',
    range:
      'Paint as it is sold, as far as it was written down; what sticks in containers (1 to 4 %) is still in it',
  },
  'tip wear cost': {
    name: 'Paint a wearing tip has cost',
    expression: 'V = Σ litres · (1 − 1 ÷ film ratio) · share the hand does not make good',
    source: 'Film of the worn tip over the new one between two measured fans; share 0.5 (0.2 to 0.8)',
    range: 'From the first measured fan on',
  },
} as const satisfies Record<string, Formula>;
