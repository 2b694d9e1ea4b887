import { accept, refuse, type Result } from '../units';
import { FAMILY_DATA, type TipFamily } from './family';

/** Seats a tip seals on, named by what they do. */
export const SEALS = {
  plain: 'Plain seat',
  'pre-orifice': 'Deep seat, with room for the pre-orifice',
  'large-bore': 'Large-bore seat',
} as const;
export type Seal = keyof typeof SEALS;

/** Working default: which seat a family takes. The sheet of the tip and of the guard comes first. */
const SEAL_OF_FAMILY: Readonly<Record<TipFamily, Seal>> = {
  standard: 'plain',
  'low-pressure': 'plain',
  'fine-finish': 'pre-orifice',
  wide: 'plain',
  'heavy-texture': 'large-bore',
};

/** What the ring of the seal is made of: soft ones swell in solvent. */
const RING = { water: 'soft ring', solvent: 'solvent-proof ring' } as const;

export interface SealAdvice {
  readonly seal: Seal;
  readonly name: string;
  readonly ring: string;
  readonly reason: string;
}

/** The seal a family takes for a base of paint. */
export function sealFor(family: TipFamily, base: 'water' | 'solvent'): SealAdvice {
  const seal = SEAL_OF_FAMILY[family];
  const why = base === 'solvent' ? 'Solvent swells a soft ring until it leaks. ' : '';
  return {
    seal,
    name: SEALS[seal],
    ring: RING[base],
    reason: `${why}Working default for ${FAMILY_DATA[family].name.toLowerCase()} tips; the sheet of tip and guard comes first.`,
  };
}

/** Refuses a seal that does not fit the family: it leaks at the guard, at full pressure. */
export function checkSeal(family: TipFamily, fitted: Seal, field = 'seal'): Result<Seal> {
  const right = SEAL_OF_FAMILY[family];
  if (fitted === right) return accept(right);
  return refuse(
    'seal.family',
    field,
    `A ${family} tip seals on a ${SEALS[right].toLowerCase()}, not on a ${SEALS[fitted].toLowerCase()}: it would leak at the guard under full pressure. Relieve the pressure and change the seal.`,
  );
}
