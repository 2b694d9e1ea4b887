export { FAMILY_DATA, TIP_FAMILIES, type FamilyData, type TipFamily } from './family';
export {
  existsInFamily,
  orificeDiameter,
  readTip,
  readTipCode,
  tipCatalogue,
  writeTipCode,
  type Tip,
  type TipCode,
} from './code';
export { FAN_SCHOOLS, NOMINAL_DISTANCE, fanWidth, type FanSchool } from './fan';
export {
  DISCHARGE,
  dischargeCoefficient,
  orificeArea,
  orificeFlow,
  pressureForFlow,
  type OrificeFluid,
} from './orifice';
