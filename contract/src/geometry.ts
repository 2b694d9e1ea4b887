import type { SurfaceGeometry } from '@fine-spray/core/takeoff';
import type { SurfaceFields } from './job';

/** A geometry of the core as a row has it: the same, but that rows may be written to. */
export const geometryDocument = (geometry: SurfaceGeometry): SurfaceFields['geometry'] =>
  geometry as SurfaceFields['geometry'];
