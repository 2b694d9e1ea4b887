import { numberText } from '@fine-spray/core/units';
import { FAN_WIDTH_LIMITS } from '@fine-spray/core/tip';
import { z } from 'zod';
import { id, line, numberWithin, oneOf } from '../primitives';

/** What the payloads of several kinds are made of. */

export const fanWidth = numberWithin(
  'Fan width',
  FAN_WIDTH_LIMITS.min,
  FAN_WIDTH_LIMITS.max,
  'A fan is between 20 mm and 2 m wide.',
);

export const fraction = (label: string) => numberWithin(label, 0, 1, `${label} is between 0 and 100 %.`);

export const paintTemperature = numberWithin(
  'Temperature',
  273.15,
  323.15,
  'Paint is between 0 and 50 °C: frozen or boiling paint is not paint any more.',
);

export const pressure = (label: string) =>
  numberWithin(label, 5e5, 7e7, `${label} must be between 5 and 700 bar.`);

export const coat = z
  .int({ error: 'Coat is missing.' })
  .min(1, { error: 'Coats are counted from 1.' })
  .max(20, { error: 'Twenty coats at most.' });

/** A coat of a coating. */
export const coatOf = { coatingId: id, coat };

/** A volume said in litres, m³. */
export const litres = (label: string, least: number, most: number) =>
  numberWithin(
    label,
    least / 1000,
    most / 1000,
    `${label} is between ${numberText(least)} and ${numberText(most)} litres.`,
  );

/** Where a knob stands: at a mark, or between it and the next one; by the names the marks had then. */
export const knobAt = z.object({ mark: line('Mark', 24), next: line('Mark', 24).nullable() }).strict();
export type KnobAt = z.infer<typeof knobAt>;

/** Classes of how hard paint is on a tip. */
export const abrasion = z.union([z.literal(1), z.literal(2), z.literal(3)], {
  error: 'How hard it is on a tip is 1, 2 or 3.',
});

export const batch = line('Batch', 60, 0);

/**
 * Where the weather of an entry is from: made up by the simulated station, measured and put in, as it was at the coat before, or
 * taken as usual inside since nobody measured.
 */
const WEATHER_SOURCES = ['station', 'by hand', 'last entry', 'assumed'] as const;

/** The weather a coat was laid in. */
export const weather = z
  .object({
    source: oneOf('Source', WEATHER_SOURCES),
    air: numberWithin('Temperature', 233.15, 333.15, 'Temperature is between −40 and 60 °C.'),
    surface: numberWithin('Surface', 233.15, 363.15, 'A surface is between −40 and 90 °C.').nullable(),
    humidity: fraction('Humidity'),
    wind: numberWithin('Wind', 0, 60, 'Wind is between 0 and 60 m/s.').nullable(),
    /** m/s. */
    rain: numberWithin('Rain', 0, 1e-4, 'Rain is between 0 and 360 mm an hour.').nullable(),
  })
  .strict();
export type Weather = z.infer<typeof weather>;
