import { coatingValues } from '../../coating';
import { FAMILY_DATA } from '../../tip';
import { of, type UnitSystem } from '../../units';
import type { Candidate } from '../candidate';
import { EVEN_FAN_RANGE } from '../evenFan';
import { learnedEvenFan, type SetupRequest } from '../request';
import { handRange, type DialInSetup } from './dialIn';
import type { ThickSchool } from './moves';

/** Paint under this temperature is warmed before it is thinned. */
const COLD_PAINT = of(16, '°C');
/** Pressure that the pump lacks before it counts as at its limit, relative. */
const SHORT = 0.01;

export interface DialInChoices {
  readonly school?: ThickSchool;
  /** The crew has seen this tip clog with this paint. */
  readonly clogs?: boolean;
}

/**
 * The dial-in of one tip on one surface: between the family's band and what pump and hose leave at the gun, expecting
 * the even-fan pressure of the card, in steps a hand can set.
 */
export function dialInFor(
  { tip, band, evenFanPressure }: Pick<Candidate, 'tip' | 'band' | 'evenFanPressure'>,
  request: SetupRequest,
  { school = 'thin first', clogs = false }: DialInChoices = {},
  system: UnitSystem = 'metric',
): DialInSetup {
  const { low, high } = FAMILY_DATA[tip.family].band;
  const learned = learnedEvenFan(request, tip.family);
  const ratio = (end: 'low' | 'high') => (learned ? learned[end] / learned.value : EVEN_FAN_RANGE[end]);
  const wanted = Math.min(high, EVEN_FAN_RANGE.high * evenFanPressure);
  return {
    range: handRange(band.start, Math.min(low, band.start), band.stop, system),
    expected: {
      value: evenFanPressure,
      low: evenFanPressure * ratio('low'),
      high: evenFanPressure * ratio('high'),
    },
    pumpAtLimit: band.stop < wanted * (1 - SHORT),
    coldPaint: request.paintTemperature !== undefined && request.paintTemperature < COLD_PAINT,
    mayThin: request.thinning < coatingValues(request.coating).thinningLimit - 1e-9,
    clogs,
    school,
  };
}
