import type { Surface } from '@fine-spray/contract';
import { requestFor, type Kit, type SetupJob } from '@fine-spray/contract/planning';
import { handFilm, type HandFilm } from '@fine-spray/core/practice';
import type { UnitSystem } from '@fine-spray/core/units';

/** Surfaces whose films are wanted. Stopping is ending the worker. */
export interface HouseOrder {
  readonly surfaces: readonly Surface[];
  readonly job: SetupJob;
  readonly kit: Kit;
  readonly system: UnitSystem;
}

/** The film of one of them, or why it has none. */
export type HouseReport =
  { readonly id: string; readonly film: HandFilm } | { readonly id: string; readonly why: string };

const worker = globalThis as unknown as {
  onmessage: ((event: { data: HouseOrder }) => void) | null;
  postMessage: (report: HouseReport) => void;
};

worker.onmessage = ({ data: { surfaces, job, kit, system } }) => {
  for (const surface of surfaces) {
    const { id } = surface;
    const request = requestFor(surface, job, kit);
    const film = request && handFilm(request, system);
    if (film?.ok) worker.postMessage({ id, film: film.value });
    else worker.postMessage({ id, why: film?.message ?? 'Its coating or sprayer is not in the kit.' });
  }
};
