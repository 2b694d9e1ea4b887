import { explain, given, type Explained } from '../explain';
import {
  accept,
  firstRefusal,
  quantity,
  refuse,
  within,
  type Fraction,
  type Result,
  type Temperature,
  type UnitSystem,
} from '../units';
import { cupSeconds, cupsFor, kinematicOfPaint, type CupAnswer, type CupId } from './cups';
import { coatingInput, coatingValues } from './properties';
import type { Coating } from './coating';
import { PAINT_LIMITS, REFERENCE_TEMPERATURE, temperatureFactor } from './rheology';
import { usualSlopes, type PaintSlopes } from './slopes';

/** How a paint stands in its container. */
export interface PaintState {
  readonly temperature: Temperature;
  /** Thinner per volume of paint. */
  readonly thinner: Fraction;
  readonly slopes?: PaintSlopes;
}

/** Low-shear viscosity of a coating as it stands: at its temperature, with the thinner in it. */
export function viscosityOf(
  coating: Coating,
  { temperature, thinner, slopes }: PaintState,
  system: UnitSystem = 'metric',
): Result<Explained> {
  const failed = firstRefusal(
    within(temperature, PAINT_LIMITS.temperature, 'temperature', system, 'temperature', 'Paint temperature'),
    within(thinner, PAINT_LIMITS.thinner, 'percent', system, 'thinner', 'Thinner per paint'),
  );
  if (failed) return failed;
  const paint = coatingInput(coating, 'viscosityLowShear');
  const { thinning: k, temperature: B } = slopes ?? usualSlopes(quantity(paint.value));
  const at = given('Paint temperature', 'temperature', temperature, 'Measured');
  const atTemperature = (v: { paint: number; at: number; B: number }) =>
    v.paint * temperatureFactor(quantity(v.at), REFERENCE_TEMPERATURE, v.B);
  if (thinner === 0) {
    return accept(explain('viscosity at temperature', 'viscosity', { paint, at, B }, atTemperature));
  }
  const r = given('Thinner per paint', 'percent', thinner, 'Written down');
  return accept(
    explain(
      'thinned viscosity',
      'viscosity',
      { paint, at, B, k, r },
      (v) => atTemperature(v) * Math.exp((-v.k * v.r) / (1 + v.r)),
    ),
  );
}

export interface CupChoice {
  readonly cup: CupId;
  readonly seconds: CupAnswer;
  readonly others: readonly CupId[];
}

/** The cup to use for a paint as it stands, with the seconds to expect; other cups that would do. */
export function cupForPaint(
  coating: Coating,
  state: PaintState,
  system: UnitSystem = 'metric',
): Result<CupChoice> {
  const viscosity = viscosityOf(coating, state, system);
  if (!viscosity.ok) return viscosity;
  const kinematic = kinematicOfPaint(
    quantity(viscosity.value.value),
    quantity(coatingValues(coating).density),
  );
  const [cup, ...others] = cupsFor(kinematic);
  if (cup === undefined) {
    return refuse(
      'cup.none',
      'coating',
      'No standard cup reads this paint in its middle range. Use an own cup and compare seconds, or a viscometer.',
    );
  }
  const seconds = cupSeconds(cup, kinematic, system);
  return seconds.ok ? accept({ cup, seconds: seconds.value, others }) : seconds;
}
