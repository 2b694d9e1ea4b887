export { chosenTipFits, setupCard, setupCardInSteps, safetyOf, type SetupCard } from './card';
export { checkRequest } from './check';
export { pressuresAre, tipDialledIn, type DialledIn, type DialledInNow } from './dialledIn';
export { gunSpeedOf } from './filmNumbers';
export { netAreaOf } from './paint';
export { CRITERIA, type CriterionName } from './criteria';
export type { Doubt } from './doubts';
export { evenFanPressure } from './evenFan';
export { rankTips, type RankedTip, type Ranking, type TipAdvice } from './rank';
export { searchSetups, type Finish, type RefusedTip, type SetupOption, type SetupSearch } from './search';
export { FITS, tipMap, type Fit, type TipCell, type TipMap } from './tipMap';
export { largestTip, type LargestTip } from './largestTip';
export {
  CLOSE_DISTANCE,
  DEFAULT_SCHOOLS,
  DISTANCE_SCHOOLS,
  gunDistance,
  type DistanceSchool,
  type Schools,
} from './schools';
export {
  asSprayed,
  coatingMesh,
  fluidOf,
  isSpots,
  meshFor,
  searchContext,
  sprayedPiece,
  type SearchContext,
  type KnownPaint,
  type SetupHistory,
  type SetupRequest,
} from './request';
export * from './dialIn';
