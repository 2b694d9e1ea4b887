export { setupCard, type SetupCard, type TipAdvice } from './card';
export { paintNeeded } from './paint';
export { CRITERIA, type CriterionName } from './criteria';
export { evenFanPressure } from './evenFan';
export { rankTips, type RankedTip, type Ranking } from './rank';
export type { SearchContext, SetupRequest } from './request';
