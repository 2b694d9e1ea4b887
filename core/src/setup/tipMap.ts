import type { Tip, TipFamily } from '../tip';
import type { SetupOption, SetupSearch } from './search';

/** How well a tip fits, in words and steps that need no colour. */
export const FITS = ['best', 'good', 'fair', 'poor', 'refused'] as const;
export type Fit = (typeof FITS)[number];

export interface TipCell {
  readonly tip: Tip;
  readonly code: string;
  readonly fit: Fit;
  /** Score over the best of all families, 0 for a refused one. */
  readonly share: number;
  readonly reason: string;
  readonly option?: SetupOption;
}

export interface TipMap {
  readonly family: TipFamily;
  /** Fans across, rising; orifices down, rising. */
  readonly fans: readonly number[];
  readonly orifices: readonly number[];
  readonly cell: (fan: number, orificeThou: number) => TipCell | undefined;
}

/** Share of the best score from which a tip counts as good, and as fair. Judgement. */
const GOOD = 0.94;
const FAIR = 0.82;

function fitOf(share: number): Fit {
  if (share >= 1 - 1e-9) return 'best';
  return share >= GOOD ? 'good' : share >= FAIR ? 'fair' : 'poor';
}

const rising = (numbers: Iterable<number>) => [...new Set(numbers)].sort((a, b) => a - b);

/**
 * The tips of a family as a map: fan across, orifice down, each with how it fits and why. Rows and columns in which every
 * tip is refused are left out but for those beside one that is not, so that the limits can be seen.
 */
export function tipMap({ options, refused }: SetupSearch, family: TipFamily): TipMap {
  const best = options[0]?.score ?? 1;
  const cells = new Map<string, TipCell>();
  const key = (fan: number, orifice: number) => `${fan} ${orifice}`;
  const ofFamily = options.filter(({ candidate }) => candidate.tip.family === family);
  for (const option of ofFamily) {
    const { tip } = option.candidate;
    const share = option.score / best;
    cells.set(key(tip.fan, tip.orificeThou), {
      tip,
      code: option.code,
      fit: fitOf(share),
      share,
      reason: option.reason,
      option,
    });
  }
  for (const { tip, code, message } of refused) {
    if (tip.family !== family) continue;
    cells.set(key(tip.fan, tip.orificeThou), { tip, code, fit: 'refused', share: 0, reason: message });
  }
  const all = [...cells.values()];
  const shown = (of: (tip: Tip) => number): readonly number[] => {
    const every = rising(all.map(({ tip }) => of(tip)));
    const fit = all.filter(({ fit: how }) => how !== 'refused').map(({ tip }) => of(tip));
    if (fit.length === 0) return every;
    const low = every.indexOf(Math.min(...fit));
    const high = every.indexOf(Math.max(...fit));
    return every.slice(Math.max(0, low - 1), high + 2);
  };
  return {
    family,
    fans: shown(({ fan }) => fan),
    orifices: shown(({ orificeThou }) => orificeThou),
    cell: (fan, orifice) => cells.get(key(fan, orifice)),
  };
}
