import {
  GUN_PASSAGE,
  coatingInput,
  orificeDiameter,
  type LineRequest,
  type SetupCard,
} from '@fine-spray/core';
import { fluidOf, quantity } from '@fine-spray/core';
import type { Site } from '@/features/site';

/** The line of a site with the paint as it is sprayed: thinned, and as warm as it was measured. */
export function lineRequest(
  { request, coating }: Pick<Site, 'request' | 'coating'>,
  card: SetupCard,
): LineRequest {
  const sheet = (name: 'viscosityLowShear' | 'viscosityHighShear') => coatingInput(coating, name);
  const { rheology } = fluidOf(request);
  // Thinner and cold move both readings alike; the range of the sheet goes with them.
  const moved = (name: 'viscosityLowShear' | 'viscosityHighShear') => {
    const input = sheet(name);
    const factor = rheology.highShearViscosity / sheet('viscosityHighShear').value;
    return { ...input, value: input.value * factor, low: input.low * factor, high: input.high * factor };
  };
  return {
    hoses: request.hoses,
    gun: GUN_PASSAGE,
    height: request.lift,
    orifice: quantity(orificeDiameter(card.tip.candidate.tip)),
    maxFlow: request.sprayer.maxFlow,
    lowShear: moved('viscosityLowShear'),
    highShear: moved('viscosityHighShear'),
    density: coatingInput(coating, 'density'),
  };
}
