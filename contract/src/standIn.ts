import { powerLaw } from '@fine-spray/core/coating';
import { GAUGE_FAULT_IDS, checkGauge, type GaugeOrder } from '@fine-spray/core/gauge';
import { of, quantity, type Result } from '@fine-spray/core/units';
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
