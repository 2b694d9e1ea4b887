import { netArea, type Piece } from '../shape';
import { ELEMENT_DATA, USUAL_OVER, extentOf, rectangle, type Element, type PieceGeometry } from '../takeoff';
import { openLength } from './account';
import { barPasses } from './composed';
import { pieceOf } from './pieces';
import { layPasses, sumOfField, type LaidPasses } from './plan';
import type { Direction, FanOnPiece } from './settings';

/** What the passes of a piece come to with a fan. */
export interface Cover {
  /** Length with the trigger open in all passes, m, and the share of the fan that is over the piece meanwhile. */
  readonly open: number;
  readonly over: number;
  /** Area that the passes paint, m²: of a bar all its sides. */
  readonly area: number;
}

/** A piece as it is sprayed with a fan. */
export interface CoveredPiece extends LaidPasses {
  /** What the gun sees: the piece itself, or one bar from a corner. */
  readonly piece: Piece;
  /** Area that the passes paint, m², and over the area the gun sees of it: of a bar two sides of four, at a slant. */
  readonly area: number;
  readonly overSeen: number;
}

/** A bar seen from a corner shows so much of its side. */
const CORNER = Math.SQRT2;
/** A bar of four sides has no girth over this, m: a larger piece is the area of many. */
const GIRTH = 0.5;

/** Which way the passes of a piece run. */
function directionOf(element: Element, geometry: PieceGeometry): Direction {
  const { width, height } = extentOf(geometry);
  if (element === 'ceiling')
    return { kind: 'across sight', viewpoint: geometry.seenFrom ?? { x: -1, y: height / 2 } };
  if (element === 'wall' || element === 'lapped-fence') return { kind: 'across' };
  return { kind: height > width ? 'up and down' : 'across' };
}

interface SeenBar {
  readonly seen: number;
  readonly length: number;
  readonly upright: boolean;
  readonly area: number;
}

/** One bar of a piece: by its girth, or the usual one where the piece is the area of many. */
function barOf(usual: number, geometry: PieceGeometry): SeenBar {
  const { width, height } = extentOf(geometry);
  const [narrow, length] = [Math.min(width, height), Math.max(width, height)];
  const side = narrow <= GIRTH ? narrow / 4 : usual;
  return { seen: CORNER * side, length, upright: height >= width, area: 4 * side * length };
}

const pieces = new WeakMap<PieceGeometry, Piece>();

/** A flat piece of a surface, the same each time. */
function sheetOf(geometry: PieceGeometry): Piece {
  const piece = pieces.get(geometry) ?? pieceOf(geometry);
  pieces.set(geometry, piece);
  return piece;
}

function summed(geometry: PieceGeometry, element: Element, fan: FanOnPiece): Cover {
  const { bar: usual } = ELEMENT_DATA[element];
  if (usual !== undefined) {
    const bar = barOf(usual, geometry);
    let [open, over] = [0, 0];
    for (const pass of barPasses({ ...bar, place: 0 }, fan)) {
      open += openLength(pass);
      over += openLength(pass) * pass.overPiece;
    }
    return { open, over: over / open, area: bar.area };
  }
  const piece = sheetOf(geometry);
  const area = netArea(piece);
  const sum = sumOfField(piece, fan, directionOf(element, geometry));
  // Nothing of it is left between its openings: a plain field stands for it.
  return sum.over > 0
    ? { ...sum, area }
    : { area, open: area / (fan.fanWidth * (1 - fan.overlap)), over: USUAL_OVER[element] };
}

const known = new WeakMap<PieceGeometry, Map<string, Cover>>();

/**
 * What the passes of one piece of a surface come to with a fan. Worked out once for a piece and a fan: a search asks it for every tip.
 * @param geometry has been measured
 */
export function coverOf(geometry: PieceGeometry, element: Element, fan: FanOnPiece): Cover {
  const of = known.get(geometry) ?? new Map<string, Cover>();
  known.set(geometry, of);
  const key = `${element} ${fan.family} ${fan.fanWidth} ${fan.overlap}`;
  const cover = of.get(key) ?? summed(geometry, element, fan);
  of.set(key, cover);
  return cover;
}

/** The passes that `coverOf` sums up. */
export function passesOf(geometry: PieceGeometry, element: Element, fan: FanOnPiece): CoveredPiece {
  const { bar: usual } = ELEMENT_DATA[element];
  if (usual === undefined) {
    const piece = sheetOf(geometry);
    const options = { direction: directionOf(element, geometry), edgesFirst: false };
    return { piece, area: netArea(piece), overSeen: 1, ...layPasses(piece, fan, options) };
  }
  const { seen, length, upright, area } = barOf(usual, geometry);
  const [width, height] = upright ? [seen, length] : [length, seen];
  return {
    piece: { outline: rectangle(0, 0, width, height), openings: [] },
    area,
    overSeen: 4 / CORNER,
    passes: barPasses({ seen, length, upright, place: seen / 2 }, fan),
    angle: upright ? Math.PI / 2 : 0,
    spacing: fan.fanWidth * (1 - fan.overlap),
    reason: 'Along the bar from four sides, the gun turned 45° to each: two in front, two behind.',
  };
}
