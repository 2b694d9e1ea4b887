export { FAMILY_DATA, TIP_FAMILIES, type FamilyData, type TipFamily } from './family';
export {
  existsInFamily,
  isSameTip,
  orificeDiameter,
  readTip,
  readTipCode,
  tipCatalogue,
  writeTipCode,
  type Tip,
  type TipCode,
} from './code';
export {
  FAN_SCHOOLS,
  FAN_WIDTH_LIMITS,
  GUN_DISTANCE_LIMITS,
  NOMINAL_DISTANCE,
  fanReadings,
  fanWidth,
  sprayAngleWidth,
  type FanReading,
  type FanSchool,
} from './fan';
export { checkReading, checkWidthReading, type ClaimedReading } from './reading';
export {
  DISCHARGE,
  dischargeCoefficient,
  orificeArea,
  orificeFlow,
  pressureForFlow,
  type OrificeFluid,
} from './orifice';
export {
  TIP_LIFE,
  WEAR,
  litresLeft,
  litresLeftByFan,
  wornByPressure,
  wornTip,
  type AbrasionClass,
  type LitresByClass,
  type Wear,
  type WearReading,
} from './wear';
export { SEALS, checkSeal, sealFor, type Seal, type SealAdvice } from './seal';
export { flowWords, otherSchoolWords, readTypedTip, tipWords, type TypedTip } from './typed';
