import type { Job, Surface } from '@fine-spray/contract';
import { layerOfCoat, requestFor, type Kit } from '@fine-spray/contract/planning';
import { setupCard, type SetupCard, type UnitSystem } from '@fine-spray/core';
import type { CaptureContext } from './defaults';

/** The set-up cards of a surface's coats, each layer's worked out when it is first asked for. */
export function cardsOf(
  surface: Surface | undefined,
  job: Job | undefined,
  kit: Kit | undefined,
  system: UnitSystem,
): CaptureContext['cardOf'] {
  const known = new Map<string, SetupCard | undefined>();
  return (coat) => {
    if (!surface || !job || !kit) return undefined;
    const layer = layerOfCoat(surface, coat);
    const name = layer ? `${layer.role} ${layer.coatingId}` : '';
    if (!known.has(name)) {
      const request = layer && requestFor(surface, job, kit, layer);
      const made = request && setupCard(request, system);
      known.set(name, made?.ok ? made.value : undefined);
    }
    return known.get(name);
  };
}
