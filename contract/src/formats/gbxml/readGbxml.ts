import { areaOf, checkPiece, type Point } from '@fine-spray/core/shape';
import { suitedCoating, usualSystem } from '@fine-spray/core/system';
import type { Side } from '@fine-spray/core/takeoff';
import { surfaceFields, type SurfaceFields } from '../../job';
import type { Coating } from '../../kit';
import { readFile, refuseFile, type FileIssue, type FileRead } from '../issue';
import type { TakeoffSurface } from '../takeoffCsv';
import { readModel, type Model, type ModelOpening, type ModelSide, type ModelSurface } from './model';
import { dot, fromLowerLeft, middleOf, minus, onPlane, type Plane, type Point3 } from './plane';

/** What is painted of a surface of the model by its type; types that are not here (floors, slabs, shades, air) are left out. */
const KINDS: Readonly<Record<string, 'wall' | 'ceiling'>> = {
  InteriorWall: 'wall',
  ExteriorWall: 'wall',
  UndergroundWall: 'wall',
  Ceiling: 'ceiling',
  Roof: 'ceiling',
  UndergroundCeiling: 'ceiling',
  InteriorFloor: 'ceiling',
};
/** Level between two spaces: painted from the lower one alone. */
const BETWEEN: ReadonlySet<string> = new Set(['Ceiling', 'UndergroundCeiling', 'InteriorFloor']);
/** What somebody can paint from outside. */
const OUTSIDE: ReadonlySet<string> = new Set(['ExteriorWall', 'Roof']);

/** What nobody paints of a model, by why it is left out. */
const NOT_PAINTED = 'no wall and no ceiling';

type Piece = Extract<
  Extract<SurfaceFields['geometry'], { shape: 'pieces' }>['pieces'][number],
  { shape: 'outline' }
>;
type Opening = Piece['openings'][number];

/** A surface as somebody sees it who paints it: from a space, or from outside. */
interface Face {
  /** Undefined is outside. */
  readonly space: string | undefined;
  readonly element: 'wall' | 'ceiling';
  /** Seen from behind the normal of its plane. */
  readonly mirrored: boolean;
}

/** Where the middle of each space is, from the corners of all that is around it but one surface. */
type MiddleOf = (space: string, but: ModelSurface) => Point3 | undefined;

function middlesOf(surfaces: readonly ModelSurface[]): MiddleOf {
  const around = new Map<string, ModelSurface[]>();
  for (const surface of surfaces)
    for (const space of new Set(surface.sides.map((side) => side.space)))
      around.set(space, [...(around.get(space) ?? []), surface]);
  return (space, but) => {
    const middles = (around.get(space) ?? [])
      .filter((one) => one !== but && one.corners.length > 0)
      .map(({ corners }) => middleOf(corners));
    return middles.length === 0 ? undefined : middleOf(middles);
  };
}

/** How far a space must lie to one side of a plane before that says anything, m. */
const ASIDE = 0.02;

/** The side that a level surface is the ceiling of: as the model says, else the space that lies lower, else by the order of the schema. */
function lowerSide(surface: ModelSurface, middle: MiddleOf): ModelSide | undefined {
  const [first, second] = surface.sides;
  if (!first || !second || first.space === second.space) return first;
  const said = surface.sides.filter(({ as }) => as === 'Ceiling' || as === 'UndergroundCeiling');
  if (said.length === 1) return said[0];
  const [a, b] = [middle(first.space, surface), middle(second.space, surface)];
  if (a && b && Math.abs(a.z - b.z) > ASIDE) return a.z < b.z ? first : second;
  // A floor between storeys names the space above first, a ceiling the one below.
  return surface.type === 'InteriorFloor' ? second : first;
}

/** Whether who stands in a space sees a plane from behind its normal: by where the space lies, else as the schema has it. */
function seenFromBehind(plane: Plane, from: Point3 | undefined, isFirst: boolean): boolean {
  const aside = from ? dot(minus(from, plane.origin), plane.normal) : 0;
  return Math.abs(aside) > ASIDE ? aside < 0 : isFirst;
}

/** The faces of a surface that somebody may paint. */
function facesOf(surface: ModelSurface, plane: Plane, middle: MiddleOf): readonly Face[] {
  const element = KINDS[surface.type];
  if (element === undefined) return [];
  const only = BETWEEN.has(surface.type) ? lowerSide(surface, middle) : undefined;
  const sides = surface.sides.map((side, index) => ({ side, index }));
  const inRoom = surface.sides.length > 1 && new Set(surface.sides.map(({ space }) => space)).size === 1;
  const inside = sides
    .filter(({ side }) => only === undefined || side === only)
    .map(({ side, index }): Face => ({
      space: side.space,
      element,
      // Of a partition within one room a face is seen from each side.
      mirrored: seenFromBehind(plane, inRoom ? undefined : middle(side.space, surface), index === 0),
    }));
  const [first] = inside;
  return first && OUTSIDE.has(surface.type)
    ? [...inside, { space: undefined, element: 'wall', mirrored: !first.mirrored }]
    : inside;
}

const SIDES_OF_A_HOUSE = [
  'north',
  'north-east',
  'east',
  'south-east',
  'south',
  'south-west',
  'west',
  'north-west',
] as const;

/** The elevation a face of the outside belongs to: the side of the house it looks to. */
function elevationOf(type: string, { normal }: Plane, mirrored: boolean, turned: number): string {
  const out = mirrored ? -1 : 1;
  if (Math.hypot(normal.x, normal.y) < 0.05) return type === 'Roof' ? 'Flat roof' : 'Level';
  const bearing = (Math.atan2(out * normal.x, out * normal.y) * 180) / Math.PI + turned;
  const side = SIDES_OF_A_HOUSE[((Math.round(bearing / 45) % 8) + 8) % 8] ?? 'north';
  return type === 'Roof' ? `Roof, ${side} side` : `Walls, ${side} side`;
}

/** An opening as a rectangle of its area: as wide as it is, as high as its area wants; in its place where it fits there. */
function openingFrom(
  { type, placed }: ModelOpening,
  corners: readonly Point[],
  outline: readonly Point[],
  before: readonly Opening[],
  id: string,
): Opening {
  const xs = corners.map(({ x }) => x);
  const [left, sill] = [Math.min(...xs), Math.min(...corners.map(({ y }) => y))];
  const width = Math.max(...xs) - left;
  const size = {
    id,
    kind: /door/i.test(type) ? 'door' : /window|skylight/i.test(type) ? 'window' : 'other',
    width,
    height: areaOf(corners) / width,
    count: 1,
  } as const;
  if (!placed) return size;
  const inPlace = { ...size, at: atEdge(left), sill: atEdge(sill) };
  const fits = checkPiece({
    outline,
    openings: [...before, inPlace].flatMap((one) => (one.at === undefined ? [] : [rectangle(one)])),
  });
  return fits.ok ? inPlace : size;
}

/** What a model has at the edge but for a millimetre is at the edge. */
const atEdge = (value: number) => (Math.abs(value) < 0.001 ? 0 : value);

function rectangle({ at = 0, sill = 0, width, height }: Opening): readonly Point[] {
  return [
    { x: at, y: sill },
    { x: at + width, y: sill },
    { x: at + width, y: sill + height },
    { x: at, y: sill + height },
  ];
}

/** A face as a piece of a take-off. */
function pieceOf(
  surface: ModelSurface,
  plane: Plane,
  openings: readonly ModelOpening[],
  mirrored: boolean,
  newId: () => string,
): Piece {
  const [corners = [], ...others] = fromLowerLeft(
    onPlane(plane, surface.corners),
    openings.map((one) => one.corners),
    mirrored,
  );
  const found: Opening[] = [];
  openings.forEach((opening, index) => {
    found.push(openingFrom(opening, others[index] ?? [], corners, found, newId()));
  });
  return {
    shape: 'outline',
    name: surface.name.slice(0, 120),
    corners: [...corners],
    count: 1,
    openings: found,
  };
}

/** Surfaces of a take-off while they are gathered: pieces by room and what they are. */
interface Gathered {
  readonly room: string;
  readonly name: string;
  readonly element: 'wall' | 'ceiling';
  readonly side: Side;
  readonly pieces: Piece[];
}

/** Names of surfaces that are left out, in words, no longer than somebody reads. */
const NAMED = 12;
function namedWords(names: readonly string[]): string {
  const more = names.length - NAMED;
  return `${names.slice(0, NAMED).join(', ')}${more > 0 ? ` and ${more} more` : ''}`;
}

class Gathering {
  readonly issues: FileIssue[] = [];
  private readonly left = new Map<string, string[]>();
  private readonly groups = new Map<string, Gathered>();

  constructor(
    private readonly model: Model,
    private readonly newId: () => string,
  ) {}

  leaveOut({ name, type }: ModelSurface, why: string): void {
    const named = type === '' ? name : `${name} (${type})`;
    this.left.set(why, [...(this.left.get(why) ?? []), named]);
  }

  refuse({ name }: ModelSurface, message: string): void {
    this.issues.push({ row: 0, column: name, message });
  }

  put(key: string, group: Omit<Gathered, 'pieces'>, piece: Piece): void {
    const there = this.groups.get(key) ?? { ...group, pieces: [] };
    this.groups.set(key, there);
    there.pieces.push(piece);
  }

  add(surface: ModelSurface, middle: MiddleOf): void {
    if (KINDS[surface.type] === undefined) return this.leaveOut(surface, NOT_PAINTED);
    if (surface.sides.length === 0) return this.leaveOut(surface, 'beside no room');
    const { plane } = surface;
    if (!plane)
      return this.refuse(surface, 'The outline of this surface is no plane with three corners or more.');
    const openings = surface.openings.filter((one) => one !== undefined);
    if (openings.length < surface.openings.length)
      return this.refuse(surface, 'An opening of this surface has no outline.');
    for (const { space, element, mirrored } of facesOf(surface, plane, middle)) {
      const room = this.model.spaces.find(({ id }) => id === space);
      const piece = pieceOf(surface, plane, openings, mirrored, this.newId);
      if (space === undefined) {
        const name = elevationOf(surface.type, plane, mirrored, this.model.turned);
        this.put(`outside ${name}`, { room: 'Outside', name, element, side: 'outside' }, piece);
      } else if (room) {
        const name = element === 'wall' ? 'Walls' : 'Ceiling';
        this.put(`${space} ${name}`, { room: roomName(room), name, element, side: 'inside' }, piece);
      } else this.leaveOut(surface, 'beside a room that the model does not have');
    }
  }

  /** Room by room in the order of the model, then the outside. */
  inOrder(): readonly Gathered[] {
    const order = [
      ...this.model.spaces.flatMap(({ id }) => [`${id} Walls`, `${id} Ceiling`]),
      ...[...this.groups.keys()].filter((key) => key.startsWith('outside ')).sort(),
    ];
    return order.flatMap((key) => this.groups.get(key) ?? []);
  }

  notes(): readonly string[] {
    const unplaced = [...this.groups.values()].flatMap(({ side, pieces }) =>
      side === 'inside'
        ? pieces.flatMap(({ name = '', openings }) =>
            openings.some(({ at }) => at === undefined) ? [name] : [],
          )
        : [],
    );
    return [
      ...[...this.left].map(([why, names]) => `Left out, ${why}: ${namedWords(names)}.`),
      ...(unplaced.length > 0
        ? [`Openings counted by their size alone, their place is not clear: ${namedWords(unplaced)}.`]
        : []),
    ];
  }
}

/** "Upper floor, Bath": rooms of several storeys may have one name. */
function roomName({ name, storey }: Model['spaces'][number]): string {
  const whole = storey === '' || name.includes(storey) ? name : `${storey}, ${name}`;
  return whole.slice(0, 120);
}

/**
 * Reads rooms from a gbXML building model (open schema): for each space its walls and its ceiling, with openings, and the
 * outside of its walls and roofs by the side of the house, which are only offered. All of it, or what is wrong and nothing;
 * notes say what is left out and why.
 */
export function readGbxml(
  bytes: Uint8Array,
  { coatings, newId }: { coatings: readonly Pick<Coating, 'id' | 'archetype'>[]; newId: () => string },
): FileRead<readonly TakeoffSurface[]> {
  const read = readModel(bytes);
  if (!read.ok) return read;
  const model = read.value;
  if (model.spaces.length === 0) return refuseFile('The model has no rooms (no "Space" in its building).');
  const gathering = new Gathering(model, newId);
  const middle = middlesOf(model.surfaces);
  for (const surface of model.surfaces) gathering.add(surface, middle);

  const surfaces: TakeoffSurface[] = [];
  for (const { room, name, element, side, pieces } of gathering.inOrder()) {
    const usual = usualSystem(element, side);
    const coating = suitedCoating(coatings, usual);
    if (!coating) return refuseFile('Your kit has no coating yet.');
    const fields: Omit<SurfaceFields, 'jobId'> = {
      placeId: null,
      part: '',
      name,
      room,
      position: surfaces.length * 10,
      element,
      side,
      kind: usual.kind,
      condition: usual.condition,
      state: null,
      wind: 'calm',
      geometry: { shape: 'pieces', pieces },
      coatingId: coating.id,
      coats: usual.coats,
      thinning: 0,
      under: [],
      tip: null,
    };
    const checked = surfaceFields.safeParse({ ...fields, jobId: '00000000-0000-7000-8000-000000000000' });
    if (!checked.success) {
      gathering.issues.push({
        row: 0,
        column: room,
        message: checked.error.issues[0]?.message ?? 'This room cannot be read.',
      });
    }
    surfaces.push({ id: undefined, fields, row: 0, offered: side === 'outside' });
  }
  if (gathering.issues.length > 0) return { ok: false, issues: gathering.issues };
  if (surfaces.length === 0) return refuseFile('The model has rooms but no walls or ceilings around them.');
  return readFile(surfaces, gathering.notes());
}
