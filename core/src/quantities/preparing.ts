import {
  extentOf,
  pieceArea,
  piecesOf,
  openingsArea,
  runOf,
  type Condition,
  type Element,
  type Side,
  type SurfaceGeometry,
  type SurfaceKind,
} from '../takeoff';

export const STATES = ['good', 'fair', 'poor'] as const;
/** How much there is to mend before a surface can be painted. */
export type State = (typeof STATES)[number];

/** A surface as far as the work on it goes. */
export interface WorkedSurface {
  readonly element: Element;
  readonly side: Side;
  readonly kind: SurfaceKind;
  readonly condition: Condition;
  /** Null where nobody has said: good for what is new and inside, fair for what was painted outside. */
  readonly state: State | null;
  readonly geometry: SurfaceGeometry;
  /** Coats of all its layers together. */
  readonly coats: number;
}

/** An area by the state it is in, m². */
export type ByState = Readonly<Record<State, number>>;
export const NO_AREA: ByState = { good: 0, fair: 0, poor: 0 };

/** Work on the surfaces of a job as areas and lengths, what hangs on the state of a surface by that. m², m. */
export interface SurfaceWork {
  readonly area: number;
  readonly washed: number;
  readonly scraped: ByState;
  readonly filled: ByState;
  readonly sanded: ByState;
  readonly caulked: number;
  readonly backRolled: number;
  /** Area times the coats that another follows, of what is sanded between coats. */
  readonly between: number;
  /** Share of the area that is over 3 m up. */
  readonly highShare: number;
}

/** How much longer it takes than on a fair surface; nothing: it is not done there. */
export const BY_STATE = {
  scraping: { good: 0, fair: 1, poor: 4 },
  filling: { good: 0.3, fair: 1, poor: 3 },
  sanding: { good: 0.5, fair: 1, poor: 2.5 },
} as const satisfies Record<string, Record<State, number>>;

const MASONRY: ReadonlySet<SurfaceKind> = new Set(['fine-render', 'coarse-render', 'block', 'brick']);
const ROUGH: ReadonlySet<SurfaceKind> = new Set([...MASONRY, 'sawn-timber']);
const BOARD: ReadonlySet<SurfaceKind> = new Set([
  'smooth-board',
  'light-texture',
  'orange-peel',
  'heavy-stipple',
]);
const FENCES: ReadonlySet<Element> = new Set(['lapped-fence', 'open-fence']);
const FINE: ReadonlySet<Element> = new Set(['door', 'cabinet', 'trim', 'spindles']);
/** From here on up one stands on something, m. */
const REACH = 3;

/** The state a surface is taken in. */
export const stateOf = ({
  state,
  condition,
  side,
}: Pick<WorkedSurface, 'state' | 'condition' | 'side'>): State =>
  state ?? (condition === 'bare' || side === 'inside' ? 'good' : 'fair');

/** The area somebody works on: with or without the openings in it; one put in by hand stands. */
function workedArea(geometry: SurfaceGeometry, deducted: boolean): number {
  if (geometry.override) return geometry.override.net;
  return piecesOf(geometry).reduce(
    (sum, piece) => sum + pieceArea(piece) * piece.count - (deducted ? openingsArea(piece) : 0),
    0,
  );
}

/** Whether the first coat is rolled into it while it is wet: bare walls and ceilings with pores or texture to fill. */
export const isBackRolled = ({
  element,
  kind,
  condition,
}: Pick<WorkedSurface, 'element' | 'kind' | 'condition'>): boolean =>
  (element === 'wall' || element === 'ceiling') &&
  condition === 'bare' &&
  (ROUGH.has(kind) || BOARD.has(kind));

/** What is over reach: walls and eaves outside, and pieces taller than that. */
function highShareOf({ element, side, geometry }: WorkedSurface): number {
  if (element === 'edge' && side === 'outside') return 1;
  if (element !== 'wall') return 0;
  let [all, high] = [0, 0];
  for (const piece of piecesOf(geometry)) {
    const area = pieceArea(piece) * piece.count;
    const { height } = extentOf(piece);
    all += area;
    high += area * Math.max(0, 1 - REACH / height);
  }
  return all > 0 ? high / all : 0;
}

/**
 * The work on the surfaces of a job, from their sizes, state and coats.
 * @param deducted whether openings are taken off for labour, as they are for paint
 */
export function preparingOf(surfaces: readonly WorkedSurface[], deducted: boolean): SurfaceWork {
  const [scraped, filled, sanded] = [{ ...NO_AREA }, { ...NO_AREA }, { ...NO_AREA }];
  const sum = {
    area: 0,
    washed: 0,
    caulked: 0,
    backRolled: 0,
    between: 0,
    high: 0,
  };
  for (const surface of surfaces) {
    const { element, side, kind, condition, geometry, coats } = surface;
    const area = workedArea(geometry, deducted);
    const state = stateOf(surface);
    const painted = condition !== 'bare';
    const fence = FENCES.has(element);
    sum.area += area;
    if (painted && (side === 'outside' || state === 'poor')) sum.washed += area;
    if (painted && side === 'outside') scraped[state] += area;
    if (!fence) filled[state] += area;
    if (!fence && !MASONRY.has(kind)) sanded[state] += area;
    if (element === 'trim') sum.caulked += runOf(geometry);
    if (isBackRolled(surface)) sum.backRolled += area;
    if (FINE.has(element)) sum.between += area * Math.max(0, coats - 1);
    sum.high += area * highShareOf(surface);
  }
  const { high, ...rest } = sum;
  return { ...rest, scraped, filled, sanded, highShare: rest.area > 0 ? high / rest.area : 0 };
}
