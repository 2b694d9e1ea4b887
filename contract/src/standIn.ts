import { powerLaw } from '@fine-spray/core/coating';
import { GAUGE_FAULT_IDS, checkGauge, type GaugeOrder } from '@fine-spray/core/gauge';
import { of, quantity, type Result } from '@fine-spray/core/units';
import { SCRIPTED_DAY_IDS } from '@fine-spray/core/weather';
import { z } from 'zod';
import { oneOf } from './primitives';

const number = z.number({ error: 'This is not a number.' });

/** What the simulated gauge is hung on: the line, the knob, the trigger and the fault it plays. SI. */
export const gaugeStandIn = z
  .object({
    hoses: z.array(z.object({ length: number, bore: number }).strict()).max(20),
    height: number,
    orificeThou: number,
    maxFlow: number,
    density: number,
    lowShear: number,
    highShear: number,
    setting: number,
    triggerHeld: z.boolean(),
    fault: oneOf('Fault', GAUGE_FAULT_IDS),
    seed: z.int().min(0).max(2_147_483_647),
  })
  .strict();
export type GaugeStandIn = z.infer<typeof gaugeStandIn>;

/** One event of the stream. */
export const gaugeReading = z.object({ tick: z.int(), pump: z.number(), gun: z.number() }).strict();

/** The order as the query of a GET carries it: JSON, since an event stream has no body. */
export const gaugeQuery = z
  .object({
    order: z.string().transform((text, context) => {
      try {
        return JSON.parse(text) as unknown;
      } catch {
        context.addIssue({ code: 'custom', message: 'The order of the gauge is not JSON.' });
        return z.NEVER;
      }
    }),
  })
  .strict();

/** What the core's gauge wants; refused at the field where the line cannot be. */
export function gaugeOrder(standIn: GaugeStandIn): Result<GaugeOrder> {
  const { hoses, height, orificeThou, maxFlow, density, lowShear, highShear, setting } = standIn;
  const { triggerHeld, fault, seed } = standIn;
  return checkGauge({
    line: {
      hoses: hoses.map(({ length, bore }) => ({ length: quantity(length), bore: quantity(bore) })),
      height: quantity(height),
      orifice: of(orificeThou / 1000, 'in'),
      maxFlow: quantity(maxFlow),
      fluid: {
        density: quantity(density),
        rheology: powerLaw(quantity(lowShear), quantity(Math.min(lowShear, highShear))),
      },
    },
    setting: quantity(setting),
    triggerHeld,
    fault,
    seed,
  });
}

/** What the simulated weather station is asked for: which scripted day, at which hour of it, and how far ahead. */
export const weatherQuery = z
  .object({
    day: oneOf('Day', SCRIPTED_DAY_IDS).default('mild'),
    hour: z.coerce.number({ error: 'Hour is not a number.' }).min(0).max(24),
    ahead: z.coerce.number().int().min(0).max(48).default(12),
    seed: z.coerce.number().int().min(0).max(2_147_483_647).default(1),
  })
  .strict();

const stationReading = z
  .object({
    air: z.number(),
    surface: z.number(),
    humidity: z.number(),
    wind: z.number(),
    rain: z.number(),
  })
  .strict();

/** K, share, m/s; rain as a height in m/s. */
export const weatherAnswer = z
  .object({
    reading: stationReading,
    forecast: z.array(stationReading.extend({ ahead: z.int() })),
  })
  .strict();
export type WeatherAnswer = z.infer<typeof weatherAnswer>;
