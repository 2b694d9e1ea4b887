import type { Weather } from '@fine-spray/contract';
import { SCRIPTED_DAYS, SCRIPTED_DAY_IDS } from '@fine-spray/core';
import { useStandIns } from '@/data/standIns';
import { Choice } from '@/ui/choice';
import { Panel } from '@/ui/panel';
import { QuantityStepper } from '@/ui/quantityStepper';
import { Words } from '@/ui/text';
import { useScriptedDay } from '../useStation';
import type { FormProps } from './types';

const SOURCES: Readonly<Record<Weather['source'], string>> = {
  station:
    'Made up by the simulated station: no weather of any place, and written down as such. Put in what you measure.',
  'by hand': 'Put in by hand.',
  'last entry': 'As at the coat before. Put in what you measure now.',
  assumed: 'Nobody has measured: taken as usual inside. Put in what you measure.',
};

/** Temperature, humidity and, outside, wind: from the station, put right by hand. */
export function WeatherFields({ payload, context, errors, onChange, onInvalid }: FormProps) {
  const weather = payload['weather'] as Weather | null;
  const [day, setDay] = useScriptedDay();
  const standIns = useStandIns();
  if (!weather) return null;
  const set = (part: Partial<Weather>) => onChange({ weather: { ...weather, ...part, source: 'by hand' } });
  const outside = context.surface?.side === 'outside';
  const kelvin = { min: 233.15, max: 333.15 };
  return (
    <Panel title="Weather here">
      <Words size={14} colour={weather.source === 'station' ? 'caution' : 'ink2'} testID="weather-source">
        {SOURCES[weather.source]}
      </Words>
      <QuantityStepper
        label="Air"
        kind="temperature"
        value={weather.air}
        step={{ metric: 1, us: 1 }}
        bounds={kelvin}
        error={errors['weather.air']}
        onChange={(air) => set({ air })}
        onInvalid={(message) => onInvalid('air', message)}
      />
      <QuantityStepper
        label="Humidity"
        kind="percent"
        value={weather.humidity}
        step={{ metric: 5, us: 5 }}
        bounds={{ min: 0, max: 1 }}
        error={errors['weather.humidity']}
        onChange={(humidity) => set({ humidity })}
        onInvalid={(message) => onInvalid('humidity', message)}
      />
      <QuantityStepper
        label="Surface"
        kind="temperature"
        value={weather.surface ?? weather.air}
        step={{ metric: 1, us: 1 }}
        bounds={{ min: 233.15, max: 363.15 }}
        error={errors['weather.surface']}
        onChange={(surface) => set({ surface })}
        onInvalid={(message) => onInvalid('surface', message)}
      />
      {outside ? (
        <QuantityStepper
          label="Wind"
          kind="wind"
          value={weather.wind ?? 0}
          step={{ metric: 0.5, us: 1 }}
          bounds={{ min: 0, max: 60 }}
          error={errors['weather.wind']}
          onChange={(wind) => set({ wind })}
          onInvalid={(message) => onInvalid('wind', message)}
        />
      ) : null}
      {standIns ? (
        <Choice
          label="The simulated station plays"
          value={day}
          options={SCRIPTED_DAY_IDS.map((value) => ({ value, label: SCRIPTED_DAYS[value].name }))}
          onChange={setDay}
        />
      ) : null}
    </Panel>
  );
}
