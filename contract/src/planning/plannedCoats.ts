import { explain } from '@fine-spray/core/explain';
import { sprayedVolume, surfaceInputs } from '@fine-spray/core/quantities';
import { wetForDry } from '@fine-spray/core/film';
import { netAreaOf, setupCard } from '@fine-spray/core/setup';
import { SURFACE_KINDS } from '@fine-spray/core/takeoff';
import { coatingValues } from '@fine-spray/core/coating';
import { quantity } from '@fine-spray/core/units';
import type { PlannedCoat } from '@fine-spray/core/record';
import type { Job, Surface } from '../job';
import type { Kit } from './kit';
import { layersOf, requestFor } from './layers';

/** A coat of the plan with the surface it is on. */
export interface PlannedCoatOfJob extends PlannedCoat {
  readonly row: Surface;
  /** What of its paint soaks in, m³, thinner in it. */
  readonly soaks: number;
}

/**
 * Every coat of a job as it is planned, surface by surface, from the surface outwards. Coats of one coating on one surface
 * are counted on; surfaces that are refused are left out.
 * @param withTime times by the set-up cards, which take a search each; without it they are 0
 */
export function plannedCoats(
  surfaces: readonly Surface[],
  job: Job,
  kit: Kit,
  withTime = true,
): readonly PlannedCoatOfJob[] {
  return surfaces.flatMap((row) => {
    const counted = new Map<string, number>();
    return layersOf(row).flatMap((layer): PlannedCoatOfJob[] => {
      const request = requestFor(row, job, kit, layer);
      const net = request ? netAreaOf(request) : undefined;
      if (!request || !net?.ok) return [];
      const area = net.value * layer.share;
      const { texture, absorbed, ...inputs } = surfaceInputs(request, area);
      const values = coatingValues(request.coating);
      const card = withTime ? setupCard(request) : undefined;
      const time = card?.ok ? (card.value.tip.candidate.sprayingTime * layer.share) / layer.coats : 0;
      return Array.from({ length: layer.coats }, (_unused, index) => {
        const coat = (counted.get(layer.coatingId) ?? 0) + 1;
        counted.set(layer.coatingId, coat);
        const dry = { ...absorbed, value: 0, low: 0, high: 0 };
        const volume = explain(
          'paint of a coat',
          'volume',
          {
            ...inputs,
            texture,
            coats: { ...inputs.coats, value: 1, low: 1, high: 1 },
            // Only the first coat meets a surface that drinks.
            absorbed: index === 0 ? absorbed : dry,
            thinner: {
              label: 'Thinner per paint',
              kind: 'percent',
              value: layer.thinning,
              low: layer.thinning,
              high: layer.thinning,
              basis: 'measured',
              source: 'Chosen here',
            },
          },
          ({ thinner, ...v }) => sprayedVolume(v) * (1 + thinner),
        );
        return {
          row,
          surface: row.id,
          coating: layer.coatingId,
          coat,
          trueArea: area * SURFACE_KINDS[row.kind].texture,
          wet: wetForDry(quantity(values.dryFilm), quantity(values.volumeSolids), quantity(layer.thinning)),
          thinning: layer.thinning,
          volume,
          soaks: index === 0 ? area * absorbed.value * (1 + layer.thinning) : 0,
          time,
        };
      });
    });
  });
}
