export { planPasses, type PassPlan, type PlanOptions } from './plan';
export { ARM, type Direction, type PassSettings } from './settings';
export type { PassAccount, PlannedPass } from './account';
export { planBars, planDoor, type Bars, type ComposedPlan, type Door, type PlannedPart } from './composed';
export { strokesFor, type Hand } from './strokes';
export { pieceOf } from './pieces';
export { USUAL_HAND, paintMissing, repeatsOf, wallFilm, type WallFilm } from './wallFilm';
