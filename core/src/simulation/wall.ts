import { cumulative } from '../film';
import type { SprayFan } from './fan';
import type { WallGrid } from './grid';

/** A wall being painted, with the account of where every drop went (m³). */
export interface WallSimulation {
  readonly grid: WallGrid;
  readonly fan: SprayFan;
  /** Through the gun; on the grid; past its edges; lost as mist and bounce. sprayed = landed + outside + overspray. */
  sprayed: number;
  landed: number;
  outside: number;
  overspray: number;
  readonly across: Float64Array;
  readonly weights: { columns: Float64Array; rows: Float64Array };
  /** Shares of a slanting footprint, kept between stamps. */
  shares: Float64Array;
  /** How strokes are laid: along their way at once where that is exact, or stamp by stamp (the slow reference). */
  readonly method: DepositMethod;
}

export type DepositMethod = 'along' | 'stamps';

export function startSimulation(
  grid: WallGrid,
  fan: SprayFan,
  method: DepositMethod = 'along',
): WallSimulation {
  return {
    grid,
    fan,
    sprayed: 0,
    landed: 0,
    outside: 0,
    overspray: 0,
    across: cumulative(fan.profile),
    weights: { columns: new Float64Array(grid.columns), rows: new Float64Array(grid.rows) },
    shares: new Float64Array(0),
    method,
  };
}
