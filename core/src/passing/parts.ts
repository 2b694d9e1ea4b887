import {
  ELEMENT_DATA,
  completeSizes,
  featureName,
  itemOf,
  kindOfItem,
  pieceKind,
  piecesOf,
  sizesOf,
  type Element,
  type ItemId,
  type PieceGeometry,
  type PlaceMeasure,
  type SheetGeometry,
  type Sizes,
  type SurfaceGeometry,
} from '../takeoff';
import { small } from '../units';

/** One part of a surface as it is sprayed: a wall, the faces of a leaf, the casing of an opening. */
export interface SurfacePart {
  readonly name: string;
  readonly piece: PieceGeometry;
  /** What it belongs to, where that is known. */
  readonly item?: ItemId;
  readonly sizes?: Sizes;
  readonly casing?: true;
}

/** The counted things of a place that are sprayed as an element, each with the sizes it has there. */
function counted(place: PlaceMeasure, element: Element): readonly SurfacePart[] {
  return place.features.flatMap((feature): readonly SurfacePart[] => {
    if (feature.count === 0) return [];
    const sizes = sizesOf(feature, place);
    return itemOf(feature.item)
      .parts(completeSizes(feature.item, sizes), 2)
      .filter((part) => part.element === element)
      .map(({ name, width, height, times }) => {
        const piece: SheetGeometry = {
          ...{ shape: 'rectangle', width, height, count: times * feature.count, openings: [] },
        };
        return {
          name: `${featureName(feature)}, ${name}`,
          piece,
          item: feature.item,
          sizes,
          ...(name === 'casing' ? { casing: true as const } : {}),
        };
      });
  });
}

/**
 * The parts of a surface in no order yet.
 * @param place where it was measured: tells what its pieces are
 */
export function partsOf(
  element: Element,
  geometry: SurfaceGeometry,
  place?: PlaceMeasure,
): readonly SurfacePart[] {
  if (geometry.shape === 'item') {
    const { item, sizes } = geometry;
    const casing = element === 'trim' && itemOf(item).opening !== undefined;
    const pieces = piecesOf(geometry);
    const kind = kindOfItem(item);
    const called = kind ? pieceKind(kind).name : itemOf(item).name;
    return pieces.map((piece) => ({
      name: pieces.length > 1 ? `${called}: ${small(piece.name ?? '')}` : called,
      piece,
      item,
      sizes: completeSizes(item, sizes),
      ...(casing ? { casing: true as const } : {}),
    }));
  }
  const own = place && element !== 'wall' && element !== 'ceiling' ? counted(place, element) : [];
  if (own.length > 0) return own;
  return piecesOf(geometry).map((piece) => ({ name: piece.name ?? ELEMENT_DATA[element].name, piece }));
}
