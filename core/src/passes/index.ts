export { layPasses, planOf, planPasses, type PassPlan, type PlanOptions } from './plan';
export { coverOf, passesOf, type Cover, type CoveredPiece } from './cover';
export { ARM, checkSettings, type Direction, type FanOnPiece, type PassSettings } from './settings';
export { runUp, type PassAccount, type PlannedPass } from './account';
export { planBars, planDoor, type Bars, type ComposedPlan, type Door, type PlannedPart } from './composed';
export { orderOf, type PartInOrder } from './order';
export { strokesFor, type Hand } from './strokes';
export { pieceOf } from './pieces';
