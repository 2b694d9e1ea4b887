import { explain } from '@fine-spray/core/explain';
import { groundInputs, sprayedVolume, surfaceInputs } from '@fine-spray/core/quantities';
import { wetForDry } from '@fine-spray/core/film';
import { asSprayed, netAreaOf, setupCard } from '@fine-spray/core/setup';
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
  /** Share of the fan that is over the surface, by the passes of its card; missing where no tip works. */
  readonly over: number | undefined;
}

/** Worked out once it is asked for. */
function later<Value>(work: () => Value): () => Value {
  let known: { readonly value: Value } | undefined;
  return () => (known ??= { value: work() }).value;
}

/**
 * Every coat of a job as it is planned, surface by surface, from the surface outwards. Coats of one coating on one surface
 * are counted on; surfaces that are refused are left out. What takes a set-up card (paint, time, share over the piece) is worked out
 * when it is first read: who asks for the order of the coats alone pays no search.
 */
export function plannedCoats(surfaces: readonly Surface[], job: Job, kit: Kit): readonly PlannedCoatOfJob[] {
  return surfaces.flatMap((row) => {
    const counted = new Map<string, number>();
    return layersOf(row).flatMap((layer): PlannedCoatOfJob[] => {
      const request = requestFor(row, job, kit, layer);
      const net = request ? netAreaOf(request) : undefined;
      if (!request || !net?.ok) return [];
      const area = net.value;
      const values = coatingValues(request.coating);
      const candidate = later(() => {
        const card = setupCard(request);
        return card.ok ? card.value.tip.candidate : undefined;
      });
      const { absorbed } = groundInputs(request);
      const trueArea = area * SURFACE_KINDS[row.kind].texture;
      const wet = wetForDry(
        quantity(values.dryFilm),
        quantity(values.volumeSolids),
        quantity(layer.thinning),
      );
      const soaksIn = area * asSprayed(absorbed.value, request);
      const laid = layer.coats * trueArea * wet + soaksIn;
      return Array.from({ length: layer.coats }, (_unused, index) => {
        const coat = (counted.get(layer.coatingId) ?? 0) + 1;
        counted.set(layer.coatingId, coat);
        const volume = later(() => {
          const inputs = surfaceInputs(request, area, candidate()?.over);
          const dry = { ...inputs.absorbed, value: 0, low: 0, high: 0 };
          return explain(
            'paint of a coat',
            'volume',
            {
              ...inputs,
              coats: { ...inputs.coats, value: 1, low: 1, high: 1 },
              // Only the first coat meets a surface that drinks.
              absorbed: index === 0 ? inputs.absorbed : dry,
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
        });
        const soaks = index === 0 ? soaksIn : 0;
        return {
          row,
          surface: row.id,
          coating: layer.coatingId,
          coat,
          trueArea,
          wet,
          thinning: layer.thinning,
          soaks,
          get volume() {
            return volume();
          },
          get over() {
            return candidate()?.over;
          },
          get time() {
            // Each coat its part: the first of a bare surface lays what soaks in, too.
            return ((candidate()?.sprayingTime ?? 0) * (trueArea * wet + soaks)) / Math.max(laid, 1e-12);
          },
        };
      });
    });
  });
}
