import { requestFor, type Kit, type SetupJob, type SetupSurface } from '@fine-spray/contract/planning';
import { setupCard, type Result, type SetupCard, type SetupRequest, type UnitSystem } from '@fine-spray/core';
import { useMemo, useRef } from 'react';

/** The set-up card of a surface, worked out here and now; with the last good one while an input is refused. */
export function useSetup(
  surface: SetupSurface & { readonly id?: string },
  job: SetupJob,
  kit: Kit,
  system: UnitSystem,
): { request?: SetupRequest; result?: Result<SetupCard>; lastGood?: SetupCard } {
  const request = useMemo(() => requestFor(surface, job, kit), [surface, job, kit]);
  const result = useMemo(() => (request ? setupCard(request, system) : undefined), [request, system]);
  const lastGood = useRef<SetupCard>(undefined);
  if (result?.ok) lastGood.current = result.value;
  return {
    ...(request ? { request } : {}),
    ...(result ? { result } : {}),
    ...(lastGood.current ? { lastGood: lastGood.current } : {}),
  };
}
