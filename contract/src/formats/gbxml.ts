import { suitedCoating, usualSystem } from '@fine-spray/core/system';
import { areaOf, boxOf, type Point } from '@fine-spray/core/shape';
import { XMLParser, XMLValidator } from 'fast-xml-parser';
import { surfaceFields, type SurfaceFields } from '../job';
import type { Coating } from '../kit';
import { textOf } from './csv';
import { readFile, refuseFile, type FileIssue, type FileRead } from './issue';
import type { TakeoffSurface } from './takeoffCsv';

/** Length units of the schema, as m. */
const UNITS: Readonly<Record<string, number>> = {
  Kilometers: 1000,
  Meters: 1,
  Centimeters: 0.01,
  Millimeters: 0.001,
  Feet: 0.3048,
  Inches: 0.0254,
  Yards: 0.9144,
  Miles: 1609.344,
};

/** What is painted of a surface of the model; types that are not here (floors, slabs, shades, air) are left out. */
const KINDS: Readonly<Record<string, 'wall' | 'ceiling'>> = {
  InteriorWall: 'wall',
  ExteriorWall: 'wall',
  UndergroundWall: 'wall',
  Ceiling: 'ceiling',
  Roof: 'ceiling',
  UndergroundCeiling: 'ceiling',
};
/** Floors between storeys: the ceiling of the space below. */
const BETWEEN = new Set(['InteriorFloor']);

interface Point3 {
  readonly x: number;
  readonly y: number;
  readonly z: number;
}
type Node = Readonly<Record<string, unknown>>;

const list = (value: unknown): readonly Node[] =>
  value === undefined ? [] : ((Array.isArray(value) ? value : [value]) as Node[]);
const attribute = (node: Node | undefined, name: string): string => {
  const value = node?.[`@${name}`];
  return typeof value === 'string' ? value : '';
};
/** The text of a child element. */
function textIn(node: Node, name: string): string {
  const [child] = list(node[name]);
  if (typeof child === 'string') return child;
  const value = child?.['#text'];
  return typeof value === 'string' ? value : '';
}

/** The corners of the outline of an element, m; nothing where one is no point. */
function cornersOf(node: Node, unit: number): readonly Point3[] | undefined {
  const [geometry] = list(node['PlanarGeometry']);
  const [loop] = list(geometry?.['PolyLoop']);
  const points = list(loop?.['CartesianPoint']).map((point) =>
    list(point['Coordinate']).map(
      (value) => Number(typeof value === 'object' ? value['#text'] : value) * unit,
    ),
  );
  if (points.length < 3) return undefined;
  const corners = points.map(([x = NaN, y = NaN, z = 0]) => ({ x, y, z }));
  return corners.every(({ x, y, z }) => [x, y, z].every(Number.isFinite)) ? corners : undefined;
}

const minus = (a: Point3, b: Point3): Point3 => ({ x: a.x - b.x, y: a.y - b.y, z: a.z - b.z });
const dot = (a: Point3, b: Point3) => a.x * b.x + a.y * b.y + a.z * b.z;
const cross = (a: Point3, b: Point3): Point3 => ({
  x: a.y * b.z - a.z * b.y,
  y: a.z * b.x - a.x * b.z,
  z: a.x * b.y - a.y * b.x,
});
const scaled = (a: Point3, by: number): Point3 => ({ x: a.x * by, y: a.y * by, z: a.z * by });

/** The normal of a plane outline (Newell's method): as long as twice its area. */
function normalOf(corners: readonly Point3[]): Point3 {
  return corners.reduce(
    (sum, a, index) => {
      const b = corners[(index + 1) % corners.length] ?? a;
      return {
        x: sum.x + (a.y - b.y) * (a.z + b.z),
        y: sum.y + (a.z - b.z) * (a.x + b.x),
        z: sum.z + (a.x - b.x) * (a.y + b.y),
      };
    },
    { x: 0, y: 0, z: 0 },
  );
}

/** How far corners may lie off their plane, m. */
const OFF_PLANE = 0.05;

/** An outline in its own plane: x along the floor, y up the slope, from its lower left. */
function flattened(corners: readonly Point3[]): readonly Point[] | undefined {
  const normal = normalOf(corners);
  const length = Math.sqrt(dot(normal, normal));
  const [origin] = corners;
  if (!origin || length < 1e-6) return undefined;
  const up = scaled(normal, 1 / length);
  if (corners.some((corner) => Math.abs(dot(minus(corner, origin), up)) > OFF_PLANE)) return undefined;
  const level = { x: 0, y: 0, z: 1 };
  const along = cross(level, up);
  const flat = Math.sqrt(dot(along, along));
  // A level plane has no way along the floor of its own: take the model's x.
  const u = flat < 1e-9 ? { x: 1, y: 0, z: 0 } : scaled(along, 1 / flat);
  const v = cross(up, u);
  const points = corners.map((corner) => ({
    x: dot(minus(corner, origin), u),
    y: dot(minus(corner, origin), v),
  }));
  const { left, low } = boxOf(points);
  const tidy = (value: number) => Math.round(value * 1e6) / 1e6;
  return points.map(({ x, y }) => ({ x: tidy(x - left), y: tidy(y - low) }));
}

interface Piece {
  readonly shape: 'outline';
  readonly name: string;
  readonly corners: { x: number; y: number }[];
  readonly count: number;
  readonly openings: {
    id: string;
    kind: 'door' | 'window' | 'other';
    width: number;
    height: number;
    count: number;
  }[];
}

/** The opening of a wall as a rectangle of its area: as wide as it is, as high as its area wants. */
function openingOf(node: Node, unit: number, newId: () => string): Piece['openings'][number] | undefined {
  const corners = cornersOf(node, unit);
  const flat = corners ? flattened(corners) : undefined;
  if (!flat) return undefined;
  const type = attribute(node, 'openingType');
  const kind = /door/i.test(type) ? 'door' : /window|skylight/i.test(type) ? 'window' : 'other';
  const width = Math.max(...flat.map(({ x }) => x));
  return { id: newId(), kind, width, height: areaOf(flat) / width, count: 1 };
}

/** How deep elements of the model are nested at most in what is read. */
const DEPTH = 40;

/** Names of elements that may come several times. */
const REPEATED = new Set([
  'Building',
  'Space',
  'Surface',
  'AdjacentSpaceId',
  'CartesianPoint',
  'Coordinate',
  'Opening',
  'Campus',
]);

/**
 * Reads rooms from a gbXML building model (open schema): for each space its walls and its ceiling, with openings, as
 * surfaces. All of it, or what is wrong and nothing.
 */
export function readGbxml(
  bytes: Uint8Array,
  { coatings, newId }: { coatings: readonly Pick<Coating, 'id' | 'archetype'>[]; newId: () => string },
): FileRead<readonly TakeoffSurface[]> {
  const text = textOf(bytes);
  if (!text.ok) return text;
  if (/<!DOCTYPE|<!ENTITY/i.test(text.value)) {
    return refuseFile('The file has a document type of its own, which is not read. Write it again without.');
  }
  if (deepest(text.value) > DEPTH) return refuseFile('The file is nested too deep for a building model.');
  // Its successor brings encodings that not every environment of ours knows (fast-xml-validator 1.4).
  // eslint-disable-next-line @typescript-eslint/no-deprecated
  if (XMLValidator.validate(text.value) !== true) return refuseFile('The file is not readable as XML.');
  let root: Node | undefined;
  try {
    const parser = new XMLParser({
      ignoreAttributes: false,
      attributeNamePrefix: '@',
      parseTagValue: false,
      parseAttributeValue: false,
      processEntities: true,
      isArray: (name) => REPEATED.has(name),
    });
    const parsed = parser.parse(text.value) as Node;
    [root] = list(parsed['gbXML']);
  } catch {
    return refuseFile('The file is not readable as XML.');
  }
  if (!root) return refuseFile('This is no gbXML model: its root must be "gbXML".');
  const unitName = attribute(root, 'lengthUnit') || 'Meters';
  const unit = UNITS[unitName];
  if (unit === undefined) return refuseFile(`"${unitName}" is no length unit of gbXML.`);

  const campus = list(root['Campus']);
  const spaces = campus
    .flatMap((one) => list(one['Building']))
    .flatMap((one) => list(one['Space']))
    .map((space) => ({ id: attribute(space, 'id'), name: textIn(space, 'Name') || attribute(space, 'id') }));
  if (spaces.length === 0) return refuseFile('The model has no rooms (no "Space" in its building).');

  const issues: FileIssue[] = [];
  const notes: string[] = [];
  const found = new Map<string, { wall: Piece[]; ceiling: Piece[] }>();
  let left = 0;
  for (const surface of campus.flatMap((one) => list(one['Surface']))) {
    const type = attribute(surface, 'surfaceType');
    const name = textIn(surface, 'Name') || attribute(surface, 'id');
    const beside = list(surface['AdjacentSpaceId']).map((one) => attribute(one, 'spaceIdRef'));
    const sides = BETWEEN.has(type) ? lowerOf(beside) : beside;
    const kind = BETWEEN.has(type) ? 'ceiling' : KINDS[type];
    if (kind === undefined) {
      left += 1;
      continue;
    }
    const corners = cornersOf(surface, unit);
    const flat = corners ? flattened(corners) : undefined;
    if (!flat) {
      issues.push({
        row: 0,
        column: name,
        message: 'The outline of this surface is no plane with three corners or more.',
      });
      continue;
    }
    const openings = list(surface['Opening']).map((one) => openingOf(one, unit, newId));
    if (openings.some((one) => one === undefined)) {
      issues.push({ row: 0, column: name, message: 'An opening of this surface has no outline.' });
      continue;
    }
    for (const space of new Set(sides)) {
      const room = found.get(space) ?? { wall: [], ceiling: [] };
      found.set(space, room);
      room[kind].push({
        shape: 'outline',
        name: name.slice(0, 120),
        corners: [...flat],
        count: 1,
        openings: openings.filter((one) => one !== undefined),
      });
    }
  }
  if (left > 0) notes.push(`${left} surfaces of the model are not walls or ceilings and are left out.`);

  const surfaces: TakeoffSurface[] = [];
  for (const { id, name } of spaces) {
    const room = found.get(id);
    for (const element of ['wall', 'ceiling'] as const) {
      const pieces = room?.[element] ?? [];
      if (pieces.length === 0) continue;
      const usual = usualSystem(element, 'inside');
      const coating = suitedCoating(coatings, usual);
      if (!coating) return refuseFile('Your kit has no coating yet.');
      const fields: Omit<SurfaceFields, 'jobId'> = {
        placeId: null,
        part: '',
        name: element === 'wall' ? 'Walls' : 'Ceiling',
        room: name.slice(0, 120),
        position: surfaces.length * 10,
        element,
        side: 'inside',
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
        issues.push({
          row: 0,
          column: name,
          message: checked.error.issues[0]?.message ?? 'This room cannot be read.',
        });
      }
      surfaces.push({ id: undefined, fields, row: 0 });
    }
  }
  if (issues.length > 0) return { ok: false, issues };
  if (surfaces.length === 0) return refuseFile('The model has rooms but no walls or ceilings around them.');
  return readFile(surfaces, notes);
}

/** The space below a floor between storeys: the second one named (the schema names the space above first). */
function lowerOf(beside: readonly string[]): readonly string[] {
  const lower = beside[1];
  return lower === undefined ? [] : [lower];
}

/** How deep the elements of a text are nested, read without a parser. */
function deepest(text: string): number {
  let [depth, most] = [0, 0];
  // From one bracket to the next: a search that does not come back, whatever stands there.
  for (let from = text.indexOf('<'); from >= 0; from = text.indexOf('<', from)) {
    const end = text.indexOf('>', from);
    if (end < 0) return most;
    const tag = text.slice(from, end + 1);
    from = end + 1;
    if (tag.startsWith('</')) depth -= 1;
    else if (!tag.endsWith('/>') && !tag.startsWith('<?') && !tag.startsWith('<!'))
      most = Math.max(most, (depth += 1));
  }
  return most;
}
