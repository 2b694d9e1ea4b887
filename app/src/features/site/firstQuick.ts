import type { Kit } from '@fine-spray/contract/planning';
import { newSurface } from '@/data/newSurface';
import { NO_JOB, type QuickState } from './context';

/** What the set-up without a job opens on: a usual wall with the first sprayer and hose of the kit. */
export function firstQuick(kit: Kit): QuickState | undefined {
  const [sprayer] = kit.sprayers;
  const made = newSurface(NO_JOB, kit.coatings, 0, '');
  if (!sprayer || !made) return undefined;
  const { jobId: _j, placeId: _p, name: _n, room: _r, position: _o, ...surface } = made;
  return {
    surface,
    job: { sprayerId: sprayer.id, hoseIds: kit.hoses.slice(0, 1).map(({ id }) => id), lift: 0 },
  };
}
