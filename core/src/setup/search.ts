import { archetypeOf } from '../coating';
import { orificeDiameter, sealFor, tipCatalogue, writeTipCode, type SealAdvice, type Tip } from '../tip';
import { accept, refuse, type Result, type UnitSystem } from '../units';
import { checkRequest } from './check';
import { tooHeavyFor } from './doubts';
import { adviceOn, rankTips, type RankedTip, type TipAdvice } from './rank';
import { coatingMesh, meshFor, searchContext, type SetupRequest } from './request';

/** How fine a finish a tip leaves on this piece, from its family and what the gun hand has to do. */
export const FINISHES = ['fine', 'good', 'plain'] as const;
export type Finish = (typeof FINISHES)[number];

/** One tip of the catalogue with everything it means for this surface. All numbers SI; the card explains each. */
export interface SetupOption extends TipAdvice {
  readonly mesh: number;
  readonly seal: SealAdvice;
  readonly finish: Finish;
}

export interface RefusedTip {
  readonly tip: Tip;
  readonly code: string;
  /** Machine-readable: which limit; and the sentence for people. */
  readonly why: string;
  readonly message: string;
}

export interface SetupSearch {
  readonly options: readonly SetupOption[];
  readonly refused: readonly RefusedTip[];
}

/** Film variation, the hand's scatter in it, up to which a fan that suits the finish counts as fine: a lap of one half. */
const FINE_VARIATION = 0.15;

function finishOf({ fitness, candidate: { overlap } }: RankedTip): Finish {
  if (fitness.family >= 0.85 && fitness.speed > 0.6 && overlap.variation <= FINE_VARIATION) return 'fine';
  return fitness.family >= 0.5 && fitness.speed > 0.3 ? 'good' : 'plain';
}

/**
 * Every tip of a catalogue worked out for a surface, best first, each with the reason a person would give; and every
 * tip left out with the limit it breaks.
 * @returns a refusal for a request that cannot be worked out, or a catalogue with nothing in it
 */
export function searchSetups(
  request: SetupRequest,
  system: UnitSystem = 'metric',
  catalogue: readonly Tip[] = tipCatalogue(),
): Result<SetupSearch> {
  if (catalogue.length === 0) {
    return refuse(
      'setup.catalogue',
      'catalogue',
      'There are no tips to choose from. Add the tips you own or can buy.',
    );
  }
  const area = checkRequest(request, system);
  if (!area.ok) return area;
  const heavy = tooHeavyFor(request);
  if (heavy) return heavy;
  const context = searchContext(request, area.value);
  const { tips, refused } = rankTips(context, system, catalogue);
  const [best] = tips;
  const { base } = archetypeOf(request.coating.archetype);
  const mesh = coatingMesh(request.coating);
  return accept({
    options: tips.map((one) => {
      const { tip } = one.candidate;
      return {
        ...adviceOn(one, context, system, best),
        mesh: meshFor(mesh, orificeDiameter(tip)),
        seal: sealFor(tip.family, base),
        finish: finishOf(one),
      };
    }),
    refused: refused.map(({ tip, refusal }) => ({
      tip,
      code: writeTipCode(tip),
      why: refusal.code,
      message: refusal.message,
    })),
  });
}
