import { accept, refuse, type Result } from '../../units';
import type { Move } from './moves';
import { SEEN, type Seen } from './pattern';

/** What else the crew can tell, beside the pattern. */
export const CLUES = [
  'full pressure',
  'pump at its limit',
  'cold paint',
  'narrow fan',
  'clogs often',
  'sags under the trigger',
] as const;
export type Clue = (typeof CLUES)[number];

type Sign = Exclude<Seen, 'even'> | Clue;
const SIGNS: readonly Sign[] = [
  ...SEEN.filter((one): one is Exclude<Seen, 'even'> => one !== 'even'),
  ...CLUES,
];

interface FaultData {
  readonly name: string;
  /** How often it is the trouble, before anything is seen. Judgement. */
  readonly prior: number;
  /** How often each sign shows with this fault; 0.03 where not given. Judgement. */
  readonly signs: Partial<Record<Sign, number>>;
  readonly first: Move;
}

/** Faults with the signs they give. Every figure is working judgement: it orders what to try, it proves nothing. */
export const FAULTS = {
  'low pressure': {
    name: 'Pressure too low',
    prior: 0.25,
    signs: { tails: 0.9, 'heavy edges': 0.3 },
    first: 'raise pressure',
  },
  'high pressure': {
    name: 'Pressure too high',
    prior: 0.1,
    signs: { fog: 0.9, 'full pressure': 0.5 },
    first: 'lower pressure',
  },
  'thick paint': {
    name: 'Paint too thick',
    prior: 0.12,
    signs: { tails: 0.75, 'heavy edges': 0.45, 'full pressure': 0.7, 'clogs often': 0.25 },
    first: 'thin',
  },
  'cold paint': {
    name: 'Paint too cold',
    prior: 0.08,
    signs: { tails: 0.75, 'heavy edges': 0.4, 'full pressure': 0.6, 'cold paint': 0.97 },
    first: 'warm',
  },
  'worn tip': {
    name: 'Tip worn',
    prior: 0.12,
    signs: { 'heavy edges': 0.4, split: 0.3, 'narrow fan': 0.9, tails: 0.4, 'sags under the trigger': 0.2 },
    first: 'new tip',
  },
  'clogged tip': {
    name: 'Tip partly clogged',
    prior: 0.12,
    signs: { 'one-sided': 0.75, split: 0.45, spitting: 0.3, 'clogs often': 0.5 },
    first: 'clean tip',
  },
  'orifice too large': {
    name: 'Orifice too large for the pump',
    prior: 0.06,
    signs: {
      tails: 0.7,
      'full pressure': 0.6,
      'pump at its limit': 0.95,
      'sags under the trigger': 0.85,
      pulsing: 0.3,
    },
    first: 'smaller orifice',
  },
  'orifice too small': {
    name: 'Orifice too small for the paint',
    prior: 0.06,
    signs: { 'clogs often': 0.8, fog: 0.3, spitting: 0.2, tails: 0.2 },
    first: 'larger orifice',
  },
  'blocked filter': {
    name: 'Filter blocked',
    prior: 0.08,
    signs: { pulsing: 0.35, spitting: 0.3, tails: 0.4, 'sags under the trigger': 0.5, 'full pressure': 0.4 },
    first: 'clean filters',
  },
  'air in the paint': {
    name: 'Air in the suction',
    prior: 0.05,
    signs: { spitting: 0.75, pulsing: 0.55 },
    first: 'prime',
  },
  'worn packings': {
    name: 'Pump packings or valves worn',
    prior: 0.04,
    signs: { pulsing: 0.85, 'sags under the trigger': 0.45, 'pump at its limit': 0.3 },
    first: 'service pump',
  },
  'leaking seal': {
    name: 'Tip seal leaking or wrong',
    prior: 0.03,
    signs: { spitting: 0.8, 'one-sided': 0.2 },
    first: 'change seal',
  },
} as const satisfies Record<string, FaultData>;

export type Fault = keyof typeof FAULTS;
const FAULT_IDS = Object.keys(FAULTS) as Fault[];
/** A sign that a fault does not give still shows now and then. */
const STRAY = 0.03;

export interface Diagnosis {
  readonly fault: Fault;
  readonly name: string;
  /** Share of belief among all faults, 0 to 1. */
  readonly likelihood: number;
  /** The signs that speak for it, strongest first. */
  readonly because: readonly Sign[];
  readonly first: Move;
}

/**
 * Faults behind what is seen, most likely first (naive Bayes over the table above: signs not seen count against a
 * fault that usually gives them).
 * @returns a refusal when nothing is wrong or nothing was said
 */
export function diagnose(signs: readonly Sign[]): Result<readonly Diagnosis[]> {
  const given = new Set(signs);
  if (given.size === 0) {
    return refuse('diagnosis.none', 'signs', 'Say what the card shows. An even fan needs nothing.');
  }
  const weights = FAULT_IDS.map((fault) => {
    const data: FaultData = FAULTS[fault];
    return SIGNS.reduce((weight, sign) => {
      const chance = data.signs[sign] ?? STRAY;
      return weight * (given.has(sign) ? chance : 1 - chance);
    }, data.prior);
  });
  const total = weights.reduce((sum, weight) => sum + weight, 0);
  const found = FAULT_IDS.map((fault, index): Diagnosis => {
    const data: FaultData = FAULTS[fault];
    return {
      fault,
      name: data.name,
      likelihood: (weights[index] ?? 0) / total,
      because: [...given]
        .filter((sign) => (data.signs[sign] ?? 0) >= 0.2)
        .sort((a, b) => (data.signs[b] ?? 0) - (data.signs[a] ?? 0)),
      first: data.first,
    };
  });
  return accept(found.sort((a, b) => b.likelihood - a.likelihood));
}
