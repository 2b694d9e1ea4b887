import type { Kit } from './kit';
import type { SetupJob, SetupSurface } from './layers';
import { newSurface } from './newSurface';

/** Stands for a job where there is none. */
export const NO_JOB = '00000000-0000-7000-8000-000000000000';

/** A set-up without a job. */
export interface FirstSetup {
  readonly surface: SetupSurface;
  readonly job: SetupJob;
}

/** What the set-up without a job opens on: a usual wall with the first sprayer and hose of the kit. */
export function firstSetup(kit: Kit): FirstSetup | undefined {
  const [sprayer] = kit.sprayers;
  const made = newSurface(NO_JOB, kit.coatings, 0, '');
  if (!sprayer || !made) return undefined;
  const { jobId: _j, placeId: _p, name: _n, room: _r, position: _o, ...surface } = made;
  return {
    surface,
    job: { sprayerId: sprayer.id, hoseIds: kit.hoses.slice(0, 1).map(({ id }) => id), lift: 0 },
  };
}
