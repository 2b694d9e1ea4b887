import type { Point } from '@fine-spray/core/shape';
import { readFile, refuseFile, type FileRead } from '../issue';
import { attributeOf, childrenOf, readXml, textIn, textOfNode, type XmlNode } from '../xml';
import { inSpace, onPlane, planeFacing, planeOf, type Plane, type Point3 } from './plane';

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

export interface ModelSpace {
  readonly id: string;
  readonly name: string;
  /** The name of its storey; empty where the model has none or one. */
  readonly storey: string;
}

/** A space beside a surface, and what the surface is to it where the model says so. */
export interface ModelSide {
  readonly space: string;
  readonly as: string;
}

export interface ModelOpening {
  readonly type: string;
  /** Its corners on the plane of its surface, where its place is known. */
  readonly corners: readonly Point[];
  readonly placed: boolean;
}

export interface ModelSurface {
  readonly name: string;
  readonly type: string;
  readonly sides: readonly ModelSide[];
  /** Its plane, and its corners in space; nothing where it has no outline that is a plane. */
  readonly plane: Plane | undefined;
  readonly corners: readonly Point3[];
  /** An opening without an outline is undefined. */
  readonly openings: readonly (ModelOpening | undefined)[];
}

export interface Model {
  readonly spaces: readonly ModelSpace[];
  readonly surfaces: readonly ModelSurface[];
  /** How far the model is turned against true north, degrees clockwise. */
  readonly turned: number;
}

/** Names of elements that may come several times. */
const REPEATED = new Set([
  'Building',
  'BuildingStorey',
  'Space',
  'Surface',
  'AdjacentSpaceId',
  'CartesianPoint',
  'Coordinate',
  'Opening',
  'Campus',
]);

/** The numbers of a point: two or three. */
const numbersOf = (point: XmlNode | undefined, unit: number): readonly number[] =>
  childrenOf(point, 'Coordinate').map((value) => Number(textOfNode(value)) * unit);

const allFinite = (values: readonly number[]) => values.every(Number.isFinite);

/** The points of a loop, each of the numbers it has; nothing where one is no point. */
function loopOf(geometry: XmlNode | undefined, unit: number): readonly (readonly number[])[] | undefined {
  const [loop] = childrenOf(geometry, 'PolyLoop');
  const points = childrenOf(loop, 'CartesianPoint').map((point) => numbersOf(point, unit));
  return points.length >= 3 && points.every((point) => point.length >= 2 && allFinite(point))
    ? points
    : undefined;
}

/** A rectangle by its lower left corner and its sizes, or the corners that it has on its own plane. */
function rectangleOf(rectangle: XmlNode, unit: number): readonly Point[] | undefined {
  const loop = loopOf(rectangle, unit);
  if (loop) return loop.map(([x = 0, y = 0]) => ({ x, y }));
  const [width, height] = ['Width', 'Height'].map((name) => Number(textIn(rectangle, name) || NaN) * unit);
  if (width === undefined || height === undefined || !(width > 0 && height > 0)) return undefined;
  return [
    { x: 0, y: 0 },
    { x: width, y: 0 },
    { x: width, y: height },
    { x: 0, y: height },
  ];
}

/** The plane that a rectangular geometry says by itself, without its sizes. */
function rectanglePlane(rectangle: XmlNode | undefined, unit: number): Plane | undefined {
  if (!rectangle) return undefined;
  const [x = NaN, y = NaN, z = 0] = numbersOf(childrenOf(rectangle, 'CartesianPoint')[0], unit);
  const [azimuth, tilt] = ['Azimuth', 'Tilt'].map((name) => Number(textIn(rectangle, name) || NaN));
  if (azimuth === undefined || tilt === undefined || !allFinite([x, y, z, azimuth, tilt])) return undefined;
  return planeFacing({ x, y, z }, azimuth, tilt);
}

interface Outline {
  readonly plane: Plane;
  readonly corners: readonly Point3[];
  /** The plane that openings by sizes are placed on. */
  readonly own: Plane | undefined;
}

/** Where a surface is: by its corners in space, else by the rectangle that it is. */
function outlineOf(surface: XmlNode, unit: number): Outline | undefined {
  const [rectangle] = childrenOf(surface, 'RectangularGeometry');
  const own = rectanglePlane(rectangle, unit);
  const loop = loopOf(childrenOf(surface, 'PlanarGeometry')[0], unit);
  if (loop) {
    const corners = loop.map(([x = 0, y = 0, z = 0]) => ({ x, y, z }));
    const plane = planeOf(corners);
    return plane ? { plane, corners, own } : undefined;
  }
  const flat = rectangle ? rectangleOf(rectangle, unit) : undefined;
  if (!own || !flat) return undefined;
  return { plane: own, corners: flat.map((point) => inSpace(own, point)), own };
}

function openingOf(node: XmlNode, outline: Outline | undefined, unit: number): ModelOpening | undefined {
  const type = attributeOf(node, 'openingType');
  const loop = loopOf(childrenOf(node, 'PlanarGeometry')[0], unit);
  if (loop) {
    const corners = loop.map(([x = 0, y = 0, z = 0]) => ({ x, y, z }));
    const plane = planeOf(corners);
    if (!plane) return undefined;
    return outline
      ? { type, corners: onPlane(outline.plane, corners), placed: true }
      : { type, corners: onPlane(plane, corners), placed: false };
  }
  const [rectangle] = childrenOf(node, 'RectangularGeometry');
  const flat = rectangle ? rectangleOf(rectangle, unit) : undefined;
  if (!flat) return undefined;
  // Its corner is counted along and up from the lower left corner of its surface.
  const [x = NaN, y = NaN] = numbersOf(childrenOf(rectangle, 'CartesianPoint')[0], unit);
  const own = outline?.own;
  if (!outline || !own || !allFinite([x, y])) return { type, corners: flat, placed: false };
  const inPlace = flat.map((point) => inSpace(own, { x: point.x + x, y: point.y + y }));
  return { type, corners: onPlane(outline.plane, inPlace), placed: true };
}

function surfaceOf(node: XmlNode, unit: number): ModelSurface {
  const outline = outlineOf(node, unit);
  return {
    name: textIn(node, 'Name') || attributeOf(node, 'id'),
    type: attributeOf(node, 'surfaceType'),
    sides: childrenOf(node, 'AdjacentSpaceId').map((side) => ({
      space: attributeOf(side, 'spaceIdRef'),
      as: attributeOf(side, 'surfaceType'),
    })),
    plane: outline?.plane,
    corners: outline?.corners ?? [],
    openings: childrenOf(node, 'Opening').map((one) => openingOf(one, outline, unit)),
  };
}

/** What a gbXML file (open schema) says of a building: its spaces, and every surface with its plane and openings, m. */
export function readModel(bytes: Uint8Array): FileRead<Model> {
  const read = readXml(bytes, { root: 'gbXML', what: 'a building model', repeated: REPEATED });
  if (!read.ok) return read;
  const root = read.value;
  if (!root) return refuseFile('This is no gbXML model: its root must be "gbXML".');
  const unitName = attributeOf(root, 'lengthUnit') || 'Meters';
  const unit = UNITS[unitName];
  if (unit === undefined) return refuseFile(`"${unitName}" is no length unit of gbXML.`);
  const campus = childrenOf(root, 'Campus');
  const buildings = campus.flatMap((one) => childrenOf(one, 'Building'));
  const storeys = new Map(
    buildings
      .flatMap((one) => childrenOf(one, 'BuildingStorey'))
      .map((one) => [attributeOf(one, 'id'), textIn(one, 'Name') || attributeOf(one, 'id')]),
  );
  const spaces = buildings
    .flatMap((one) => childrenOf(one, 'Space'))
    .map((space) => ({
      id: attributeOf(space, 'id'),
      name: textIn(space, 'Name') || attributeOf(space, 'id'),
      storey: storeys.size > 1 ? (storeys.get(attributeOf(space, 'buildingStoreyIdRef')) ?? '') : '',
    }));
  const [location] = campus.flatMap((one) => childrenOf(one, 'Location'));
  const turned = Number(location ? textIn(location, 'CADModelAzimuth') : 0);
  return readFile({
    spaces,
    surfaces: campus.flatMap((one) => childrenOf(one, 'Surface')).map((one) => surfaceOf(one, unit)),
    turned: Number.isFinite(turned) ? turned : 0,
  });
}
