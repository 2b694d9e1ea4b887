/** Stored rows put together as the core wants them, for every screen and for paper alike. */
export { cameTo, type CameTo, type CostBeside } from './cameTo';
export { checkBought, type BoughtCheck, type BoughtList } from './bought';
export { PURCHASE_DRAWS, buyingsFor, likelyPaint, paintCost, type Buying } from './buying';
export {
  jobPlan,
  priceFor,
  roomsToPrepare,
  type JobPlan,
  type PlannedWork,
  type PricedPart,
  type PricedRoom,
  type PricedSurface,
  type RoomToPrepare,
} from './jobPlan';
export {
  isAbout,
  listedLines,
  netOfWork,
  offeredFor,
  optionProblems,
  surfacesWith,
  totalsOf,
  workText,
  type JobToOffer,
  type ListedLine,
  type Offered,
} from './offered';
export { PRICED_AT, workOutJob, type JobToWorkOut, type WorkedOut } from './wholeJob';
export { planHistory, type PlanHistory } from './history';
export type { Kit } from './kit';
export {
  LAYER_NAMES,
  choiceOf,
  coreLayers,
  layerOfCoat,
  layerAlone,
  layerKey,
  layersOf,
  layersOfChoice,
  ofWork,
  requestFor,
  withLayerTip,
  workId,
  type CoatOfSurface,
  type SetupJob,
  type SetupSurface,
  type SurfaceLayer,
  type SystemChoice,
} from './layers';
export { ordersFor, triggerTimeOf, type CoatingOrder, type OrderedSurface } from './orders';
export { plannedCoats, type PlannedCoatOfJob } from './plannedCoats';
export { siteNow } from './siteNow';
export {
  SCHOOLS,
  USUAL_WEATHER,
  siteTasks,
  type DoneCoat,
  type DryingWeather,
  type JobTask,
  type JobTasks,
  type School,
} from './siteTasks';
export {
  OTHER_WAYS,
  askedOtherwise,
  otherPlans,
  planSite,
  type OtherPlan,
  type OtherWay,
  type SiteAsked,
  type SitePlanned,
} from './sitePlan';
