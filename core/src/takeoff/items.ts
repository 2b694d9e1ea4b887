import type { OpeningKind } from './openingKinds';
import type { Element } from './surfaceKinds';

/** What can be counted in a room or on an elevation, by group. */
export const ITEM_GROUPS = {
  openings: 'Doors and windows',
  trim: 'Trim',
  stairs: 'Stairs',
  fitted: 'Closets, shelves, cabinets',
  eaves: 'Eaves and gutters',
  fences: 'Fences',
  inTheWay: 'In the way, not painted',
} as const;
export type ItemGroup = keyof typeof ITEM_GROUPS;

export const PLACE_KINDS = ['room', 'elevation', 'loose'] as const;
/** A room inside, an elevation outside, or pieces on their own: a fence, a stair, a batch of doors. */
export type PlaceKind = (typeof PLACE_KINDS)[number];

export const SIZE_NAMES = ['width', 'height', 'length', 'depth', 'casing'] as const;
export type SizeName = (typeof SIZE_NAMES)[number];
export type Sizes = Readonly<Partial<Record<SizeName, number | undefined>>>;
type Complete = Readonly<Record<SizeName, number>>;

/** What a length follows when nobody has given one: read off the place. */
export const FOLLOWS = [
  'perimeter',
  'perimeter less doors',
  'width',
  'gable slopes',
  'eaves height',
] as const;
export type Follows = (typeof FOLLOWS)[number];

/** How many faces of a leaf or board are painted. */
export type Faces = 1 | 2;

/** One painted part of an item: so many rectangles. Lengths in metres. */
export interface ItemPart {
  readonly element: Element;
  readonly name: string;
  readonly width: number;
  readonly height: number;
  readonly times: number;
}

export interface Item {
  readonly name: string;
  readonly many: string;
  readonly group: ItemGroup;
  readonly where: readonly PlaceKind[];
  /** Usual sizes, m; which sizes it has. */
  readonly sizes: Sizes;
  /** What its length follows while none is given. */
  readonly follows?: Follows;
  /** The hole it makes in the wall it is in. */
  readonly opening?: OpeningKind;
  /** One face may be painted, or both; both where nobody says. */
  readonly oneFaceOrBoth?: true;
  readonly parts: (sizes: Complete, faces: Faces) => readonly ItemPart[];
}

const INSIDE = ['room', 'loose'] as const;
const OUTSIDE = ['elevation', 'loose'] as const;
const ANYWHERE = PLACE_KINDS;

/** Thickness of a board, m. */
const BOARD = 0.025;

/** Thickness of a door leaf, m: its edges are painted with the faces. */
export const LEAF = 0.044;

const part = (element: Element, name: string, width: number, height: number, times = 1): ItemPart => ({
  element,
  name,
  width,
  height,
  times,
});
const face = (element: Element, width: number, height: number, faces: Faces) =>
  part(element, faces === 2 ? 'both faces' : 'one face', width, height, faces);
const leaf = ({ width, height }: Complete, faces: Faces) => [
  face('door', width, height, faces),
  ...(faces === 2 ? [part('door', 'edges', 2 * (width + height), LEAF)] : []),
];
const casing = ({ width, height, casing: wide }: Complete, sides: 3 | 4) =>
  wide > 0 ? [part('trim', 'casing', (sides === 3 ? 0 : width) + width + 2 * height, wide)] : [];
/** A bar of some girth: what goes around it. */
const bar = (element: Element) => (sizes: Complete) => [
  part(element, 'all round', sizes.length, sizes.height),
];
const strip = (element: Element) => (sizes: Complete) => [part(element, 'face', sizes.length, sizes.height)];

/** What is taken off, bagged or masked round, and not painted. */
const inTheWay = (name: string, many: string) => ({
  name,
  many,
  group: 'inTheWay' as const,
  where: ['room', 'elevation'] as const,
  sizes: {},
  parts: (): readonly ItemPart[] => [],
});

/** The picture list. Sizes are usual ones and starting points only: the company changes them to its own. */
export const ITEMS = {
  door: {
    name: 'Door',
    many: 'Doors',
    group: 'openings',
    where: ANYWHERE,
    sizes: { width: 0.9, height: 2.1, casing: 0.07 },
    opening: 'door',
    oneFaceOrBoth: true,
    parts: (s, faces) => [...leaf(s, faces), ...casing(s, 3)],
  },
  doorway: {
    name: 'Doorway, door painted elsewhere',
    many: 'Doorways, door painted elsewhere',
    group: 'openings',
    where: ['room', 'elevation'],
    sizes: { width: 0.9, height: 2.1, casing: 0.07 },
    opening: 'door',
    parts: (s) => casing(s, 3),
  },
  window: {
    name: 'Window',
    many: 'Windows',
    group: 'openings',
    where: ['room', 'elevation'],
    sizes: { width: 1.2, height: 1.2, casing: 0.07 },
    opening: 'window',
    parts: (s) => casing(s, 4),
  },
  'outside-door': {
    name: 'Outside door, one face',
    many: 'Outside doors, one face',
    group: 'openings',
    where: ['elevation'],
    sizes: { width: 0.95, height: 2.1, casing: 0.09 },
    opening: 'door',
    parts: (s) => [...leaf(s, 1), ...casing(s, 3)],
  },
  'garage-door': {
    name: 'Garage door',
    many: 'Garage doors',
    group: 'openings',
    where: ['elevation'],
    sizes: { width: 2.5, height: 2.1, casing: 0.09 },
    opening: 'door',
    parts: (s) => [...leaf(s, 1), ...casing(s, 3)],
  },
  shutter: {
    name: 'Shutter',
    many: 'Shutters',
    group: 'openings',
    where: OUTSIDE,
    sizes: { width: 0.45, height: 1.2 },
    oneFaceOrBoth: true,
    parts: leaf,
  },
  reveal: {
    name: 'Reveal of an opening',
    many: 'Reveals of openings',
    group: 'openings',
    where: ['room', 'elevation'],
    sizes: { width: 1.2, height: 1.2, depth: 0.2 },
    parts: ({ width, height, depth }) => [part('wall', 'sides and head', width + 2 * height, depth)],
  },
  baseboard: {
    name: 'Baseboard',
    many: 'Baseboards',
    group: 'trim',
    where: INSIDE,
    sizes: { length: 4, height: 0.1 },
    follows: 'perimeter less doors',
    parts: strip('trim'),
  },
  cornice: {
    name: 'Cornice',
    many: 'Cornices',
    group: 'trim',
    where: INSIDE,
    sizes: { length: 4, height: 0.09 },
    follows: 'perimeter',
    parts: strip('trim'),
  },
  'wall-rail': {
    name: 'Rail along the wall',
    many: 'Rails along the wall',
    group: 'trim',
    where: INSIDE,
    sizes: { length: 4, height: 0.07 },
    follows: 'perimeter less doors',
    parts: strip('trim'),
  },
  trim: {
    name: 'Run of trim',
    many: 'Runs of trim',
    group: 'trim',
    where: ANYWHERE,
    sizes: { length: 2.4, height: 0.1 },
    parts: strip('trim'),
  },
  spindle: {
    name: 'Spindle',
    many: 'Spindles',
    group: 'stairs',
    where: ANYWHERE,
    sizes: { height: 0.9, width: 0.035 },
    parts: ({ height, width }) => [part('spindles', 'four sides', 4 * width, height)],
  },
  newel: {
    name: 'Newel post',
    many: 'Newel posts',
    group: 'stairs',
    where: ANYWHERE,
    sizes: { height: 1.1, width: 0.09 },
    parts: ({ height, width }) => [part('spindles', 'four sides', 4 * width, height)],
  },
  'newel-top': {
    name: 'Newel top',
    many: 'Newel tops',
    group: 'stairs',
    where: ANYWHERE,
    sizes: { width: 0.11 },
    // Its top and four edges as thick as a board
    parts: ({ width }) => [part('spindles', 'top and edges', width, width + 4 * BOARD)],
  },
  handrail: {
    name: 'Handrail',
    many: 'Handrails',
    group: 'stairs',
    where: ANYWHERE,
    sizes: { length: 3.6, height: 0.2 },
    parts: bar('spindles'),
  },
  'base-plate': {
    name: 'Base plate under spindles',
    many: 'Base plates under spindles',
    group: 'stairs',
    where: ANYWHERE,
    sizes: { length: 3.6, height: 0.13 },
    parts: bar('spindles'),
  },
  riser: {
    name: 'Riser',
    many: 'Risers',
    group: 'stairs',
    where: ANYWHERE,
    sizes: { width: 0.9, height: 0.18 },
    parts: ({ width, height }) => [part('trim', 'face', width, height)],
  },
  stringer: {
    name: 'Stringer',
    many: 'Stringers',
    group: 'stairs',
    where: ANYWHERE,
    sizes: { length: 4, height: 0.28 },
    parts: strip('trim'),
  },
  closet: {
    name: 'Closet, painted inside',
    many: 'Closets, painted inside',
    group: 'fitted',
    where: ['room'],
    sizes: { width: 1.2, height: 2.1, depth: 0.6 },
    opening: 'door',
    parts: ({ width, height, depth }) => [
      part('wall', 'back', width, height),
      part('wall', 'sides', depth, height, 2),
      part('ceiling', 'top', width, depth),
    ],
  },
  shelf: {
    name: 'Shelf',
    many: 'Shelves',
    group: 'fitted',
    where: INSIDE,
    sizes: { length: 0.9, depth: 0.3 },
    oneFaceOrBoth: true,
    parts: ({ length, depth }, faces) => [face('cabinet', length, depth, faces)],
  },
  'shelf-edge': {
    name: 'Front edge of a shelf',
    many: 'Front edges of shelves',
    group: 'fitted',
    where: INSIDE,
    sizes: { length: 0.9, height: 0.02 },
    parts: strip('cabinet'),
  },
  cabinet: {
    name: 'Cabinet, front and sides',
    many: 'Cabinets, front and sides',
    group: 'fitted',
    where: INSIDE,
    sizes: { width: 0.6, height: 0.72, depth: 0.6 },
    parts: ({ width, height, depth }) => [
      part('cabinet', 'front', width, height),
      part('cabinet', 'sides', depth, height, 2),
    ],
  },
  'cabinet-door': {
    name: 'Cabinet door',
    many: 'Cabinet doors',
    group: 'fitted',
    where: INSIDE,
    sizes: { width: 0.45, height: 0.7 },
    oneFaceOrBoth: true,
    parts: ({ width, height }, faces) => [face('cabinet', width, height, faces)],
  },
  soffit: {
    name: 'Soffit',
    many: 'Soffits',
    group: 'eaves',
    where: OUTSIDE,
    sizes: { length: 6, depth: 0.45 },
    follows: 'width',
    parts: ({ length, depth }) => [part('edge', 'underside', length, depth)],
  },
  fascia: {
    name: 'Fascia',
    many: 'Fascias',
    group: 'eaves',
    where: OUTSIDE,
    sizes: { length: 6, height: 0.18 },
    follows: 'width',
    parts: strip('edge'),
  },
  bargeboard: {
    name: 'Bargeboards of a gable',
    many: 'Pairs of bargeboards',
    group: 'eaves',
    where: OUTSIDE,
    sizes: { length: 8, height: 0.2 },
    follows: 'gable slopes',
    parts: strip('edge'),
  },
  gutter: {
    name: 'Gutter',
    many: 'Gutters',
    group: 'eaves',
    where: OUTSIDE,
    sizes: { length: 6, height: 0.3 },
    follows: 'width',
    parts: bar('edge'),
  },
  downpipe: {
    name: 'Downpipe',
    many: 'Downpipes',
    group: 'eaves',
    where: OUTSIDE,
    sizes: { length: 3, height: 0.25 },
    follows: 'eaves height',
    parts: bar('edge'),
  },
  'closed-fence': {
    name: 'Fence, closed',
    many: 'Fences, closed',
    group: 'fences',
    where: ['loose', 'elevation'],
    sizes: { length: 10, height: 1.8 },
    oneFaceOrBoth: true,
    parts: ({ length, height }, faces) => [
      part('lapped-fence', faces === 2 ? 'both sides' : 'one side', length, height, faces),
    ],
  },
  picket: {
    name: 'Picket of an open fence',
    many: 'Pickets of an open fence',
    group: 'fences',
    where: ['loose', 'elevation'],
    sizes: { width: 0.09, height: 1.2, depth: 0.02 },
    parts: ({ width, height, depth }) => [part('open-fence', 'all round', 2 * (width + depth), height)],
  },
  plate: inTheWay('Cover plate', 'Cover plates'),
  light: inTheWay('Light fitting', 'Light fittings'),
  vent: inTheWay('Vent or grille', 'Vents and grilles'),
  alarm: inTheWay('Smoke alarm', 'Smoke alarms'),
  curtain: inTheWay('Window with curtains', 'Windows with curtains'),
  'fence-rail': {
    name: 'Rail of an open fence',
    many: 'Rails of an open fence',
    group: 'fences',
    where: ['loose', 'elevation'],
    sizes: { length: 10, height: 0.25 },
    parts: bar('open-fence'),
  },
} as const satisfies Record<string, Item>;

export type ItemId = keyof typeof ITEMS;
export const ITEM_IDS = Object.keys(ITEMS) as [ItemId, ...ItemId[]];

/** The item of an id, with the type that all items share. */
export function itemOf(id: ItemId): Item {
  return ITEMS[id];
}

/** Sizes of an item: those given, else the usual ones, m. What an item does not have is nothing. */
export function completeSizes(id: ItemId, given: Sizes): Complete {
  const usual: Sizes = ITEMS[id].sizes;
  return Object.fromEntries(SIZE_NAMES.map((name) => [name, given[name] ?? usual[name] ?? 0])) as Complete;
}

/** What an item is sprayed as where it stands by itself: a door as its leaf, a doorway as its casing. */
export const elementOfItem = (id: ItemId): Element =>
  itemOf(id).parts(completeSizes(id, {}), 2)[0]?.element ?? 'wall';

/** The parts of an item that are sprayed as one thing where it stands by itself: the leaf of a door without its casing. */
export function partsAlone(id: ItemId, sizes: Sizes, faces: Faces): readonly ItemPart[] {
  const element = elementOfItem(id);
  return itemOf(id)
    .parts(completeSizes(id, sizes), faces)
    .filter((part) => part.element === element);
}

/** The sizes that count where an item stands by itself: a door leaf is asked for no casing. */
export function sizesAlone(id: ItemId): readonly SizeName[] {
  const casing = elementOfItem(id) === 'trim';
  return SIZE_NAMES.filter((name) => name in ITEMS[id].sizes && (name !== 'casing' || casing));
}

/** What a size of an item is called: the height of a strip is its width, that of a bar its girth. */
export function sizeLabel(id: ItemId, size: SizeName): string {
  if (size === 'height' && BARS.has(id)) return 'Girth';
  if (size === 'height' && 'length' in ITEMS[id].sizes && !STANDING.has(id)) return 'Width';
  if (size === 'width' && (id === 'spindle' || id === 'newel')) return 'Side';
  return { width: 'Width', height: 'Height', length: 'Length', depth: 'Depth', casing: 'Casing width' }[size];
}
const BARS: ReadonlySet<ItemId> = new Set(['handrail', 'base-plate', 'gutter', 'downpipe', 'fence-rail']);
const STANDING: ReadonlySet<ItemId> = new Set(['closed-fence']);
