import { WORK_RATES } from '../quantities';
import type { SurfaceKind } from '../takeoff';

/** How a person stands and moves with the gun (judgement). */
export const BODY = {
  /** What is in reach from one place beside a piece, m along it. */
  arm: 1.2,
  /** One step to the side, m. */
  step: 0.6,
  /** Highest a gun is held square from the floor, m. */
  high: 2.2,
} as const;

/** How long a film can still be rolled into, s: a stretch is no more than is done in the least of it (judgement). */
export const OPEN_TIME = { least: 600, most: 900 } as const;

/** Gun down, trigger locked, roller taken up: what one person loses of it, s (judgement). */
export const CHANGE = 60;

/** Rolled behind a gun by one person, m²/s. */
export const ROLLED = WORK_RATES.backRoll.usual / 3600;

/** Undersides and sides of boards face the gun from one side only: each coat comes from another. */
const LAPPED: ReadonlySet<SurfaceKind> = new Set(['lapped-boards', 'board-and-batten', 'corrugated-metal']);
/** So rough that passes the same way leave the same hollows bare. */
const TEXTURED: ReadonlySet<SurfaceKind> = new Set([
  'orange-peel',
  'heavy-stipple',
  'coarse-render',
  'block',
  'brick',
  'sawn-timber',
]);

export const isLapped = (kind: SurfaceKind): boolean => LAPPED.has(kind);
export const isTextured = (kind: SurfaceKind): boolean => TEXTURED.has(kind);
