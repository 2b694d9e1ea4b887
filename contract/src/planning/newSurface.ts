import { geometryDocument } from '../geometry';
import type { Coating } from '../kit';
import type { SurfaceFields } from '../job';
import { suitedCoating, usualSystem } from '@fine-spray/core/system';
import { pieceKind, usualGeometry, type PieceKind } from '@fine-spray/core/takeoff';

/** What a surface is called while nobody has named it. */
export const newName = (kind: PieceKind): string => `New ${pieceKind(kind).name.toLowerCase()}`;

/** A wall to start from: sizes of a usual room, the first wall coating of the kit. No empty form. */
export function newSurface(
  jobId: string,
  coatings: readonly Coating[],
  position: number,
  room: string,
): SurfaceFields | undefined {
  const coating = suitedCoating(coatings, usualSystem('wall', 'inside'));
  if (!coating) return undefined;
  return {
    jobId,
    placeId: null,
    part: '',
    name: newName('wall'),
    room,
    position,
    element: 'wall',
    side: 'inside',
    kind: 'smooth-board',
    condition: 'sealed',
    state: null,
    wind: 'calm',
    geometry: geometryDocument(usualGeometry('wall')),
    coatingId: coating.id,
    coats: 2,
    thinning: 0,
    under: [],
    tip: null,
  };
}
