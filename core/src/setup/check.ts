import { REFERENCE_TEMPERATURE, archetypeOf, checkCoating, coatingValues } from '../coating';
import { LINE_LIMITS } from '../line';
import { measure, type AreaBreakdown } from '../takeoff';
import {
  accept,
  firstRefusal,
  of,
  quantity,
  refuse,
  within,
  type Area,
  type Result,
  type UnitSystem,
} from '../units';
import type { SetupRequest } from './request';

const COATS_LIMIT = 9;

/** Hoses, height and sprayer as this request has them. */
function checkHoses({ hoses, lift, sprayer, paintTemperature }: SetupRequest, system: UnitSystem) {
  const { length, bore, height, maxFlow, pressure } = LINE_LIMITS;
  return firstRefusal(
    ...hoses.flatMap((hose, index) => [
      within(hose.length, length, 'hoseLength', system, `hoses.${index}.length`, 'Hose length'),
      within(hose.bore, bore, 'bore', system, `hoses.${index}.bore`, 'Inside diameter'),
    ]),
    within(lift, height, 'size', system, 'lift', 'Gun above pump'),
    within(sprayer.maxFlow, maxFlow, 'flow', system, 'sprayerId', 'What the sprayer gives'),
    within(sprayer.maxPressure, pressure, 'pressure', system, 'sprayerId', 'Highest pressure of the sprayer'),
    within(
      paintTemperature ?? REFERENCE_TEMPERATURE,
      { min: of(0, '°C'), max: of(45, '°C') },
      'temperature',
      system,
      'paintTemperature',
      'Paint temperature',
    ),
  );
}

/** Whether a request can be worked out at all: sizes, coats, coating values, thinning, solvent in a water-only sprayer. */
export function checkRequest(request: SetupRequest, system: UnitSystem): Result<AreaBreakdown> {
  const measured = measure(request.geometry, system);
  if (!measured.ok) return measured;
  const { spots = 1 } = request;
  if (!(spots > 0 && spots <= 1))
    return refuse('spots', 'spots', 'Spots are a share of the surface from above 0 to 100 %.');
  const { value: whole } = measured;
  const area = spots < 1 ? accept({ ...whole, net: quantity<Area>(whole.net * spots) }) : measured;
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
  const line = checkHoses(request, system);
  if (line) return line;
  if (archetypeOf(coating.archetype).base === 'solvent' && sprayer.waterOnly) {
    return refuse(
      'sprayer.base',
      'sprayerId',
      'This coating carries solvent and this sprayer is for water-borne paint only: its packings would fail and sparks could ignite the mist. Choose another sprayer or a water-borne coating.',
    );
  }
  return area;
}
