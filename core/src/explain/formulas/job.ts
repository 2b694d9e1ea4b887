import type { Formula } from './formula';

/** Formulas about a whole job: what is used up and how long it takes. */
export const JOB_FORMULAS = {
  'consumable by length': {
    name: 'Tape and paper',
    expression: 'L = masking line · share · spare',
    source: 'Take-off: round each opening and along the foot of walls',
    range: 'Straight runs; overlaps and waste 5 to 30 %',
  },
  'consumable by area': {
    name: 'Film and floor cover',
    expression: 'A = area · spare',
    source: 'Take-off: openings; ceilings, or a strip of 1 m along the walls',
    range: 'Furniture and façades beside the work are not in it',
  },
  'consumable by paint': {
    name: 'Strainers and filters',
    expression: 'n = ⌈coatings + paint ÷ paint through one⌉',
    source: 'One for each coating, and more by volume',
    range: 'Clean containers; lumpy paint takes more',
  },
  'consumable by count': {
    name: 'Used by the day or the piece',
    expression: 'V = count · amount of each',
    source: 'Working default',
    range: 'As long as the count holds',
  },
  'tip wear': {
    name: 'Tip wear of a job',
    expression: 'n = Σ volume ÷ life',
    source: 'Lives by abrasion class; likely paint of each coating',
    range: 'What the work wears, not what is bought; a tip of the rack may be half worn',
  },
  'hours of spraying': {
    name: 'Hours of spraying',
    expression: 't = trigger time ÷ share of the time with the trigger open',
    source: 'Trigger time of the set-up cards; share 45 to 65 %',
    range: 'One gun; ladders and scaffolds are not in it',
  },
  'hours of masking': {
    name: 'Hours of masking and covering',
    expression: 't = line ÷ rate + floor ÷ rate + fittings ÷ rate',
    source: 'Take-off and working rates',
    range: 'One person; taking off again is not in it',
  },
  'hours of preparing': {
    name: 'Hours of preparing',
    expression: 't = washed ÷ rate + Σ area by state · time for a square metre of it',
    source: 'Take-off, state of the surfaces and working rates',
    range: 'Good, fair, poor: scraping 0, 1, 4; filling 0.3, 1, 3; sanding 0.5, 1, 2.5 times a fair surface',
  },
  'hours by area': {
    name: 'Hours by area',
    expression: 't = area · time for a square metre',
    source: 'Take-off and working rates',
    range: 'One person',
  },
  'hours by method': {
    name: 'Hours by method',
    expression: 't = area ÷ rate + edges ÷ cutting in + covering + machine',
    source: 'Take-off, systems and working rates; for spraying the hours of the plan',
    range: 'One person, as many coats each way; ladders and moving house are in none of them',
  },
  'paint by method': {
    name: 'Paint by method',
    expression: 'V = paint that stays on ÷ (1 − share lost) + what stays in the pump',
    source: 'Plan of the job and working rates',
    range: 'The same film each way; hoses that are filled are not in it',
  },
  'hours by rate': {
    name: 'Hours by rate',
    expression: 't = amount ÷ amount in an hour',
    source: 'Take-off and working rates',
    range: 'One person',
  },
  'hours by share': {
    name: 'Hours that are a share of others',
    expression: 't = hours · share it is for · share',
    source: 'Hours of this job and working rates',
    range: 'As long as the hours hold',
  },
  'hours by count': {
    name: 'Hours for pieces',
    expression: 't = pieces ÷ pieces in an hour',
    source: 'Take-off and working rates',
    range: 'One person',
  },
  'hours by time each': {
    name: 'Hours for repeated work',
    expression: 't = Σ times · time of each',
    source: 'Working rates',
    range: 'Machine at hand',
  },
} as const satisfies Record<string, Formula>;
