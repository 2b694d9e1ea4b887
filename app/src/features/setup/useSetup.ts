import {
  setupRequest,
  type Coating,
  type Hose,
  type Job,
  type Sprayer,
  type SurfaceFields,
  type Tip,
} from '@fine-spray/contract';
import { setupCard, type Result, type SetupCard, type UnitSystem } from '@fine-spray/core';
import { useMemo, useRef } from 'react';
import { useList } from '@/data/resources';

export interface Kit {
  readonly coatings: readonly Coating[];
  readonly sprayers: readonly Sprayer[];
  readonly hoses: readonly Hose[];
  readonly tips: readonly Tip[];
}

/** The company's kit, or what stands in the way of having it. */
export function useKit(): { kit?: Kit; failed: boolean; retry: () => void } {
  const coatings = useList('coatings');
  const sprayers = useList('sprayers');
  const hoses = useList('hoses');
  const tips = useList('tips');
  const all = [coatings, sprayers, hoses, tips];
  const kit = useMemo(
    () =>
      coatings.data && sprayers.data && hoses.data && tips.data
        ? { coatings: coatings.data, sprayers: sprayers.data, hoses: hoses.data, tips: tips.data }
        : undefined,
    [coatings.data, sprayers.data, hoses.data, tips.data],
  );
  const retry = () => all.forEach((query) => void query.refetch());
  return { ...(kit ? { kit } : {}), failed: !kit && all.some((query) => query.isError), retry };
}

export type SetupSurface = Omit<SurfaceFields, 'jobId' | 'name' | 'room' | 'position'>;
export type SetupJob = Pick<Job, 'sprayerId' | 'hoseIds' | 'lift'>;

/** The rows a surface's set-up stands on, joined; undefined while one of them is missing. */
export function requestFor(surface: SetupSurface, job: SetupJob, kit: Kit) {
  const coating = kit.coatings.find(({ id }) => id === surface.coatingId);
  const sprayer = kit.sprayers.find(({ id }) => id === job.sprayerId);
  if (!coating || !sprayer) return undefined;
  const hoses = job.hoseIds
    .map((id) => kit.hoses.find((hose) => hose.id === id))
    .filter((hose) => hose !== undefined);
  return setupRequest({ surface, coating, sprayer, hoses, lift: job.lift, rack: kit.tips });
}

/** The set-up card of a surface, worked out here and now; with the last good one while an input is refused. */
export function useSetup(
  surface: SetupSurface,
  job: SetupJob,
  kit: Kit,
  system: UnitSystem,
): { result?: Result<SetupCard>; lastGood?: SetupCard } {
  const result = useMemo(() => {
    const request = requestFor(surface, job, kit);
    return request ? setupCard(request, system) : undefined;
  }, [surface, job, kit, system]);
  const lastGood = useRef<SetupCard>(undefined);
  if (result?.ok) lastGood.current = result.value;
  return { ...(result ? { result } : {}), ...(lastGood.current ? { lastGood: lastGood.current } : {}) };
}
