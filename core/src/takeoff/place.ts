import { addTo } from '../grouping';
import { accept, refuse, small, within, type Refusal, type Result, type UnitSystem } from '../units';
import {
  SIZE_LIMITS,
  extentOf,
  measure,
  type Opening,
  type PieceGeometry,
  type SheetGeometry,
  type SurfaceGeometry,
} from './geometry';
import {
  ITEMS,
  SIZE_NAMES,
  completeSizes,
  itemOf,
  sizeLabel,
  type Follows,
  type ItemId,
  type Sizes,
  type SizeName,
} from './items';
import {
  ceilingPiece,
  ceilingSlopes,
  checkRoom,
  perimeterOf,
  rectanglePlan,
  wallPieces,
  type Ceiling,
  type RoomShape,
} from './plan';
import { ELEMENTS, type Element, type Side } from './surfaceKinds';

/** So many of an item, with the sizes that differ from the usual ones. */
export interface Feature {
  readonly id: string;
  readonly item: ItemId;
  readonly count: number;
  readonly sizes: Sizes;
  /** The wall an opening is in (from 0), how far from its left end, and how far above the floor. */
  readonly wall?: number | undefined;
  readonly at?: number | undefined;
  readonly sill?: number | undefined;
}

export const APART = ['wall', 'ceiling'] as const satisfies readonly Element[];
export type Apart = (typeof APART)[number];

interface PlaceBase {
  readonly features: readonly Feature[];
  /** What is there and is not painted in this job. */
  readonly skipped: readonly Element[];
  /** Walls, or the slopes of a ceiling, that are surfaces of their own: each wall by itself. */
  readonly apart?: readonly Apart[] | undefined;
}

export interface RoomMeasure extends PlaceBase, RoomShape {
  readonly kind: 'room';
}
export interface ElevationMeasure extends PlaceBase {
  readonly kind: 'elevation';
  readonly shape: 'rectangle' | 'gable';
  readonly width: number;
  readonly height: number;
  readonly ridge?: number | undefined;
}
export interface LooseMeasure extends PlaceBase {
  readonly kind: 'loose';
}
/** What was measured of a place: everything its surfaces follow from. Lengths in metres. */
export type PlaceMeasure = RoomMeasure | ElevationMeasure | LooseMeasure;

/** Features of one place. */
export const FEATURES_LIMIT = 60;
/** Equal pieces of one feature. */
export const FEATURE_COUNT_LIMIT = 250;

/** A surface that follows from a place: everything of it that is sprayed alike. */
export interface DerivedSurface {
  readonly element: Element;
  readonly name: string;
  readonly side: Side;
  readonly geometry: Extract<SurfaceGeometry, { shape: 'pieces' }>;
  /** Which piece it is, where each of its element is a surface of its own. */
  readonly part?: string;
}

/** A usual room to start from. */
export function usualRoom(length = 4, width = 3, height = 2.4): RoomMeasure {
  const ceiling: Ceiling = { shape: 'flat' };
  return { kind: 'room', plan: rectanglePlan(length, width), height, ceiling, features: [], skipped: [] };
}

/** A usual elevation to start from. */
export function usualElevation(width = 8, height = 3): ElevationMeasure {
  return { kind: 'elevation', shape: 'rectangle', width, height, features: [], skipped: [] };
}

/** Width that doors, doorways and closets take out of a run along the walls. */
function doorWidths(place: PlaceMeasure): number {
  return place.features.reduce((sum, feature) => {
    if (itemOf(feature.item).opening !== 'door') return sum;
    return sum + feature.count * (ownSizes(feature).width ?? 0);
  }, 0);
}

function elevationPiece({ shape, width, height, ridge }: ElevationMeasure): SheetGeometry {
  const base = { name: 'Wall', width, height, count: 1, openings: [] };
  return shape === 'gable' ? { ...base, shape, ridge: ridge ?? height } : { ...base, shape };
}

/** What a length that follows the place is there, m; nothing where the place has no such thing. */
function followed(follows: Follows, place: PlaceMeasure): number | undefined {
  if (place.kind === 'room') {
    if (follows === 'perimeter') return perimeterOf(place.plan);
    if (follows === 'perimeter less doors') {
      return Math.max(SIZE_LIMITS.min, perimeterOf(place.plan) - doorWidths(place));
    }
  }
  if (place.kind === 'elevation') {
    const { width, height, shape, ridge = height } = place;
    if (follows === 'width') return width;
    if (follows === 'eaves height') return height;
    if (follows === 'gable slopes' && shape === 'gable') return 2 * Math.hypot(width / 2, ridge - height);
  }
  return undefined;
}

/** Sizes of a feature before anything follows from the place: its own, else the usual ones. */
function ownSizes({ item, sizes }: Feature): Sizes {
  const usual = itemOf(item).sizes;
  const own: Partial<Record<SizeName, number>> = {};
  for (const name of SIZE_NAMES) {
    const size = sizes[name] ?? usual[name];
    if (size !== undefined) own[name] = size;
  }
  return own;
}

/**
 * The sizes of a feature: its own, else what follows from the place, else the usual one.
 */
export function sizesOf(feature: Feature, place: PlaceMeasure): Sizes {
  const own = ownSizes(feature);
  const { follows } = itemOf(feature.item);
  const length = follows && feature.sizes.length === undefined ? followed(follows, place) : undefined;
  return length === undefined ? own : { ...own, length };
}

/** A feature with its sizes worked out. */
interface Sized {
  readonly feature: Feature;
  readonly sizes: Sizes;
}

const sizedFeatures = (place: PlaceMeasure): readonly Sized[] =>
  place.features.map((feature) => ({ feature, sizes: sizesOf(feature, place) }));

/** What a feature is called by its number: "Door", "6 doors". */
export function featureName({ item, count }: Pick<Feature, 'item' | 'count'>): string {
  const { name, many } = ITEMS[item];
  return count === 1 ? name : `${count} ${small(many)}`;
}

/** The pieces of an item, by what is painted. */
function itemPieces({ feature, sizes }: Sized) {
  return itemOf(feature.item)
    .parts(completeSizes(feature.item, sizes), 2)
    .map(({ element, name, width, height, times }) => ({
      element,
      piece: {
        shape: 'rectangle',
        name: `${featureName(feature)}, ${name}`,
        width,
        height,
        count: times * feature.count,
        openings: [],
      } satisfies SheetGeometry,
    }));
}

/** How much of a wall's width its openings have taken, in counting them out. */
interface WallLoad {
  readonly piece: PieceGeometry;
  readonly height: number;
  readonly openings: Opening[];
  free: number;
}

/**
 * Openings in their walls. One with a wall goes there; the others go where most room is left, which changes how the area
 * is written and not its sum.
 */
function withOpenings(
  walls: readonly PieceGeometry[],
  features: readonly Sized[],
): Result<readonly PieceGeometry[]> {
  const loads = walls.map((piece): WallLoad => {
    const extent = extentOf(piece);
    return { piece, height: extent.height, openings: [], free: extent.width };
  });
  for (const [index, { feature, sizes }] of features.entries()) {
    const kind = itemOf(feature.item).opening;
    if (!kind || feature.count === 0) continue;
    const { width = 0, height = 0 } = sizes;
    const own = feature.wall === undefined ? undefined : loads[feature.wall];
    if (feature.wall !== undefined && !own) {
      return refuse(
        'feature.wall',
        `features.${index}.wall`,
        `There is no wall ${feature.wall + 1}. Choose another one.`,
      );
    }
    const put = (load: WallLoad, count: number, at: Partial<Opening> = {}) => {
      load.openings.push({ id: feature.id, kind, width, height, count, ...at });
      load.free -= width * count;
    };
    if (own && feature.at !== undefined) {
      put(own, 1, {
        at: feature.at,
        sill: feature.sill ?? usualSill(kind, height, own.height),
      });
      continue;
    }
    const tall = loads.filter((load) => load.height >= height);
    for (let left = feature.count; left > 0; left -= 1) {
      const load = own ?? mostFree(tall.length > 0 ? tall : loads);
      const same = load.openings.find(({ id }) => id === feature.id);
      if (same) {
        load.openings[load.openings.indexOf(same)] = { ...same, count: same.count + 1 };
        load.free -= width;
      } else {
        put(load, 1);
      }
    }
  }
  return accept(loads.map(({ piece, openings }) => (openings.length === 0 ? piece : { ...piece, openings })));
}

const mostFree = (loads: readonly WallLoad[]): WallLoad =>
  loads.reduce((most, load) => (load.free > most.free ? load : most));

/** Sill of a window nobody has measured, m. */
export const USUAL_SILL = 0.9;

/** Lower edge of an opening nobody has measured: doors on the floor, windows on a usual sill. */
export function usualSill(kind: Opening['kind'], height: number, top: number): number {
  return kind === 'door' ? 0 : Math.max(0, Math.min(USUAL_SILL, top - height));
}

/** Whether each piece of an element is a surface of its own. */
const isApart = ({ apart }: PlaceMeasure, element: Element): boolean =>
  apart?.some((one) => one === element) ?? false;

/** What a surface that follows from a place is called. */
const SURFACE_NAMES: Readonly<Record<Element, string>> = {
  wall: 'Walls',
  ceiling: 'Ceiling',
  door: 'Doors',
  cabinet: 'Cabinets and shelves',
  trim: 'Trim',
  edge: 'Soffit, fascia, gutters',
  spindles: 'Spindles and rails',
  'lapped-fence': 'Fence, closed',
  'open-fence': 'Fence, open',
};

function checkFeatures(features: readonly Sized[], system: UnitSystem): Refusal | undefined {
  if (features.length > FEATURES_LIMIT) {
    return refuse('features', 'features', `A room holds ${FEATURES_LIMIT} kinds of things at most.`);
  }
  for (const [index, { feature, sizes }] of features.entries()) {
    const failed = checkFeature(feature, sizes, `features.${index}`, system);
    if (failed) return failed;
  }
  return undefined;
}

/** One thing that is counted: a whole number of it, with sizes it has and a house holds. */
function checkFeature(
  { item, count, sizes: own, at: place }: Feature,
  sizes: Sizes,
  at: string,
  system: UnitSystem,
): Refusal | undefined {
  if (!Number.isInteger(count) || count < 0 || count > FEATURE_COUNT_LIMIT) {
    return refuse(
      'number.count',
      `${at}.count`,
      `The number must be a whole one from 0 to ${FEATURE_COUNT_LIMIT}.`,
    );
  }
  const known = itemOf(item).sizes;
  for (const name of SIZE_NAMES) {
    if (!(name in known)) {
      if (own[name] === undefined) continue;
      return refuse('feature.size', `${at}.sizes.${name}`, `${ITEMS[item].name} has no ${name}.`);
    }
    const limits = name === 'casing' ? CASING_LIMITS : SIZE_LIMITS;
    const size = sizes[name] ?? 0;
    if (size >= limits.min && size <= limits.max) continue;
    const checked = within(size, limits, 'size', system, `${at}.sizes.${name}`, sizeLabel(item, name));
    if (!checked.ok) return checked;
  }
  if (place !== undefined && count > 1) {
    return refuse(
      'feature.at',
      `${at}.at`,
      'Only a single one has a place on its wall. Set the number to 1.',
    );
  }
  return undefined;
}
/** A casing may be missing. */
const CASING_LIMITS = { min: 0, max: 1 } as const;

/** The walls of a place with their openings: those of a room, the face of an elevation, none of loose pieces. */
export function wallsOf(place: PlaceMeasure): Result<readonly PieceGeometry[]> {
  return openedWalls(place, sizedFeatures(place));
}

function openedWalls(place: PlaceMeasure, features: readonly Sized[]): Result<readonly PieceGeometry[]> {
  if (place.kind === 'loose') return accept([]);
  return withOpenings(place.kind === 'room' ? wallPieces(place) : [elevationPiece(place)], features);
}

/**
 * The surfaces of a place: for each kind of piece everything that is sprayed alike, as pieces whose areas add up.
 * Refuses what cannot be built: plans that cross themselves, walls of no length, a ridge below the eaves, openings that
 * are wider than their wall, overlap or leave it. What is skipped or not there makes no surface.
 */
export function surfacesOf(
  place: PlaceMeasure,
  system: UnitSystem = 'metric',
): Result<readonly DerivedSurface[]> {
  if (place.kind === 'room') {
    const room = checkRoom(place, system);
    if (!room.ok) return room;
  }
  const features = sizedFeatures(place);
  const failed = checkFeatures(features, system);
  if (failed) return failed;
  const walls = openedWalls(place, features);
  if (!walls.ok) return walls;
  const pieces = new Map<Element, PieceGeometry[]>();
  const add = (element: Element, piece: PieceGeometry) => addTo(pieces, element, piece);
  for (const wall of walls.value) add('wall', wall);
  if (place.kind === 'room')
    for (const piece of isApart(place, 'ceiling') ? ceilingSlopes(place) : [ceilingPiece(place)])
      add('ceiling', piece);
  for (const sized of features) {
    if (sized.feature.count === 0) continue;
    for (const { element, piece } of itemPieces(sized)) add(element, piece);
  }
  const side: Side = place.kind === 'elevation' ? 'outside' : 'inside';
  const surfaces: DerivedSurface[] = [];
  for (const element of ELEMENTS) {
    const own = pieces.get(element);
    if (!own || own.length === 0) continue;
    const geometry = { shape: 'pieces', pieces: own } as const;
    const area = measure(geometry, system);
    if (!area.ok) return atPlace(area, own, place);
    if (place.skipped.includes(element)) continue;
    const outside = element === 'lapped-fence' || element === 'open-fence' ? 'outside' : side;
    if (isApart(place, element))
      for (const piece of own) {
        const part = piece.name ?? SURFACE_NAMES[element];
        surfaces.push({ element, name: part, side, geometry: { shape: 'pieces', pieces: [piece] }, part });
      }
    else surfaces.push({ element, name: SURFACE_NAMES[element], side: outside, geometry });
  }
  return accept(surfaces);
}

/** A refusal of a derived piece at the field of the place it comes from. */
function atPlace(refusal: Refusal, pieces: readonly PieceGeometry[], place: PlaceMeasure): Refusal {
  const [, piece, rest = ''] = /^geometry\.pieces\.(\d+)\.?(.*)$/.exec(refusal.field) ?? [];
  const [, opening, size] = /^openings\.(\d+)\.(\w+)$/.exec(rest) ?? [];
  const id = pieces[Number(piece)]?.openings[Number(opening)]?.id;
  const feature = place.features.findIndex((one) => one.id === id);
  if (feature >= 0 && size !== undefined) {
    const field =
      size === 'width' || size === 'height'
        ? `features.${feature}.sizes.${size}`
        : `features.${feature}.${size}`;
    return { ...refusal, field };
  }
  return {
    ...refusal,
    field: place.kind === 'elevation' && ['width', 'height', 'ridge'].includes(rest) ? rest : 'features',
  };
}
