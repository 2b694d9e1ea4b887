import { of, quantity } from '@fine-spray/core/units';
import { conditionUnder } from '@fine-spray/core/system';
import type { Coating as CoreCoating } from '@fine-spray/core/coating';
import type { SetupRequest } from '@fine-spray/core/setup';
import type { Job, SurfaceFields } from './job';
import type { Coating, Hose, Sprayer, Tip } from './kit';
import { coreTip } from './tip';

/** The stored rows a set-up stands on. */
export interface SetupRows {
  readonly surface: Omit<SurfaceFields, 'jobId' | 'placeId' | 'name' | 'room' | 'position' | 'coatingId'>;
  readonly coating: Pick<Coating, 'name' | 'archetype' | 'overrides' | 'sheet' | 'containers'>;
  readonly sprayer: Sprayer;
  readonly hoses: readonly Hose[];
  readonly lift: Job['lift'];
  readonly rack: readonly Tip[];
}

/** A coating as the core has it. */
export const coreCoating = ({
  name,
  archetype,
  overrides,
  sheet,
}: Pick<Coating, 'name' | 'archetype' | 'overrides' | 'sheet'>): CoreCoating => ({
  name,
  archetype,
  overrides,
  sheet,
});

/** Coatings as the core has them, by id. */
export const coreCoatings = (
  coatings: readonly (Parameters<typeof coreCoating>[0] & Pick<Coating, 'id'>)[],
): Readonly<Record<string, CoreCoating>> =>
  Object.fromEntries(coatings.map((coating) => [coating.id, coreCoating(coating)]));

/** Stored rows as the core's request: brands the SI numbers and drops what the computation does not need. */
export function setupRequest({ surface, coating, sprayer, hoses, lift, rack }: SetupRows): SetupRequest {
  return {
    element: surface.element,
    side: surface.side,
    kind: surface.kind,
    condition: conditionUnder(surface.under, surface.condition),
    wind: surface.wind,
    geometry: surface.geometry,
    coating: coreCoating(coating),
    coats: surface.coats,
    thinning: quantity(surface.thinning),
    sprayer: {
      maxPressure: quantity(sprayer.maxPressure),
      maxFlow: quantity(sprayer.maxFlow),
      largestOrificeThou: sprayer.largestOrificeThou,
      waterOnly: sprayer.waterOnly,
    },
    hoses: hoses.map(({ length, bore }) => ({ length: of(length, 'm'), bore: of(bore, 'm') })),
    lift: of(lift, 'm'),
    rack: rack.map(coreTip).filter((tip) => tip !== undefined),
    chosenTip: surface.tip ? coreTip(surface.tip) : undefined,
    containerSizes: coating.containers.map(({ size }) => size),
  };
}
