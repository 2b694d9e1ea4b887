export {
  THIN,
  COMFORTABLE_GUN_SPEED,
  dryForWet,
  filmOfLaid,
  gunSpeedForFilm,
  laidPerArea,
  sagLimitFor,
  spreadingRate,
  wetFilmOfPass,
  wetForDry,
  type Pass,
} from './film';
export {
  dryFilmFrom,
  filmAtSpeed,
  gunSpeedFor,
  speedForFilm,
  spreadingOf,
  wetFilmFor,
  type PassInputs,
  type PassPlace,
} from './answers';
export { BEAT_WAY, beatFor, type Beat } from './beat';
export {
  MIL_COMB,
  USUAL_COMB,
  checkComb,
  combFor,
  combReading,
  combVerdict,
  type CombInterval,
  type CombResult,
  type CombTarget,
  type CombVerdict,
} from './comb';
export { BUILD_SCHOOLS, coatsNeeded, type BuildSchool, type Coats, type CoatsRequest } from './coats';
export {
  TAILS,
  cumulative,
  evenFanProfile,
  fanProfileAt,
  shareBelow,
  visibleShare,
  type FanProfile,
} from './profile';
export { HAND_SCATTER, expectedVariation, filmVariation } from './variation';
export {
  OVERLAP_SCHOOLS,
  betterOverlap,
  overlapAdvice,
  variationOf,
  type OverlapAdvice,
  type OverlapSchool,
  type OverlapVerdict,
} from './overlap';
