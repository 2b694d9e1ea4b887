export { createGrid, maskOf, type WallGrid } from './grid';
export { SHEET_THICKNESS, sprayFan, type FanSettings, type SprayFan } from './fan';
export { layMove, layStroke } from './deposit';
export { stamp } from './footprint';
export { startSimulation, type DepositMethod, type WallSimulation } from './wall';
export {
  checkStroke,
  straightStroke,
  type GunPoint,
  type StraightStroke,
  type Stroke,
  type TimedPoint,
} from './stroke';
export { filmStatistics, type FilmLimits, type FilmStatistics, type Holiday } from './statistics';
export { simulate, type SimulationJob, type SimulationResult } from './job';
