/** Stored rows put together as the core wants them, for every screen and for paper alike. */
export { checkBought, type BoughtCheck, type BoughtList } from './bought';
export { PURCHASE_DRAWS, buyingsFor, likelyPaint, paintCost, type Buying } from './buying';
export { jobPlan, priceFor, type JobPlan, type PlannedWork } from './jobPlan';
export { planHistory, type PlanHistory } from './history';
export type { Kit } from './kit';
export {
  LAYER_NAMES,
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
