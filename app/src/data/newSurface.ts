import type { Coating, SurfaceFields } from '@fine-spray/contract';

/** A wall to start from: sizes of a usual room, the first wall coating of the kit. No empty form. */
export function newSurface(
  jobId: string,
  coatings: readonly Coating[],
  position: number,
  room: string,
): SurfaceFields | undefined {
  const coating = coatings.find(({ archetype }) => archetype === 'wall-matt') ?? coatings[0];
  if (!coating) return undefined;
  return {
    jobId,
    placeId: null,
    name: 'New wall',
    room,
    position,
    element: 'wall',
    side: 'inside',
    kind: 'smooth-board',
    condition: 'sealed',
    wind: 'calm',
    geometry: { shape: 'rectangle', width: 4, height: 2.4, count: 1, openings: [] },
    coatingId: coating.id,
    coats: 2,
    thinning: 0,
    under: [],
    tip: null,
  };
}
