import { normal, seeded } from '../random';
import { of, quantity, type Fraction, type Speed, type Temperature } from '../units';

/** What a weather station beside the work reads. Rain as a height an hour, m/s. */
export interface StationReading {
  readonly air: Temperature;
  readonly surface: Temperature;
  readonly humidity: Fraction;
  readonly wind: Speed;
  readonly rain: number;
}

/** A moment of a scripted day: hour, air °C, surface °C, humidity %, wind m/s, rain mm/h. */
type Moment = readonly [
  hour: number,
  air: number,
  surface: number,
  humidity: number,
  wind: number,
  rain: number,
];

interface ScriptedDay {
  readonly name: string;
  readonly moments: readonly Moment[];
}

/** Days the simulated station plays, made up: each teaches something. Between its moments everything moves evenly. */
export const SCRIPTED_DAYS = {
  mild: {
    name: 'Mild and dry',
    moments: [
      [0, 12, 12, 75, 1, 0],
      [6, 11, 11, 80, 1, 0],
      [10, 17, 17, 60, 2, 0],
      [15, 21, 22, 50, 2, 0],
      [20, 16, 16, 62, 1, 0],
      [24, 12, 12, 75, 1, 0],
    ],
  },
  'cold morning': {
    name: 'Cold and damp morning',
    moments: [
      [0, 5, 4, 92, 0.5, 0],
      [7, 3, 2, 95, 0.5, 0],
      [11, 11, 9, 75, 1, 0],
      [15, 14, 13, 62, 1.5, 0],
      [19, 9, 8, 80, 1, 0],
      [24, 5, 4, 92, 0.5, 0],
    ],
  },
  'rain at noon': {
    name: 'Rain from noon',
    moments: [
      [0, 13, 13, 75, 2, 0],
      [9, 16, 16, 68, 3, 0],
      [11.5, 17, 17, 72, 4, 0],
      [12, 15, 15, 92, 5, 3],
      [15, 14, 14, 95, 5, 4],
      [17, 14, 14, 90, 3, 0],
      [24, 13, 13, 75, 2, 0],
    ],
  },
  breezy: {
    name: 'Breezy afternoon',
    moments: [
      [0, 14, 14, 70, 2, 0],
      [9, 17, 18, 58, 2.5, 0],
      [12, 19, 21, 50, 5, 0],
      [15, 20, 22, 48, 8, 0],
      [18, 18, 18, 55, 4, 0],
      [24, 14, 14, 70, 2, 0],
    ],
  },
  hot: {
    name: 'Hot sun on the wall',
    moments: [
      [0, 19, 19, 60, 1, 0],
      [8, 22, 25, 52, 1, 0],
      [13, 29, 42, 35, 1.5, 0],
      [17, 30, 38, 33, 2, 0],
      [21, 24, 24, 48, 1, 0],
      [24, 19, 19, 60, 1, 0],
    ],
  },
} as const satisfies Record<string, ScriptedDay>;

export type ScriptedDayId = keyof typeof SCRIPTED_DAYS;
export const SCRIPTED_DAY_IDS = Object.keys(SCRIPTED_DAYS) as [ScriptedDayId, ...ScriptedDayId[]];

/** Noise of its sensors, one standard deviation: °C, share of humidity, share of the wind. */
const NOISE = { degrees: 0.15, humidity: 0.01, wind: 0.1 } as const;
const HOURS = 24;

function scripted(day: ScriptedDayId, hour: number): readonly number[] {
  const moments: readonly Moment[] = SCRIPTED_DAYS[day].moments;
  const index = Math.max(
    1,
    moments.findIndex(([at]) => at >= hour),
  );
  const [from, to] = [moments[index - 1], moments[index]];
  if (!from || !to) return moments[0]?.slice(1) ?? [];
  const share = (hour - from[0]) / (to[0] - from[0]);
  return to.slice(1).map((end, place) => (from[place + 1] ?? 0) * (1 - share) + end * share);
}

const asReading = ([
  air = 0,
  surface = 0,
  humidity = 0,
  wind = 0,
  rain = 0,
]: readonly number[]): StationReading => ({
  air: of(air, '°C'),
  surface: of(surface, '°C'),
  humidity: quantity(Math.min(1, Math.max(0, humidity / 100))),
  wind: quantity(Math.max(0, wind)),
  rain: Math.max(0, rain) / 1000 / 3600,
});

/**
 * What the simulated station reads at an hour of a scripted day, with the noise of its sensors. The same seed and hour
 * read the same.
 * @param hour of the day, from 0 to 24; beyond, the day is played again
 */
export function stationReading(day: ScriptedDayId, hour: number, seed: number): StationReading {
  const at = ((hour % HOURS) + HOURS) % HOURS;
  const random = seeded(seed + Math.round(at * 60));
  const [air = 0, surface = 0, humidity = 0, wind = 0, rain = 0] = scripted(day, at);
  return asReading([
    air + NOISE.degrees * normal(random),
    surface + NOISE.degrees * normal(random),
    humidity + 100 * NOISE.humidity * normal(random),
    wind * (1 + NOISE.wind * normal(random)),
    rain,
  ]);
}

export interface ForecastHour extends StationReading {
  /** Hours from now. */
  readonly ahead: number;
}

/** The hours to come as the station's forecast has them: the script without noise, a reading an hour. */
export function stationForecast(day: ScriptedDayId, hour: number, hours: number): readonly ForecastHour[] {
  return Array.from({ length: hours }, (_unused, index) => ({
    ahead: index + 1,
    ...asReading(scripted(day, (((hour + index + 1) % HOURS) + HOURS) % HOURS)),
  }));
}
