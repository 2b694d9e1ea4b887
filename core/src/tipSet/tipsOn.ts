import { checkRequest, rankTips, searchContext, tipDialledIn, type SetupRequest } from '../setup';
import { isSameTip } from '../tip';
import type { UnitSystem } from '../units';
import type { TipOnSurface } from './tipSet';

/**
 * Every tip that works on a surface, with what it does there; one that was dialled in on it alone, since what was measured stays. None where
 * the set-up is refused.
 */
export function tipsOn(request: SetupRequest, system: UnitSystem = 'metric'): readonly TipOnSurface[] {
  const area = checkRequest(request, system);
  if (!area.ok) return [];
  const { tips } = rankTips(searchContext(request, area.value), system);
  const dialled = tipDialledIn(request);
  const fixed = dialled && tips.filter(({ candidate }) => isSameTip(candidate.tip, dialled));
  return (fixed && fixed.length > 0 ? fixed : tips).map(({ candidate, score }) => ({
    tip: candidate.tip,
    score,
    time: candidate.sprayingTime,
    paint: candidate.flow * candidate.triggerTime,
    variation: candidate.overlap.variation,
  }));
}
