import { coatingInput } from '../coating';
import { explain, given, type Explained } from '../explain';
import { bracketedRoot } from '../line';
import { FAMILY_DATA, type TipFamily } from '../tip';
import { accept, of, quantity, refuse, to, type Length, type Result, type UnitSystem } from '../units';
import { demandOf } from './carries';
import { checkRequest } from './check';
import { fluidFrom, viscosityInput, type SetupRequest } from './request';

export interface LargestTip {
  /** Largest orifice the family is made in that this line carries, thou. */
  readonly orificeThou: number;
  readonly orifice: Explained;
  readonly limitedBy: 'sprayer' | 'flow' | 'pressure' | 'family';
  readonly words: string;
}

const WORDS = {
  sprayer: 'The sprayer is not rated for a larger orifice.',
  flow: 'A larger one would take nearly all the pump gives, or more: pressure would sag under the trigger.',
  pressure:
    'With a larger one the pump could not hold the pressure through this hose. A wider or shorter hose helps.',
  family: 'The family is not made larger.',
} as const;

/** Finest and coarsest orifice looked at, m. */
const RANGE = { low: of(0.003, 'in'), high: of(0.06, 'in') } as const;

/** The largest orifice with flow and pump pressure inside the limits, and which limit it meets first. */
function limitOf(
  request: SetupRequest,
  family: TipFamily,
  paint: Record<'low' | 'high' | 'density', number>,
) {
  const fluid = fluidFrom(paint.low, Math.min(paint.high, paint.low), paint.density, request);
  const over = (orifice: number) => {
    const { ofFlow, ofPressure } = demandOf(request, fluid, family, quantity<Length>(orifice));
    return { flow: ofFlow - 1, pressure: ofPressure - 1 };
  };
  const worst = (orifice: number) => Math.max(...Object.values(over(orifice)));
  if (worst(RANGE.low) > 0) return { orifice: 0, by: 'pressure' as const };
  const orifice = worst(RANGE.high) < 0 ? RANGE.high : bracketedRoot(worst, RANGE.low, RANGE.high, 1e-9);
  const { flow, pressure } = over(orifice);
  return { orifice, by: flow >= pressure ? ('flow' as const) : ('pressure' as const) };
}

/** Largest orifice of a family up to a diameter, thou; none when it is made no finer. */
function madeUpTo(family: TipFamily, thou: number): number | undefined {
  const { low, high, evenToo } = FAMILY_DATA[family].orifices;
  const whole = Math.min(high, Math.floor(thou + 1e-6));
  const made = evenToo || whole % 2 === 1 ? whole : whole - 1;
  return made >= low ? made : undefined;
}

/**
 * The largest tip of a family that this machine carries with this hose and paint, as the search takes it.
 * @returns a refusal when it carries none
 */
export function largestTip(
  request: SetupRequest,
  family: TipFamily,
  system: UnitSystem = 'metric',
): Result<LargestTip> {
  const area = checkRequest(request, system);
  if (!area.ok) return area;
  const low = viscosityInput(request, 'viscosityLowShear');
  const high = viscosityInput(request, 'viscosityHighShear');
  const density = coatingInput(request.coating, 'density');
  const { orifice, by } = limitOf(request, family, {
    low: low.value,
    high: high.value,
    density: density.value,
  });
  const rated = request.sprayer.largestOrificeThou;
  const thou = Math.min(to(quantity<Length>(orifice), 'in') * 1000, rated);
  const made = madeUpTo(family, thou);
  if (made === undefined) {
    return refuse(
      'tip.none',
      'sprayerId',
      `No ${family} tip is small enough for this sprayer with this hose and paint. ${by === 'pressure' ? WORDS.pressure : WORDS.flow}`,
    );
  }
  const limitedBy =
    made >= FAMILY_DATA[family].orifices.high ? 'family' : orifice >= of(rated / 1000, 'in') ? 'sprayer' : by;
  return accept({
    orificeThou: made,
    limitedBy,
    words: WORDS[limitedBy],
    orifice: explain(
      'largest tip',
      'orifice',
      {
        low,
        high,
        density,
        rated: given('Largest orifice of the sprayer', 'orifice', of(rated / 1000, 'in'), 'Sprayer'),
      },
      (v) => Math.min(limitOf(request, family, v).orifice, v.rated),
    ),
  });
}
