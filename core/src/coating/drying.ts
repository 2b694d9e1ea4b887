import { explain, given, workingDefault, type Explained } from '../explain';
import {
  accept,
  of,
  refuse,
  showText,
  within,
  type Fraction,
  type Result,
  type Temperature,
  type UnitSystem,
} from '../units';
import { archetypeOf } from './archetypes';
import { coatingInput, coatingValues } from './properties';
import type { Coating } from './coating';
import { REFERENCE_TEMPERATURE } from './rheology';

/** Where the drying rule holds, and how far it may be off. */
export const DRYING = {
  low: of(10, '°C'),
  high: of(30, '°C'),
  /** Times twice for so many degrees colder. */
  doubling: 10,
  referenceHumidity: 0.5,
  /** Largest humidity factor; the rule runs away towards saturated air. */
  humidityCap: 3,
  band: 0.3,
  /** Above it water hardly leaves a film; solvent is stopped by air that is nearly saturated alone. */
  dampest: { water: 0.85, solvent: 0.95 },
} as const;

/** Drying time at a temperature over the time at 23 °C: 2^((23 − T)/10). */
export function dryingTemperatureFactor(at: Temperature): number {
  return 2 ** ((REFERENCE_TEMPERATURE - at) / DRYING.doubling);
}

/** Drying time at a humidity over the time at 50 %, water-borne paint: (100 − 50)/(100 − RH), at most 3. */
export function dryingHumidityFactor(humidity: Fraction): number {
  const open = Math.max(1 - humidity, 1e-9);
  return Math.min(DRYING.humidityCap, (1 - DRYING.referenceHumidity) / open);
}

/**
 * When a coat may be painted over, from temperature and humidity, with its band.
 * @returns a refusal with a sentence and no number outside 10 to 30 °C, below the coating's minimum, or in air too damp
 */
export function recoatTime(
  coating: Coating,
  at: Temperature,
  humidity: Fraction,
  system: UnitSystem = 'metric',
): Result<Explained> {
  const wet = within(humidity, { min: 0, max: 1 }, 'percent', system, 'humidity', 'Humidity');
  if (!wet.ok) return wet;
  const water = archetypeOf(coating.archetype).base === 'water';
  const dampest = DRYING.dampest[water ? 'water' : 'solvent'];
  const lowest = coatingValues(coating).minimumTemperature;
  const degrees = (value: number) => showText(value, 'temperature', system);
  if (!(at >= lowest)) {
    return refuse(
      'drying.cold',
      'temperature',
      Number.isFinite(at)
        ? `${degrees(at)} is below this coating's lowest temperature of ${degrees(lowest)}: it would not form a film. Heat the place or wait.`
        : 'Temperature is missing.',
    );
  }
  if (!(at >= DRYING.low - 1e-9 && at <= DRYING.high + 1e-9)) {
    return refuse(
      'drying.range',
      'temperature',
      `There is no honest drying time at ${degrees(at)}: the rule holds from ${degrees(DRYING.low)} to ${degrees(DRYING.high)}. Go by the data sheet and a touch test.`,
    );
  }
  if (humidity > dampest + 1e-9) {
    return refuse(
      'drying.damp',
      'humidity',
      `There is no honest drying time above ${showText(dampest, 'percent', system)} humidity: the film hardly dries. Dry the air, or go by the data sheet and a touch test.`,
    );
  }
  return accept(
    explain(
      'recoat time',
      'duration',
      {
        time: coatingInput(coating, 'recoatTime'),
        at: given('Temperature', 'temperature', at, 'Measured or forecast'),
        humidity: given('Humidity', 'percent', humidity, 'Measured or forecast'),
        rule: workingDefault(
          'Rule of thumb',
          'factor',
          1,
          1 - DRYING.band,
          1 + DRYING.band,
          'The rule is good to ±30 %',
        ),
      },
      (v) =>
        v.time *
        dryingTemperatureFactor(v.at as Temperature) *
        (water ? dryingHumidityFactor(v.humidity as Fraction) : 1) *
        v.rule,
    ),
  );
}
