import type { PieceGeometry, SurfaceGeometry } from './geometry';
import { elementOfItem, itemOf, type ItemId, type Sizes } from './items';
import type { Element, Side, SurfaceKind } from './surfaceKinds';

interface PieceKindData {
  readonly name: string;
  readonly many: string;
  /** What it is usually made of, and where it usually is. */
  readonly ground: SurfaceKind;
  readonly side: Side;
}

const inside = (name: string, many: string, ground: SurfaceKind = 'planed-timber'): PieceKindData => ({
  name,
  many,
  ground,
  side: 'inside',
});
const outside = (name: string, many: string, ground: SurfaceKind = 'planed-timber'): PieceKindData => ({
  ...inside(name, many, ground),
  side: 'outside',
});

/** What can be set up by itself, each with its own words and sizes: walls and ceilings, and what is counted in a house. */
export const PIECE_KINDS = {
  wall: inside('Wall', 'Walls', 'smooth-board'),
  ceiling: inside('Ceiling', 'Ceilings', 'smooth-board'),
  door: inside('Door', 'Doors'),
  doorway: inside('Casing round a door', 'Casings round doors'),
  window: inside('Casing round a window', 'Casings round windows'),
  baseboard: inside('Baseboard', 'Baseboards'),
  cornice: inside('Cornice', 'Cornices'),
  'wall-rail': inside('Rail along the wall', 'Rails along the wall'),
  trim: inside('Run of trim', 'Runs of trim'),
  spindle: inside('Spindles', 'Spindles'),
  newel: inside('Newel posts', 'Newel posts'),
  'newel-top': inside('Newel tops', 'Newel tops'),
  handrail: inside('Handrail', 'Handrails'),
  'base-plate': inside('Base plate under spindles', 'Base plates'),
  riser: inside('Risers', 'Risers'),
  stringer: inside('Stringer', 'Stringers'),
  cabinet: inside('Cabinet, front and sides', 'Cabinets'),
  'cabinet-door': inside('Cabinet doors', 'Cabinet doors'),
  shelf: inside('Shelves', 'Shelves'),
  'shelf-edge': inside('Front edges of shelves', 'Front edges'),
  soffit: outside('Soffit', 'Soffits'),
  fascia: outside('Fascia', 'Fascias'),
  bargeboard: outside('Bargeboards of a gable', 'Pairs of bargeboards'),
  gutter: outside('Gutter', 'Gutters', 'metal'),
  downpipe: outside('Downpipe', 'Downpipes', 'metal'),
  shutter: outside('Shutters', 'Shutters'),
  'garage-door': outside('Garage door', 'Garage doors', 'metal'),
  'closed-fence': outside('Fence, closed', 'Lengths of fence', 'sawn-timber'),
  picket: outside('Pickets of an open fence', 'Pickets', 'sawn-timber'),
  'fence-rail': outside('Rails of an open fence', 'Rails', 'sawn-timber'),
} as const satisfies Partial<Record<ItemId | 'wall' | 'ceiling', PieceKindData>>;

export type PieceKind = keyof typeof PIECE_KINDS;
export const PIECE_KIND_IDS = Object.keys(PIECE_KINDS) as [PieceKind, ...PieceKind[]];

const isSheet = (kind: PieceKind): kind is 'wall' | 'ceiling' => kind === 'wall' || kind === 'ceiling';

/** The data of a kind, with the type that all share. */
export const pieceKind = (kind: PieceKind): PieceKindData => PIECE_KINDS[kind];

/** What spraying it differs by. */
export const elementOfKind = (kind: PieceKind): Element => (isSheet(kind) ? kind : elementOfItem(kind));

const SHEETS: Readonly<Record<'wall' | 'ceiling', PieceGeometry>> = {
  wall: { shape: 'rectangle', width: 4, height: 2.4, count: 1, openings: [] },
  ceiling: { shape: 'rectangle', width: 4, height: 3, count: 1, openings: [] },
};

/**
 * Usual sizes to start from, in m: one wall, one door with both sides.
 * @param own sizes that a company counts such things with
 */
export function usualGeometry(kind: PieceKind, own: Sizes = {}): SurfaceGeometry {
  if (isSheet(kind)) return SHEETS[kind];
  const { sizes, oneFaceOrBoth } = itemOf(kind);
  return {
    shape: 'item',
    item: kind,
    sizes: { ...sizes, ...own },
    count: 1,
    ...(oneFaceOrBoth ? { faces: 2 } : {}),
  };
}

/** The kind that a counted thing is by itself; nothing for what never stands so. */
export const kindOfItem = (item: ItemId): PieceKind | undefined =>
  PIECE_KIND_IDS.find((kind) => kind === item);

/** Which kind a surface is; nothing for one of another kind that is known by its area alone. */
export function pieceKindOf({
  element,
  geometry,
}: {
  readonly element: Element;
  readonly geometry: SurfaceGeometry;
}): PieceKind | undefined {
  if (geometry.shape === 'item') return kindOfItem(geometry.item);
  return element === 'wall' || element === 'ceiling' ? element : undefined;
}
