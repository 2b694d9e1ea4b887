export {
  ARCHETYPES,
  ARCHETYPE_IDS,
  archetypeOf,
  type Archetype,
  type ArchetypeId,
  type CoatingBase,
  type CoatingProperty,
  type CoatingValues,
} from './archetypes';
export {
  COATING_PROPERTIES,
  COATING_PROPERTY_NAMES,
  checkCoating,
  checkCoatingValue,
  coatingInput,
  coatingValues,
  sheetSays,
} from './properties';
export type { Coating, CoatingOverride, CoatingSheet, SheetRange, SheetViscosity } from './coating';
export {
  SHEET,
  SHEET_LIMITS,
  checkSheet,
  krebsViscosity,
  orificesOf,
  sheetDisagrees,
  sheetViscosity,
  sheetViscosityText,
} from './sheet';
export {
  DEFAULT_TEMPERATURE_COEFFICIENT,
  HIGH_SHEAR,
  LOW_SHEAR,
  REFERENCE_TEMPERATURE,
  THINNER_VISCOSITY,
  powerLaw,
  temperatureFactor,
  thinnedViscosity,
  type Rheology,
} from './rheology';
export {
  CUPS,
  CUP_IDS,
  CUP_NOTE,
  PREFERRED_SECONDS,
  compareOwnCup,
  cupSeconds,
  cupViscosity,
  cupsFor,
  kinematicOfPaint,
  type CupAnswer,
  type CupId,
  type OwnCupVerdict,
} from './cups';
export {
  defaultThinningSlope,
  fitSlopes,
  slopesFrom,
  usualSlopes,
  type FittedSlopes,
  type PaintSlopes,
  type ViscosityReading,
} from './slopes';
export {
  thinnerToAdd,
  THINNING_MOVES,
  thinningAdvice,
  type ThinningAdvice,
  type ThinningMove,
  type ThinningRequest,
} from './thinning';
export { WARMING, temperatureWhenSprayed, warmingTime } from './warming';
export { DRYING, dryingHumidityFactor, dryingTemperatureFactor, recoatTime } from './drying';
export { cupForPaint, viscosityOf, type CupChoice, type PaintState } from './state';
export { CLOSES_AFTER, WINDOW_SHARES, coatWindows, type CoatWindows } from './windows';
