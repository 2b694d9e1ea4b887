export {
  COMFORTABLE_GUN_SPEED,
  dryForWet,
  gunSpeedForFilm,
  paintForFilm,
  sagLimitFor,
  spreadingRate,
  wetFilmOfPass,
  wetForDry,
  type Pass,
} from './film';
export {
  betterOverlap,
  evenFanProfile,
  filmVariation,
  type FanProfile,
  type OverlapVerdict,
} from './profile';
