export {
  hoseLoss,
  hoseVolume,
  laminarLimit,
  liftPressure,
  lineLoss,
  metznerReedReynolds,
  type HoseRun,
  type LineFluid,
} from './hose';
export { bracketedRoot, pumpForGun, runsOf, steadyState, type Line, type SteadyState } from './steadyState';
export { LINE_LIMITS, checkLine } from './check';
export {
  GUN_PASSAGE,
  lineAtPump,
  lineForGun,
  type LinePart,
  type LineReport,
  type LineRequest,
} from './report';
export { lineProfile, longestHose, type LongestHose, type ProfilePoint } from './profile';
export { SPRAYER_CLASSES, SPRAYER_CLASS_DATA, type Sprayer, type SprayerClass } from './sprayer';
export {
  KNOB_READINGS,
  READOUTS,
  READ_BY,
  READ_BYS,
  firstPlace,
  knobCurve,
  knobDoubt,
  knobPlaces,
  knobReading,
  placeFor,
  placeWordsOf,
  pressureAtPlace,
  type KnobCurve,
  type KnobPlace,
  type KnobReading,
  type KnobSetting,
  type ReadBy,
  type Readout,
} from './knob';
