import {
  layerAlone,
  layerKey,
  layersOf,
  type Kit,
  type SetupJob,
  type SetupSurface,
} from '@fine-spray/contract/planning';
import { useMemo, useState } from 'react';
import { useSetup } from '@/features/setup';
import { useUnits } from '@/ui/units';

/** The set-up of one layer of a surface: which one is chosen, its card or the last that worked, and why there is none. */
export function useLayerSetup(
  of: SetupSurface,
  job: SetupJob,
  kit: Kit,
  /** Nothing for a set-up without a job. */
  id: string | null,
) {
  const { system } = useUnits();
  const [role, setRole] = useState('finish');
  const surface = useMemo(() => (id === null ? of : { ...of, id }), [of, id]);
  const { layers, underneath, sprayed } = useMemo(() => {
    const all = layersOf(surface);
    const layer = all.find((_layer, index) => layerKey(all, index) === role);
    const below = layer !== undefined && layer.role !== 'finish';
    return { layers: all, underneath: below, sprayed: below ? layerAlone(surface, layer) : surface };
  }, [surface, role]);
  const { request, result, lastGood } = useSetup(sprayed, job, kit, system);
  return {
    layers,
    /** A layer under the finish is chosen. */
    underneath,
    sprayed,
    role: underneath ? role : 'finish',
    setRole,
    request,
    card: result?.ok ? result.value : lastGood,
    refusal: result && !result.ok ? result : undefined,
    coating: kit.coatings.find(({ id }) => id === sprayed.coatingId),
  };
}

export type LayerSetup = ReturnType<typeof useLayerSetup>;
