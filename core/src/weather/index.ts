export { LEAST_MARGIN, checkSurface, dewPoint, type SurfaceCheck, type SurfaceConditions } from './dewPoint';
export { fitSpans, isFitHour, scriptedDayName, type FitWeather } from './dry';
export {
  DROP,
  WIND_LIMITS,
  driftReach,
  settlingSpeed,
  windLimit,
  type DriftRequest,
  type WindRequest,
  type WindVerdict,
} from './wind';
export {
  SCRIPTED_DAYS,
  SCRIPTED_DAY_IDS,
  stationForecast,
  stationReading,
  type ForecastHour,
  type ScriptedDayId,
  type StationReading,
} from './station';
