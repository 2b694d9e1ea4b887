export { createGrid, maskOf, type WallGrid } from './grid';
export { SHEET_THICKNESS, sprayFan, type FanSettings, type SprayFan } from './fan';
export { layMove, layStroke } from './deposit';
export { boxOfFan, stamp, type CellBox } from './footprint';
export { startSimulation, type DepositMethod, type WallSimulation } from './wall';
export {
  between,
  checkStroke,
  straightStroke,
  type GunPoint,
  type StraightStroke,
  type Stroke,
  type TimedPoint,
} from './stroke';
export { filmStatistics, type FilmLimits, type FilmStatistics, type Holiday } from './statistics';
export {
  closeJob,
  openJob,
  simulate,
  simulateAll,
  type OpenJob,
  type SimulationJob,
  type SimulationResult,
} from './job';
