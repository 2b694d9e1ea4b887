export {
  GRAVITY,
  hoseLoss,
  hoseVolume,
  laminarLimit,
  liftPressure,
  lineLoss,
  metznerReedReynolds,
  type HoseRun,
  type LineFluid,
} from './hose';
export { bisect, pumpForGun, steadyState, type Line, type SteadyState } from './steadyState';
export { SPRAYER_CLASSES, SPRAYER_CLASS_DATA, type Sprayer, type SprayerClass } from './sprayer';
