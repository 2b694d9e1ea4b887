import { weatherAnswer, type Weather, type WeatherAnswer } from '@fine-spray/contract';
import { useQuery } from '@tanstack/react-query';
import { call } from '@/data/api';
import { useStandIns } from '@/data/standIns';
import { usePreference } from '@/ui/preference';
import { SCRIPTED_DAY_IDS, type ScriptedDayId } from '@fine-spray/core/weather';

/** The day the simulated station plays, as chosen on this device. */
export const useScriptedDay = () => usePreference<ScriptedDayId>('station-day', 'mild', SCRIPTED_DAY_IDS);

/** How long a reading holds, ms. */
const HOLDS = 5 * 60_000;

const rounded = (value: number, step: number) => Math.round(value / step) * step;
const ZERO = 273.15;

/** A reading as one would write it down: half degrees, whole percents, half metres a second. */
function asWeather({ reading: { air, surface, humidity, wind, rain } }: WeatherAnswer): Weather {
  return {
    source: 'station',
    air: ZERO + rounded(air - ZERO, 0.5),
    surface: ZERO + rounded(surface - ZERO, 0.5),
    humidity: rounded(humidity, 0.01),
    wind: rounded(wind, 0.5),
    rain,
  };
}

/** What the simulated station reads now; nothing where stand-ins are off, while it does not answer, or when its reading is too old. */
export function useStation(): {
  readonly weather: Weather | undefined;
  readonly answer: WeatherAnswer | undefined;
} {
  const [day] = useScriptedDay();
  const enabled = useStandIns();
  const { data, dataUpdatedAt } = useQuery({
    enabled,
    queryKey: ['station', day],
    queryFn: async () => {
      const now = new Date();
      const hour = now.getHours() + now.getMinutes() / 60;
      const path = `/api/stand-ins/weather?day=${encodeURIComponent(day)}&hour=${hour.toFixed(2)}`;
      return weatherAnswer.parse(await call('GET', path));
    },
    staleTime: HOLDS / 5,
    retry: false,
  });
  const fresh = enabled && data && Date.now() - dataUpdatedAt < HOLDS ? data : undefined;
  return { weather: fresh && asWeather(fresh), answer: fresh };
}
