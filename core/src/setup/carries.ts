import { pumpForGun, type LineFluid } from '../line';
import type { TipFamily } from '../tip';
import { quantity, type Flow, type Length, type Pressure } from '../units';
import { EVEN_FAN_RANGE, evenFanPressure } from './evenFan';
import { learnedEvenFan, type SetupRequest } from './request';
import { lineThrough } from './theLine';

/** Share of the pump's flow a new tip may take: worn out it takes two fifths more. Judgement. */
export const FLOW_TAKEN = 0.9;

/** What a tip asks of a machine: the one meaning of "this machine carries it", for search, largest tip and dial-in. */
export interface Demand {
  /** Even-fan pressure by the heuristic, and as the log has it. */
  readonly usual: Pressure;
  readonly wanted: Pressure;
  /** The least at which the fan may be even: where the first test card starts. */
  readonly least: Pressure;
  /** Through the tip at the pressure wanted, whatever the hose leaves of it. */
  readonly flow: Flow;
  /** Over what the pump may be asked for; up to 1 it is carried. A longer hose takes more pressure and no less flow. */
  readonly ofFlow: number;
  readonly ofPressure: number;
}

export function demandOf(
  request: SetupRequest,
  fluid: LineFluid,
  family: TipFamily,
  orifice: Length,
): Demand {
  const { sprayer } = request;
  const usual = evenFanPressure(family, orifice, fluid.rheology.highShearViscosity);
  const wanted = quantity<Pressure>(usual * (learnedEvenFan(request, family)?.value ?? 1));
  const least = quantity<Pressure>(EVEN_FAN_RANGE.low * wanted);
  const line = lineThrough(request, fluid, orifice);
  const { flow } = pumpForGun(line, wanted);
  return {
    usual,
    wanted,
    least,
    flow,
    ofFlow: flow / (FLOW_TAKEN * sprayer.maxFlow),
    ofPressure: pumpForGun(line, least).pump / sprayer.maxPressure,
  };
}
