import { addTo } from '../grouping';
import {
  extentOf,
  floorArea,
  pieceArea,
  piecesOf,
  runOf,
  type Element,
  type ItemId,
  type PlaceMeasure,
  type Side,
  type SurfaceGeometry,
} from '../takeoff';

/** A surface as far as what is beside it has to be protected. */
export interface CoveredSurface {
  readonly element: Element;
  readonly side: Side;
  /** The room or part it is in: floors are covered once for each. */
  readonly room: string;
  readonly geometry: SurfaceGeometry;
  /** The place it follows from. */
  readonly placeId?: string | null | undefined;
  /** What its finish is: where two meet, one of them is masked. */
  readonly coatingId?: string | undefined;
}

/** A place as it was measured. */
export interface CoveredPlace {
  readonly id: string;
  readonly measure: PlaceMeasure;
}

/** Things in the way that are taken off or bagged. */
export const IN_THE_WAY = ['plate', 'light', 'vent', 'alarm', 'curtain'] as const satisfies readonly ItemId[];
export type InTheWay = (typeof IN_THE_WAY)[number];

/** What has to be masked, covered and handled for a job. Lengths m, areas m². */
export interface JobCovering {
  /** Edges along which masking is stuck: round openings, along the foot of walls and rails, and where two finishes meet. */
  readonly maskingLine: number;
  /** Openings covered with film. */
  readonly film: number;
  readonly floorCover: number;
  /** Windows and doors that stay where they are and are masked one by one. */
  readonly fittings: number;
  /** Door leaves that are racked. */
  readonly doors: number;
  /** Rooms inside. */
  readonly rooms: number;
  readonly inTheWay: Readonly<Record<InTheWay, number>>;
  /** Rooms in which plates or lights come off: their power is off. */
  readonly powerOff: number;
}

/** Floor covered in front of a wall where nothing tells how large the room is, and beside a fence or stair, m. */
const STRIP = 1;
/** A leaf is counted once for its two faces: pieces of doors at least this wide are leaves, narrower ones edges, m. */
const LEAF = 0.3;
/** From one spindle to the next, m: how long a stair is that only its spindles tell. */
const SPINDLE_PITCH = 0.12;
/** What stands in a wall and is not masked in its own right: a closet is painted inside, a doorway is masked where its door is. */
const OPEN_INTO: ReadonlySet<ItemId> = new Set(['closet', 'doorway']);

/** Which item an opening of a room is, by the feature it came from. */
function itemsById(places: readonly CoveredPlace[]): ReadonlyMap<string, ItemId> {
  return new Map(
    places.flatMap(({ measure }) => measure.features.map(({ id, item }) => [id, item] as const)),
  );
}

/** Lengths of a room along which one finish is masked while another is sprayed. */
function whereFinishesMeet(surfaces: readonly CoveredSurface[]): number {
  const of = (...elements: readonly Element[]) =>
    surfaces.filter(({ element }) => elements.includes(element));
  const walls = of('wall');
  const differs = ({ coatingId }: CoveredSurface) =>
    coatingId !== undefined && walls.some((wall) => wall.coatingId !== coatingId);
  let line = 0;
  for (const { geometry } of of('trim').filter(differs)) line += runOf(geometry);
  for (const { geometry } of of('ceiling').filter(differs))
    for (const piece of piecesOf(geometry)) {
      const { width, height } = extentOf(piece);
      line += 2 * (width + height) * piece.count;
    }
  return line;
}

interface StairLength {
  readonly spindles: number;
  readonly rails: number;
}

/** Length of stairs by their parts, m: by the rails, or by how many spindles there are. */
function stairLength(surfaces: readonly CoveredSurface[]): StairLength {
  let [spindles, rails] = [0, 0];
  for (const { element, geometry } of surfaces) {
    if (element !== 'spindles') continue;
    for (const piece of piecesOf(geometry)) {
      const { width, height } = extentOf(piece);
      if (height >= width) spindles += piece.count * SPINDLE_PITCH;
      else rails += width * piece.count;
    }
  }
  return { spindles, rails };
}

/** Floor of a room, m²: by its plan, else by its ceilings, else a strip along its walls; and a strip beside its stair and fences. */
function floorOf(
  surfaces: readonly CoveredSurface[],
  places: ReadonlyMap<string, CoveredPlace>,
  { spindles, rails }: StairLength,
): number {
  const rooms = new Map(
    surfaces.flatMap(({ placeId }) => {
      const place = placeId ? places.get(placeId) : undefined;
      return place?.measure.kind === 'room' ? [[place.id, floorArea(place.measure)] as const] : [];
    }),
  );
  const measured = [...rooms.values()].reduce((sum, area) => sum + area, 0);
  let [ceiling, strip, fence] = [0, 0, 0];
  for (const { element, side, geometry } of surfaces) {
    for (const piece of piecesOf(geometry)) {
      const { width } = extentOf(piece);
      if (element === 'ceiling' && side === 'inside') ceiling += pieceArea(piece) * piece.count;
      if (element === 'wall') strip += width * piece.count * STRIP;
      if (element === 'lapped-fence') fence += width * piece.count * STRIP;
      if (element === 'open-fence') fence += width * STRIP;
    }
  }
  const room = measured > 0 ? measured : Math.max(ceiling, strip);
  return room + fence + Math.max(spindles, rails / 2) * STRIP;
}

/** What of a room is in the way and comes off, by the features that were counted. */
function inTheWayOf(places: readonly CoveredPlace[]): Pick<JobCovering, 'inTheWay' | 'powerOff'> {
  const inTheWay = Object.fromEntries(IN_THE_WAY.map((item) => [item, 0])) as Record<InTheWay, number>;
  let powerOff = 0;
  for (const { measure } of places) {
    let live = false;
    for (const { item, count } of measure.features) {
      const thing = IN_THE_WAY.find((one) => one === item);
      if (!thing) continue;
      inTheWay[thing] += count;
      live ||= count > 0 && (thing === 'plate' || thing === 'light');
    }
    if (live) powerOff += 1;
  }
  return { inTheWay, powerOff };
}

/**
 * What a job has to protect, from its surfaces and the places they were measured in. Masking line: round each opening but closets that are
 * painted inside and doorways whose door is masked elsewhere; along the foot of walls and rails; where trim or ceiling meet walls of
 * another finish. Film: those openings. Floor: the plan of a room.
 */
export function coveringOf(
  surfaces: readonly CoveredSurface[],
  measured: readonly CoveredPlace[] = [],
): JobCovering {
  const places = new Map(measured.map((place) => [place.id, place]));
  const items = itemsById(measured);
  let [maskingLine, film, fittings, faces, floorCover, rooms] = [0, 0, 0, 0, 0, 0];
  for (const { element, geometry } of surfaces) {
    for (const piece of piecesOf(geometry)) {
      const { width, height } = extentOf(piece);
      for (const opening of piece.openings) {
        const item = items.get(opening.id);
        if (item !== undefined && OPEN_INTO.has(item)) continue;
        maskingLine += 2 * (opening.width + opening.height) * opening.count;
        film += opening.width * opening.height * opening.count;
        fittings += opening.count;
      }
      if (element === 'wall') maskingLine += width * piece.count;
      if (element === 'door' && Math.min(width, height) >= LEAF) faces += piece.count;
    }
  }
  const byRoom = new Map<string, CoveredSurface[]>();
  for (const surface of surfaces) addTo(byRoom, surface.room, surface);
  for (const inRoom of byRoom.values()) {
    const stair = stairLength(inRoom);
    maskingLine += whereFinishesMeet(inRoom) + stair.rails;
    floorCover += floorOf(inRoom, places, stair);
    if (inRoom.some(({ side }) => side === 'inside')) rooms += 1;
  }
  return {
    maskingLine,
    film,
    floorCover,
    fittings,
    doors: Math.ceil(faces / 2),
    rooms,
    ...inTheWayOf(measured),
  };
}
