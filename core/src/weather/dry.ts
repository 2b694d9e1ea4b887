import { LEAST_MARGIN, dewPoint } from './dewPoint';
import { SCRIPTED_DAYS, stationForecast, type ForecastHour, type ScriptedDayId } from './station';
import type { Speed, Temperature } from '../units';

const HOURS = 24;

/** What paint outside asks of the weather. */
export interface FitWeather {
  /** Lowest temperature of the coating. */
  readonly minimum: Temperature;
  /** Most wind one sprays in. */
  readonly wind: Speed;
}

/** Whether paint can be laid and dries in an hour: no rain, not cold, 3 °C above the dew point, and not too windy. */
export const isFitHour = (hour: ForecastHour, { minimum, wind }: FitWeather): boolean =>
  hour.rain <= 0 &&
  Math.min(hour.air, hour.surface) >= minimum &&
  hour.surface - dewPoint(hour.air, hour.humidity) >= LEAST_MARGIN &&
  hour.wind <= wind;

/**
 * Times in which it is fit for paint outside by what the simulated station forecasts, min from the first midnight: its days are played
 * one after the other, over and over.
 * @param count days looked ahead
 */
export function fitSpans(
  days: readonly ScriptedDayId[],
  fit: FitWeather,
  count: number,
): readonly { readonly from: number; readonly to: number }[] {
  const spans: { from: number; to: number }[] = [];
  const byDay = new Map(days.map((day) => [day, stationForecast(day, -1, HOURS)]));
  for (let index = 0; index < count && days.length > 0; index += 1) {
    const day = days[index % days.length];
    if (!day) continue;
    byDay.get(day)?.forEach((hour, at) => {
      if (!isFitHour(hour, fit)) return;
      const from = (index * HOURS + at) * 60;
      const last = spans[spans.length - 1];
      if (last?.to === from) last.to = from + 60;
      else spans.push({ from, to: from + 60 });
    });
  }
  return spans;
}

export const scriptedDayName = (day: ScriptedDayId): string => SCRIPTED_DAYS[day].name;
