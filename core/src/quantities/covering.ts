import { extentOf, piecesOf, type Element, type Side, type SurfaceGeometry } from '../takeoff';

/** A surface as far as what is beside it has to be protected. */
export interface CoveredSurface {
  readonly element: Element;
  readonly side: Side;
  /** The room or part it is in: floors are covered once for each. */
  readonly room: string;
  readonly geometry: SurfaceGeometry;
}

/** What has to be masked, covered and handled for a job. Lengths m, areas m². */
export interface JobCovering {
  /** Edges along which masking is stuck: round openings, and along the foot of walls. */
  readonly maskingLine: number;
  /** Openings covered with film. */
  readonly film: number;
  readonly floorCover: number;
  /** Windows and doors that stay where they are and are masked one by one. */
  readonly fittings: number;
  /** Door leaves that are racked. */
  readonly doors: number;
  readonly rooms: number;
}

/** Floor covered in front of a wall where no ceiling tells how large the room is, m. */
const STRIP = 1;
/** A leaf is counted once for its two faces: pieces of doors at least this wide are leaves, narrower ones edges, m. */
const LEAF = 0.3;

/**
 * What a job has to protect, from its surfaces. Masking line: round each opening, and along the foot of each wall. Film:
 * the openings. Floor: as large as the ceilings of a room, or a strip of one metre along its walls, whichever is more.
 */
export function coveringOf(surfaces: readonly CoveredSurface[]): JobCovering {
  let [maskingLine, film, fittings, faces] = [0, 0, 0, 0];
  const floors = new Map<string, { ceiling: number; strip: number }>();
  for (const { element, side, room, geometry } of surfaces) {
    const floor = floors.get(room) ?? { ceiling: 0, strip: 0 };
    floors.set(room, floor);
    for (const piece of piecesOf(geometry)) {
      const { width, height } = extentOf(piece);
      for (const opening of piece.openings) {
        maskingLine += 2 * (opening.width + opening.height) * opening.count;
        film += opening.width * opening.height * opening.count;
        fittings += opening.count;
      }
      if (element === 'wall') {
        maskingLine += width * piece.count;
        floor.strip += width * piece.count * STRIP;
      }
      if (element === 'ceiling' && side === 'inside') floor.ceiling += width * height * piece.count;
      if (element === 'door' && Math.min(width, height) >= LEAF) faces += piece.count;
    }
  }
  const floorCover = [...floors.values()].reduce(
    (sum, { ceiling, strip }) => sum + Math.max(ceiling, strip),
    0,
  );
  return { maskingLine, film, floorCover, fittings, doors: Math.ceil(faces / 2), rooms: floors.size };
}
