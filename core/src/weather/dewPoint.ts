import { explain, type Explained, type Input } from '../explain';
import {
  accept,
  firstRefusal,
  of,
  quantity,
  showText,
  within,
  type Fraction,
  type Result,
  type Temperature,
  type UnitSystem,
} from '../units';

/** Magnus formula over water (Alduchov and Eskridge 1996): b, and c in °C. */
const MAGNUS = { b: 17.625, c: 243.04 } as const;
const ZERO_CELSIUS = of(0, '°C');

/** Dew point of air at a temperature and relative humidity. */
export function dewPoint(air: Temperature, humidity: Fraction): Temperature {
  const { b, c } = MAGNUS;
  const celsius = air - ZERO_CELSIUS;
  const γ = Math.log(humidity) + (b * celsius) / (c + celsius);
  return quantity((c * γ) / (b - γ) + ZERO_CELSIUS);
}

/** Least distance of a surface above the dew point (ISO 8502-4), C°. */
export const LEAST_MARGIN = of(3, 'C°');

export interface SurfaceConditions {
  readonly air: Input;
  readonly humidity: Input;
  readonly surface: Input;
  /** Coldest surface expected until the film is dry; the one of now where no forecast says. */
  readonly coldest?: Input;
  /** Lowest temperature the coating allows. */
  readonly minimum: Temperature;
}

export interface SurfaceCheck {
  readonly dewPoint: Explained;
  readonly margin: Explained;
  /** Every reason not to spray; none when it is fit to spray. */
  readonly stops: readonly {
    readonly code: 'dew' | 'dew in doubt' | 'dew later' | 'cold' | 'cold later';
    readonly words: string;
  }[];
  readonly fit: boolean;
}

const AIR = { min: of(-30, '°C'), max: of(55, '°C') } as const;
const HUMIDITY = { min: 0.02, max: 1 } as const;

/** How well such instruments read, where a reading says nothing of it: C°, share of saturation, C°. */
const READ_TO = { air: 0.5, humidity: 0.03, surface: 1 } as const;

/** A reading with the doubt of its instrument. */
const asRead = (input: Input, doubt: number): Input =>
  input.low < input.high ? input : { ...input, low: input.value - doubt, high: input.value + doubt };

/**
 * Whether a surface is fit to spray: at least 3 °C above the dew point and at or above the coating's minimum, now and
 * through drying. The doubtful end of the dew point counts: a margin that may be under 3 °C is said.
 */
export function checkSurface(
  conditions: SurfaceConditions,
  system: UnitSystem = 'metric',
): Result<SurfaceCheck> {
  const { minimum } = conditions;
  const [air, humidity, surface] = [
    asRead(conditions.air, READ_TO.air),
    asRead(conditions.humidity, READ_TO.humidity),
    asRead(conditions.surface, READ_TO.surface),
  ];
  const coldest = conditions.coldest ?? surface;
  const failed = firstRefusal(
    within(air.value, AIR, 'temperature', system, 'air', 'Air temperature'),
    within(humidity.value, HUMIDITY, 'percent', system, 'humidity', 'Humidity'),
    within(surface.value, AIR, 'temperature', system, 'surface', 'Surface temperature'),
    within(coldest.value, AIR, 'temperature', system, 'coldest', 'Coldest surface to come'),
    within(minimum, AIR, 'temperature', system, 'minimum', 'Lowest temperature of the coating'),
  );
  if (failed) return failed;
  const dew = explain('dew point', 'temperature', { air, humidity }, (v) =>
    dewPoint(quantity(v.air), quantity(Math.min(1, v.humidity))),
  );
  const margin = explain(
    'surface margin',
    'temperatureMargin',
    { surface, air, humidity },
    (v) => v.surface - dewPoint(quantity(v.air), quantity(Math.min(1, v.humidity))),
  );
  const degrees = (value: number) => showText(value, 'temperature', system);
  const apart = showText(LEAST_MARGIN, 'temperatureMargin', system);
  const stops: { code: SurfaceCheck['stops'][number]['code']; words: string }[] = [];
  if (margin.value < LEAST_MARGIN) {
    stops.push({
      code: 'dew',
      words: `The surface is less than ${apart} above the dew point of ${degrees(dew.value)}: it is or will be damp, and paint will not hold. Wait, or warm and air the place.`,
    });
  } else if (margin.low < LEAST_MARGIN) {
    stops.push({
      code: 'dew in doubt',
      words: `By these readings the surface may be less than ${apart} above the dew point: it is ${showText(margin.low, 'temperatureMargin', system)} at the doubtful end. Measure again, warm and air the place, or wait.`,
    });
  } else if (coldest.value - dew.value < LEAST_MARGIN) {
    stops.push({
      code: 'dew later',
      words: `It will cool to within ${apart} of the dew point before the film is dry. Stop earlier in the day.`,
    });
  }
  if (surface.value < minimum) {
    stops.push({
      code: 'cold',
      words: `The surface is below this coating's lowest temperature of ${degrees(minimum)}: it would not form a film.`,
    });
  } else if (coldest.value < minimum) {
    stops.push({
      code: 'cold later',
      words: `It will fall below ${degrees(minimum)} before the film is dry. Start earlier or heat the place.`,
    });
  }
  return accept({ dewPoint: dew, margin, stops, fit: stops.length === 0 });
}
