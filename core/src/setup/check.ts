import { archetypeOf, checkCoating, coatingValues } from '../coating';
import { measure, type AreaBreakdown } from '../takeoff';
import { refuse, type Result, type UnitSystem } from '../units';
import type { SetupRequest } from './request';

const COATS_LIMIT = 9;
/** Whether a request can be worked out at all: sizes, coats, coating values, thinning, solvent in a water-only sprayer. */
export function checkRequest(request: SetupRequest, system: UnitSystem): Result<AreaBreakdown> {
  const area = measure(request.geometry, system);
  if (!area.ok) return area;
  const { coats, coating, thinning, sprayer } = request;
  if (!Number.isInteger(coats) || coats < 1 || coats > COATS_LIMIT) {
    return refuse('coats', 'coats', `Coats must be a whole number from 1 to ${COATS_LIMIT}.`);
  }
  const checked = checkCoating(coating, system);
  if (!checked.ok) return checked;
  const { thinningLimit } = coatingValues(coating);
  if (!(thinning >= 0 && thinning <= thinningLimit + 1e-9)) {
    const limit = Math.round(thinningLimit * 1000) / 10;
    return refuse(
      'thinning.limit',
      'thinning',
      `Thin this coating by ${limit} % at most. Warm it, or fit a larger orifice instead.`,
    );
  }
  if (archetypeOf(coating.archetype).base === 'solvent' && sprayer.waterOnly) {
    return refuse(
      'sprayer.base',
      'sprayerId',
      'This coating carries solvent and this sprayer is for water-borne paint only: its packings would fail and sparks could ignite the mist. Choose another sprayer or a water-borne coating.',
    );
  }
  return area;
}
