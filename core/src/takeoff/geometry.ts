import { areaOf, boxOf, checkPiece, type Piece, type Point, type Polygon } from '../shape';
import {
  accept,
  quantity,
  refuse,
  showText,
  within,
  type Area,
  type Bounds,
  type Length,
  type Refusal,
  type Result,
  type UnitSystem,
} from '../units';
import {
  partsAlone,
  sizeLabel,
  sizesAlone,
  completeSizes,
  type Faces,
  type ItemId,
  type Sizes,
} from './items';
import type { OpeningKind } from './openingKinds';
import type { Element } from './surfaceKinds';

/** A group of equal openings; lengths in metres. */
export interface Opening {
  readonly id: string;
  readonly kind: OpeningKind;
  readonly width: number;
  readonly height: number;
  readonly count: number;
  /** Left side and lower edge of one opening on its piece, where somebody has measured them. */
  readonly at?: number | undefined;
  readonly sill?: number | undefined;
}

interface PieceBase {
  /** What it is within its surface: "Wall 2". */
  readonly name?: string | undefined;
  /** So many pieces alike. */
  readonly count: number;
  readonly openings: readonly Opening[];
  /** Of a ceiling: where it is seen from, window or door, on its own plane; its passes run across that sight. */
  readonly seenFrom?: Point | undefined;
}

/** A rectangle, or a gable end: `height` at the eaves and `ridge` at the top. Lengths in metres. */
export interface SheetGeometry extends PieceBase {
  readonly shape: 'rectangle' | 'gable';
  readonly width: number;
  readonly height: number;
  readonly ridge?: number | undefined;
}

/** A piece by its corners in its own plane, metres; x along the floor, y up. */
export interface OutlineGeometry extends PieceBase {
  readonly shape: 'outline';
  readonly corners: Polygon;
}

export type PieceGeometry = SheetGeometry | OutlineGeometry;

/** A net area that is taken instead of the one worked out, with the reason; m². */
export interface AreaOverride {
  readonly net: number;
  readonly reason: string;
}

/** So many of a thing that is counted, by its own sizes: doors, spindles, a length of gutter. */
export interface ItemGeometry {
  readonly shape: 'item';
  readonly item: ItemId;
  /** m; the usual ones where missing. */
  readonly sizes: Sizes;
  /** Faces that are painted, of what can be painted on one or both. */
  readonly faces?: Faces | undefined;
  readonly count: number;
}

/** What a surface is made of: one piece, several that are painted alike, or so many of a thing. */
export type SurfaceGeometry = (
  PieceGeometry | { readonly shape: 'pieces'; readonly pieces: readonly PieceGeometry[] } | ItemGeometry
) & {
  readonly override?: AreaOverride | undefined;
};

/** Limits of what a house holds; beyond them a size is a slip of the hand. Metres. */
export const SIZE_LIMITS = { min: 0.02, max: 100 } as const;
export const OPENING_LIMITS = { min: 0.05, max: 30 } as const;
export const COUNT_LIMIT = 500;
/** Pieces of one surface. */
export const PIECES_LIMIT = 200;
/** Net areas one may put instead of a measured one, m². */
export const AREA_LIMITS = { min: 0.01, max: 100_000 } as const;

export interface AreaBreakdown {
  readonly gross: Area;
  readonly openings: Area;
  /** Area to paint: gross less openings, or the override. */
  readonly net: Area;
}

/** The pieces of things worked out before: what is known of a piece, such as its passes, is kept by the piece. */
const ofItems = new WeakMap<ItemGeometry, readonly PieceGeometry[]>();

function piecesOfItem(geometry: ItemGeometry): readonly PieceGeometry[] {
  const before = ofItems.get(geometry);
  if (before) return before;
  const { item, sizes, faces = 2, count } = geometry;
  const pieces = partsAlone(item, sizes, faces).map(({ name, width, height, times }): SheetGeometry => ({
    name: `${name.slice(0, 1).toUpperCase()}${name.slice(1)}`,
    shape: 'rectangle',
    width,
    height,
    count: times * count,
    openings: [],
  }));
  ofItems.set(geometry, pieces);
  return pieces;
}

/** The pieces of a surface, one or several. */
export function piecesOf(geometry: SurfaceGeometry): readonly PieceGeometry[] {
  if (geometry.shape === 'item') return piecesOfItem(geometry);
  return geometry.shape === 'pieces' ? geometry.pieces : [geometry];
}

/** Width and greatest height of a piece. */
export function extentOf(piece: PieceGeometry): { width: number; height: number } {
  if (piece.shape !== 'outline') {
    return {
      width: piece.width,
      height: Math.max(piece.height, (piece.shape === 'gable' ? piece.ridge : 0) ?? 0),
    };
  }
  const { left, right, low, high } = boxOf(piece.corners);
  return { width: right - left, height: high - low };
}

/** Area of one piece without its openings, m². */
export function pieceArea(piece: PieceGeometry): number {
  if (piece.shape === 'outline') return areaOf(piece.corners);
  const { shape, width, height, ridge = height } = piece;
  return shape === 'gable' ? (width * (height + ridge)) / 2 : width * height;
}

/** Area of the openings of one piece, m². */
export function openingsArea({ openings }: PieceGeometry): number {
  return openings.reduce((sum, { width, height, count }) => sum + width * height * count, 0);
}

/** The piece that stands for the surface where one is drawn or sprayed: the largest. */
export function mainPiece(geometry: SurfaceGeometry): PieceGeometry {
  return piecesOf(geometry).reduce((largest, piece) =>
    pieceArea(piece) > pieceArea(largest) ? piece : largest,
  );
}

/** The smaller side of the main piece: a fan wider than it sprays past the edge. */
export function narrowSide(geometry: SurfaceGeometry): Length {
  const main = mainPiece(geometry);
  const { width, height } = main.shape === 'outline' ? extentOf(main) : main;
  return quantity(Math.min(width, height));
}

/** Trim, eaves and bars up to this across are small work, m. */
const SMALL = 0.3;
const SMALL_ELEMENTS: ReadonlySet<Element> = new Set(['trim', 'edge', 'spindles', 'open-fence']);

/** Gutters, casings, skirting, bars: narrow work that wants little paint at a time. */
export function isSmallPiece(element: Element, geometry: SurfaceGeometry): boolean {
  return SMALL_ELEMENTS.has(element) && narrowSide(geometry) <= SMALL + 1e-9;
}

/** The outline of a piece, from its lower left corner. */
export function outlineOf(piece: PieceGeometry): Polygon {
  if (piece.shape === 'outline') return piece.corners;
  const { shape, width, height, ridge } = piece;
  const peak = shape === 'gable' && ridge !== undefined && ridge > height ? [{ x: width / 2, y: ridge }] : [];
  return [{ x: 0, y: 0 }, { x: width, y: 0 }, { x: width, y: height }, ...peak, { x: 0, y: height }];
}

/** A rectangle by its lower left corner. */
export function rectangle(x: number, y: number, width: number, height: number): readonly Point[] {
  return [
    { x, y },
    { x: x + width, y },
    { x: x + width, y: y + height },
    { x, y: y + height },
  ];
}

/** A piece with those of its openings that have a measured place. */
export function placedPiece(piece: PieceGeometry): Piece {
  return {
    outline: outlineOf(piece),
    openings: piece.openings.flatMap(({ at, sill = 0, width, height, count }) =>
      at === undefined || count === 0 ? [] : [rectangle(at, sill, width, height)],
    ),
  };
}

function checkCount(
  count: number,
  least: number,
  field: string,
  at: string,
  label: string,
): Refusal | undefined {
  if (Number.isInteger(count) && count >= least && count <= COUNT_LIMIT) return undefined;
  return refuse(
    'number.count',
    `${field}.${at}`,
    `${label} must be a whole number from ${least} to ${COUNT_LIMIT}.`,
  );
}

const OPENING_NAMES = { door: 'Door', window: 'Window', other: 'Opening' } as const;

/** Whether a number is not within its limits, or is none. The sentence is made only where one is wrong. */
const off = (value: number, { min, max }: Bounds): boolean => !(value >= min && value <= max);

/** Sizes and counts of a piece and its openings, each within what a house holds. */
function checkSizes(piece: PieceGeometry, field: string, system: UnitSystem): Refusal | undefined {
  const size = (value: number, limits: Bounds, at: string, label: string): Refusal | undefined => {
    if (!off(value, limits)) return undefined;
    const checked = within(value, limits, 'size', system, `${field}.${at}`, label);
    return checked.ok ? undefined : checked;
  };
  const count = checkCount(piece.count, 1, field, 'count', 'Number of pieces');
  if (count) return count;
  if (piece.shape === 'outline') {
    const checked = checkPiece({ outline: piece.corners, openings: [] });
    if (!checked.ok) return { ...checked, field: `${field}.corners` };
  } else {
    const least = { min: piece.height, max: SIZE_LIMITS.max };
    const failed =
      size(piece.width, SIZE_LIMITS, 'width', 'Width') ??
      size(piece.height, SIZE_LIMITS, 'height', 'Height') ??
      (piece.shape === 'gable'
        ? size(piece.ridge ?? piece.height, least, 'ridge', 'Height at the ridge')
        : undefined);
    if (failed) return failed;
  }
  for (const [index, { kind, width, height, count: number }] of piece.openings.entries()) {
    const at = `openings.${index}`;
    const failed =
      size(width, OPENING_LIMITS, `${at}.width`, `${OPENING_NAMES[kind]} width`) ??
      size(height, OPENING_LIMITS, `${at}.height`, `${OPENING_NAMES[kind]} height`) ??
      checkCount(number, 0, field, `${at}.count`, 'Number of openings');
    if (failed) return failed;
  }
  return undefined;
}

/** Openings that are larger than their piece, lie over each other or reach out of it, or leave nothing of it. */
function checkOpenings(piece: PieceGeometry, field: string, system: UnitSystem) {
  if (piece.openings.length === 0) return undefined;
  const extent = extentOf(piece);
  for (const [index, opening] of piece.openings.entries()) {
    if (opening.count === 0) continue;
    const tooWide = opening.width > extent.width;
    if (tooWide || opening.height > extent.height) {
      return refuse(
        'opening.larger',
        `${field}.openings.${index}.${tooWide ? 'width' : 'height'}`,
        `This ${opening.kind === 'other' ? 'opening' : opening.kind} is ${tooWide ? 'wider' : 'higher'} than the surface it is in (${showText(tooWide ? extent.width : extent.height, 'size', system)}).`,
      );
    }
  }
  const withPlace = piece.openings.flatMap(({ at, count }, index) =>
    at === undefined || count === 0 ? [] : [index],
  );
  const placed = withPlace.length === 0 ? undefined : checkPiece(placedPiece(piece));
  if (placed && !placed.ok) {
    // The n-th opening with a place, as the form counts them: with and without one.
    const nth = Number(/^openings\.(\d+)$/.exec(placed.field)?.[1] ?? -1);
    const index = withPlace[nth];
    return { ...placed, field: index === undefined ? `${field}.openings` : `${field}.openings.${index}.at` };
  }
  const [gross, openings] = [pieceArea(piece) * piece.count, openingsArea(piece)];
  if (openings >= gross) {
    return refuse(
      'openings.cover',
      `${field}.openings`,
      `The openings (${showText(openings, 'area', system)}) leave nothing of the surface (${showText(gross, 'area', system)}). Take one out or make the surface larger.`,
    );
  }
  return undefined;
}

/** How long all pieces are together, each along its longer side, m. */
export const runOf = (geometry: SurfaceGeometry): number =>
  piecesOf(geometry).reduce((sum, piece) => {
    const { width, height } = extentOf(piece);
    return sum + Math.max(width, height) * piece.count;
  }, 0);

function checkOverride({ override }: SurfaceGeometry, system: UnitSystem): Refusal | undefined {
  if (!override) return undefined;
  if (override.reason.trim() === '') {
    return refuse(
      'override.reason',
      'geometry.override.reason',
      'Say why this area is taken instead of the measured one.',
    );
  }
  const net = within(override.net, AREA_LIMITS, 'area', system, 'geometry.override.net', 'Area');
  return net.ok ? undefined : net;
}

/** Sizes and number of things that are counted, each at its own field. */
function checkItem({ item, sizes, count }: ItemGeometry, system: UnitSystem): Refusal | undefined {
  const complete = completeSizes(item, sizes);
  for (const name of sizesAlone(item)) {
    const size = within(
      complete[name],
      SIZE_LIMITS,
      'size',
      system,
      `geometry.sizes.${name}`,
      sizeLabel(item, name),
    );
    if (!size.ok) return size;
  }
  return checkCount(count, 1, 'geometry', 'count', 'Number');
}

/** The name of a piece before a sentence about it, where a surface has several. */
function named(failed: Refusal, { name }: PieceGeometry, several: boolean): Refusal {
  return several && name ? { ...failed, message: `${name}: ${failed.message}` } : failed;
}

/**
 * Area to paint: gross less openings, of all pieces together. Refuses sizes that are no sizes, outlines that cross
 * themselves, openings that are larger than their piece, reach out of it or lie over each other, openings that together
 * leave nothing, and an override without a reason.
 */
export function measure(geometry: SurfaceGeometry, system: UnitSystem = 'metric'): Result<AreaBreakdown> {
  const wrong = geometry.shape === 'item' ? checkItem(geometry, system) : undefined;
  if (wrong) return wrong;
  const pieces = piecesOf(geometry);
  const several = geometry.shape === 'pieces' || geometry.shape === 'item';
  if (pieces.length === 0 || pieces.length > PIECES_LIMIT) {
    return refuse('pieces.count', 'geometry.pieces', `A surface has 1 to ${PIECES_LIMIT} pieces.`);
  }
  let gross = 0;
  let openings = 0;
  for (const [index, piece] of pieces.entries()) {
    const field = several ? `geometry.pieces.${index}` : 'geometry';
    const failed = checkSizes(piece, field, system) ?? checkOpenings(piece, field, system);
    if (failed) return named(failed, piece, several);
    gross += pieceArea(piece) * piece.count;
    openings += openingsArea(piece);
  }
  const overridden = checkOverride(geometry, system);
  if (overridden) return overridden;
  return accept({
    gross: quantity<Area>(gross),
    openings: quantity<Area>(openings),
    net: quantity<Area>(geometry.override?.net ?? gross - openings),
  });
}
